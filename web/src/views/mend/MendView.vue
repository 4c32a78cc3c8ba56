<script setup lang="ts">
import { MEND_COAT_MM, sayMinutes } from '@warm-jar/core';
import Button from 'primevue/button';
import Checkbox from 'primevue/checkbox';
import { computed, onMounted, ref, toRef } from 'vue';
import CautionNote from '../../components/CautionNote.vue';
import NumberEntry from '../../components/NumberEntry.vue';
import ProblemNote from '../../components/ProblemNote.vue';
import { inWords, symptomWords } from '../../components/words';
import { useShelf } from '../../stores/shelf';
import { useStoredBatch } from '../../stores/storedBatch';
import { useUnits } from '../../stores/units';
import MendChain from '../../components/MendChain.vue';
import OutcomeCard from '../../components/OutcomeCard.vue';
import { useMend } from './useMend';

/** Mending the piece: one step after the other, the coat to weigh, and when to look again. */
const props = defineProps<{ code: string }>();
const stored = useStoredBatch(toRef(props, 'code'));
const { batch, product } = stored;
const shelf = useShelf();
const units = useUnits();
onMounted(() => {
  void shelf.ready();
});
const { stories, current, problem, areaCM2, thicknessMm, coat, tick, keepCoat, finish } = useMend(stored, props.code);
const left = computed(() => current.value?.mend.steps.filter((s) => !s.done).length ?? 0);
/** A mend that only waits makes no coat and no dust. */
const steps = computed(() => (current.value?.mend.steps ?? []).map((s) => s.says).join(' '));
const coats = computed(() => current.value?.mend.coat != null || /fresh|coat of|top it up/i.test(steps.value));
const touches = computed(() => coats.value || /sand|shave|cut|blade|scrape/i.test(steps.value));
const texts = ref<Record<string, string>>({});
const enter = (name: 'areaCM2' | 'thicknessMm', value: number | null, raw?: string) => {
  texts.value = {
    ...Object.fromEntries(Object.entries(texts.value).filter(([n]) => n !== name)),
    ...(raw === undefined ? {} : { [name]: raw }),
  };
  if (name === 'areaCM2') areaCM2.value = value;
  else thicknessMm.value = value;
};
const wait = computed(() => {
  const h = current.value?.mend.recheckAfterH;
  return h == null ? null : sayMinutes(h * 60);
});
</script>

<template>
  <div class="stack">
    <ProblemNote v-if="stored.problem.value" :says="stored.problem.value" again @again="stored.load" />
    <ProblemNote v-if="problem" :says="problem" />
    <template v-if="batch && product">
      <div class="row spread">
        <div>
          <h1>
            Mend <span class="figures">{{ code }}</span>
          </h1>
          <p class="quiet">
            {{ product.name }}<template v-if="batch.note">, {{ batch.note }}</template>
          </p>
        </div>
        <RouterLink :to="{ name: 'batch', params: { code } }">Back to {{ code }}</RouterLink>
      </div>
      <p v-if="!current" class="card quiet">
        Nothing is being mended.
        <RouterLink :to="{ name: 'diagnosis', params: { code } }">The diagnosis</RouterLink> says how, and begins it.
      </p>
      <div v-else class="page">
        <section class="card stack" aria-labelledby="steps">
          <h2 id="steps">
            <template v-if="current.mend.castings?.length">{{ current.mend.castings.join(', ') }}: </template
            >{{ symptomWords(current.mend)
            }}<span v-if="current.outcome !== 'in-progress'" class="quiet">
              ({{ current.outcome === 'waiting' ? 'done, waiting' : current.outcome }})</span
            >
          </h2>
          <ol>
            <li v-for="(s, i) in current.mend.steps" :key="i">
              <label class="step" :class="{ done: s.done }"
                ><Checkbox
                  :model-value="s.done"
                  binary
                  :input-id="`step-${i}`"
                  :disabled="current.outcome !== 'in-progress'"
                  @update:model-value="tick(i, $event)"
                /><span
                  ><span class="figures n">{{ i + 1 }}</span> {{ s.says }}</span
                ></label
              >
            </li>
          </ol>
          <p v-if="current.mend.supplies?.length" class="small">
            <strong>To hand:</strong> {{ current.mend.supplies.join(', ') }}.
          </p>
          <CautionNote v-if="coats" :product="product" stage="weigh" />
          <CautionNote v-if="touches" :product="product" stage="check" />
          <div v-if="current.outcome === 'in-progress'" class="row">
            <Button :severity="left ? 'secondary' : undefined" data-test="finish" @click="finish">{{
              left ? `Finished, with ${left} left out` : 'Finished'
            }}</Button><span v-if="wait" class="quiet small"
              >Look again {{ wait }} later; it goes on Today and the agenda.</span
            >
          </div>
          <p v-else-if="current.outcome === 'waiting'" class="told">
            Look again
            {{
              current.recheckAtH === null
                ? 'when it has set'
                : `${sayMinutes(current.recheckAtH * 60)} after the parts met`
            }}. <RouterLink :to="{ name: 'check', params: { code } }">Check it now</RouterLink>
          </p>
          <p v-else-if="current.outcome === 'failed'" class="told bad">
            It did not hold<template v-if="current.failedBy && current.failedBy !== current.mend.kind"
              >: {{ inWords(current.failedBy) }} after it</template
            >. <RouterLink :to="{ name: 'diagnosis', params: { code } }">The diagnosis</RouterLink> says what to do
            otherwise.
          </p>
          <p v-else class="told">
            It held. Grade the piece at its
            <RouterLink :to="{ name: 'check', params: { code } }">next look</RouterLink>.
          </p>
        </section>
        <div class="stack">
          <section v-if="coats" class="card stack" aria-labelledby="coat">
            <h2 id="coat">Fresh coat</h2>
            <div class="pair">
              <label class="small"
                >Area<NumberEntry
                  id="mend-area"
                  :value="areaCM2"
                  :raw-text="texts['areaCM2']"
                  unit="cm²"
                  label="Area to coat"
                  @change="(v, raw) => enter('areaCM2', v, raw)"
              /></label>
              <label class="small"
                >Thickness<NumberEntry
                  id="mend-thickness"
                  :value="thicknessMm"
                  :raw-text="texts['thicknessMm']"
                  unit="mm"
                  label="Thickness of the coat"
                  @change="(v, raw) => enter('thicknessMm', v, raw)"
              /></label>
            </div>
            <template v-if="coat">
              <dl data-test="coat">
                <dt>A</dt>
                <dd class="figures">{{ units.say(coat.massAG, 'g') }}</dd>
                <template v-if="coat.massBG !== null"
                  ><dt>{{ product.ratio.catalyst ? 'Catalyst' : 'B' }}</dt>
                  <dd class="figures">{{ units.say(coat.massBG, 'g') }}</dd></template
                >
              </dl>
              <p class="small quiet">With what stays in the cup. {{ MEND_COAT_MM }} mm is a brushed coat.</p>
              <Button
                v-if="current.outcome === 'in-progress'"
                label="Keep with the mend"
                severity="secondary"
                data-test="keep-coat"
                @click="keepCoat"
              />
              <p v-if="current.mend.coat?.massG != null" class="small">
                Kept: {{ units.say(current.mend.coat.massG, 'g') }}.
              </p>
            </template>
            <p v-else class="small quiet">Give the area that is coated.</p>
          </section>
          <MendChain :stories="stories" />
        </div>
      </div>
      <OutcomeCard
        v-if="current"
        :code="code"
        :batch="batch"
        :symptom="current.mend.kind"
        :casting="current.mend.castings?.length === 1 ? current.mend.castings[0] : null"
        @changed="stored.load"
      />
    </template>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1.7fr) minmax(16.25rem, 1fr);
  gap: var(--space-5);
  align-items: start;
}
h2 {
  text-transform: none;
}
h2::first-letter {
  text-transform: uppercase;
}
.step {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: var(--space-4);
  align-items: center;
  min-height: 56px;
  cursor: pointer;
  font-size: 1.1rem;
  line-height: 1.35;
  padding: 6px 0;
}
.step.done {
  color: var(--ink-500);
  text-decoration: line-through;
}
li + li {
  border-top: 1px solid var(--card-edge);
}
.n {
  font-weight: 700;
}
.pair {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: var(--space-3);
}
dl {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 2px 16px;
  align-items: baseline;
}
dd {
  font-size: 2rem;
  font-weight: 750;
  text-align: right;
}
.told {
  font-weight: 650;
}
.bad {
  color: var(--outside);
}
@media (max-width: 61.25em) {
  .page {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>

<script setup lang="ts">
import {
  GRADES,
  PATTERNS_BY_SYMPTOM,
  SYMPTOM_KINDS,
  castingIds,
  castingOf,
  castingsOf,
  dueCheck,
  sayMinutes,
} from '@warm-jar/core';
import Button from 'primevue/button';
import InputText from 'primevue/inputtext';
import Textarea from 'primevue/textarea';
import { computed, onMounted, toRef } from 'vue';
import { useRoute } from 'vue-router';
import { keepEnter, onPlainKey } from '../../keys/keys';
import CautionNote from '../../components/CautionNote.vue';
import ChoiceEntry from '../../components/ChoiceEntry.vue';
import SimulatedMark from '../../components/SimulatedMark.vue';
import KeyCap from '../../components/KeyCap.vue';
import NumberEntry from '../../components/NumberEntry.vue';
import PatternPicture from '../../components/PatternPicture.vue';
import ProblemNote from '../../components/ProblemNote.vue';
import { inWords } from '../../components/words';
import PhotoShelf from '../../components/photo/PhotoShelf.vue';
import { useShelf } from '../../stores/shelf';
import { useStoredBatch } from '../../stores/storedBatch';
import SpotsStep from './SpotsStep.vue';
import SymptomCard from './SymptomCard.vue';
import WhichCastings from './WhichCastings.vue';
import { TOUCHED } from './touch';
import { yellowedWords } from './yellowedWords';
import { useCheck } from './useCheck';

/** What is seen and felt on the piece: tap the symptom, then how it shows, then how bad. */
const props = defineProps<{ code: string }>();
const stored = useStoredBatch(toRef(props, 'code'));
const { batch, product } = stored;
const {
  touch,
  look,
  setSpots,
  setPhotos,
  readTester,
  testerProblem,
  simulated,
  draft,
  problem,
  saving,
  toggle,
  yellowed,
  addArea,
  change,
  set,
  save,
  issues,
} = useCheck(stored, props.code);
onPlainKey('y', () => void readTester());
const scale = computed(() => product.value?.hardness?.scale ?? '');
const shelf = useShelf();
onMounted(() => {
  void shelf.ready();
});
/** The casting whose face is drawn: the first that is looked at. */
const drawnCasting = computed(() => {
  const named = draft.value.castings ?? [];
  return castingOf(batch.value ?? {}, named[0] ?? castingIds(batch.value ?? {})[0] ?? null);
});
const mould = computed(() => {
  const code = drawnCasting.value?.mould?.code ?? batch.value?.mould?.code;
  return shelf.moulds.find(({ item }) => item.code === code)?.item ?? null;
});
const cavityAt = computed(() => (drawnCasting.value?.mould?.cavity ?? 1) - 1);
const face = computed(() => mould.value?.cavities?.[cavityAt.value] ?? null);
const apart = computed(() => castingsOf(batch.value ?? {}).length > 0);
const lesser = computed(() => draft.value.grade === 'second' || draft.value.grade === 'scrap');
const asked = useRoute().query['casting'];
if (typeof asked === 'string') look([asked]);
const due = computed(() => (product.value && batch.value ? dueCheck(product.value, batch.value) : null));
/** Whether this is the last area told of its kind. */
const isLastOf = (index: number) =>
  draft.value.symptoms.findLastIndex((x) => x.kind === draft.value.symptoms[index]?.kind) === index;
const has = (kind: string) => draft.value.symptoms.some((s) => s.kind === kind);
</script>

<template>
  <form class="stack" novalidate @submit.prevent="save" @keydown.enter="keepEnter">
    <ProblemNote v-if="stored.problem.value" :says="stored.problem.value" again @again="stored.load" />
    <template v-if="batch && product">
      <div>
        <h1>
          Check <span class="figures">{{ code }}</span>
        </h1>
        <p class="quiet">
          {{ product.name }}<template v-if="batch.note">, {{ batch.note }}</template
          ><template v-if="due">. Due after {{ sayMinutes(due.afterH * 60) }}: {{ due.why }}</template>
        </p>
      </div>
      <ProblemNote v-if="problem" :says="problem" />
      <section v-if="apart" class="card stack" aria-labelledby="which">
        <h2 id="which">Which castings</h2>
        <WhichCastings :batch="batch" :named="draft.castings ?? []" @change="look" />
      </section>
      <section class="card stack" aria-labelledby="feel">
        <h2 id="feel"><span class="figures n">1</span> Touch</h2>
        <div class="touches" role="group" aria-label="How it feels">
          <button
            v-for="t in TOUCHED"
            :key="t.touch"
            type="button"
            class="tile touch"
            :aria-pressed="draft.touch === t.touch"
            :data-touch="t.touch"
            @click="touch(t.touch)"
          >
            <strong>{{ t.words }}</strong><span class="small quiet">{{ t.how }}</span>
          </button>
        </div>
      </section>
      <section class="card stack" aria-labelledby="what">
        <h2 id="what"><span class="figures n">2</span> Look: what is wrong with it?</h2>
        <div class="tiles">
          <button
            v-for="kind in SYMPTOM_KINDS"
            :key="kind"
            type="button"
            class="tile"
            :aria-pressed="has(kind)"
            :data-symptom="kind"
            @click="toggle(kind)"
          >
            <PatternPicture :kind="kind" :pattern="PATTERNS_BY_SYMPTOM[kind][0]" aria-hidden="true" /><span>{{
              inWords(kind)
            }}</span>
          </button>
        </div>
        <p v-if="draft.symptoms.length === 0" class="quiet">Nothing tapped: it is recorded as sound.</p>
      </section>
      <SymptomCard
        v-for="(s, i) in draft.symptoms"
        :key="`${s.kind} ${i}`"
        :symptom="s"
        :index="i"
        :face="face"
        :last="isLastOf(i)"
        @change="change(i, $event)"
        @another="addArea(s.kind)"
      />
      <section class="card stack" aria-labelledby="where">
        <h2 id="where"><span class="figures n">3</span> Where, and photos</h2>
        <SpotsStep
          v-if="mould && draft.symptoms.length"
          :mould="mould"
          :spots="draft.spots"
          :symptoms="draft.symptoms"
          :only="apart && drawnCasting?.mould?.cavity != null ? cavityAt : null"
          @change="setSpots"
        />
        <PhotoShelf :photos="draft.photos" @change="setPhotos" />
        <div v-if="yellowed" class="row offer" role="status" data-test="yellowed">
          <span>{{ yellowedWords(yellowed) }}</span><Button
            severity="secondary"
            label="Note it as yellowing"
            @click="toggle('yellowing')"
          />
        </div>
      </section>
      <section class="card numbers" aria-label="Figures and grade">
        <h2 class="wide"><span class="figures n">4</span> Measure and grade</h2>
        <label class="cell"
          ><span class="small">After the parts met, hours</span
          ><NumberEntry
            id="afterH"
            :value="draft.afterH"
            :raw-text="draft.texts['afterH']"
            unit="h"
            label="After the parts met"
            :error="issues['afterH']"
            @change="(v, raw) => set('afterH', v, raw)"
          />
          <span v-if="issues['afterH']" id="afterH-error" class="small error" role="alert">{{
            issues['afterH']
          }}</span><span v-else-if="draft.afterH !== null" class="small quiet">{{
            sayMinutes(draft.afterH * 60)
          }}</span></label
        >
        <label class="cell"
          ><span class="small">Hardness, Shore {{ scale }}</span
          ><NumberEntry
            id="shore"
            :value="draft.shore"
            :raw-text="draft.texts['shore']"
            unit=""
            label="Shore hardness"
            :error="issues['shore']"
            @change="(v, raw) => set('shore', v, raw)"
          />
          <span v-if="issues['shore'] || testerProblem" id="shore-error" class="small error" role="alert">{{
            issues['shore'] ?? testerProblem
          }}</span></label
        >
        <div class="cell">
          <span class="small">From the tester</span
          ><Button severity="secondary" @click="readTester">Read it <KeyCap k="y" /></Button
          ><SimulatedMark :stand-in="simulated" />
        </div>
        <div class="cell">
          <span class="small">Grade</span
          ><ChoiceEntry
            id="grade"
            :value="draft.grade"
            :options="GRADES"
            label="Grade"
            @change="set('grade', $event)"
          />
        </div>
        <label v-if="has('bubbles')" class="cell"
          ><span class="small">Bubbles, counted</span
          ><NumberEntry
            id="bubbleCount"
            :value="draft.bubbleCount ?? null"
            :raw-text="draft.texts['bubbleCount']"
            unit=""
            label="Bubbles counted"
            :error="issues['bubbleCount']"
            @change="(v, raw) => set('bubbleCount', v, raw)"
          /><span v-if="issues['bubbleCount']" id="bubbleCount-error" class="small error" role="alert">{{
            issues['bubbleCount']
          }}</span></label
        >
        <label v-if="lesser" class="cell"
          ><span class="small">Why it is a {{ draft.grade }}</span
          ><InputText
            :model-value="draft.reason ?? ''"
            autocomplete="off"
            data-test="reason"
            @update:model-value="set('reason', $event ?? '')"
        /></label>
        <label v-if="draft.grade === 'pass' || draft.grade === 'second'" class="cell"
          ><span class="small">Price of one</span
          ><NumberEntry
            id="price"
            :value="draft.price ?? null"
            :raw-text="draft.texts['price']"
            unit=""
            label="Price of one casting"
            @change="(v, raw) => set('price', v, raw)"
        /></label>
        <label class="cell wide"
          ><span class="small">Note</span
          ><Textarea
            :model-value="draft.note"
            rows="2"
            auto-resize
            aria-label="Note"
            @update:model-value="set('note', $event ?? '')"
        /></label>
      </section>
      <CautionNote :product="product" stage="check" />
      <div class="row">
        <Button type="submit" :loading="saving">{{
          draft.symptoms.length ? 'Save and say why' : 'Save the check'
        }}</Button>
        <span class="quiet small"><KeyCap k="Ctrl" /> <KeyCap k="Enter" /></span>
      </div>
    </template>
  </form>
</template>

<style scoped>
.tiles {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(7rem, 100%), 1fr));
  gap: var(--space-3);
}

.touches {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(8.75rem, 100%), 1fr));
  gap: var(--space-2);
}
.tile.touch {
  align-items: flex-start;
  min-height: 64px;
  text-align: left;
  font-weight: 400;
}
.n {
  display: inline-block;
  min-width: 1.7rem;
  height: 1.7rem;
  line-height: 1.7rem;
  border-radius: 50%;
  background: var(--ink-900);
  color: var(--card);
  text-align: center;
  font-size: 0.95rem;
  margin-right: 6px;
}
.tile {
  display: flex;
  flex-direction: column;
  gap: 4px;
  align-items: center;
  font: inherit;
  color: inherit;
  background: var(--card);
  border: 2px solid var(--card-edge);
  border-radius: var(--radius);
  padding: 8px;
  cursor: pointer;
  line-height: 1.2;
}
.tile svg {
  max-width: 96px;
}
.tile[aria-pressed='true'] {
  border-color: var(--action);
  background: var(--bottle-50);
  font-weight: 700;
  box-shadow: inset 0 0 0 2px var(--action);
}
.numbers {
  display: grid;
  grid-template-columns: 12rem 12rem minmax(0, 1fr);
  gap: var(--space-4);
  align-items: start;
}
.cell {
  display: flex;
  flex-direction: column;
  gap: 4px;
  min-width: 0;
}
.wide {
  grid-column: 1 / -1;
}
.error {
  color: var(--outside);
  font-weight: 600;
}
h2 {
  text-transform: none;
}
h2::first-letter {
  text-transform: uppercase;
}
@media (max-width: 61.25em) {
  .numbers {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
}
.offer {
  border-left: 5px solid var(--caution-edge);
  background: var(--caution-ground);
  padding: var(--space-2) var(--space-3);
}
</style>

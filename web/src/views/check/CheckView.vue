<script setup lang="ts">
import { GRADES, PATTERNS_BY_SYMPTOM, SYMPTOM_KINDS, dueCheck, sayMinutes } from '@warm-jar/core';
import Button from 'primevue/button';
import InputText from 'primevue/inputtext';
import SelectButton from 'primevue/selectbutton';
import Textarea from 'primevue/textarea';
import { computed, onMounted, toRef } from 'vue';
import { onPlainKey } from '../../keys/keys';
import CautionNote from '../../components/CautionNote.vue';
import ChoiceEntry from '../../components/ChoiceEntry.vue';
import SimulatedMark from '../../components/SimulatedMark.vue';
import KeyCap from '../../components/KeyCap.vue';
import NumberEntry from '../../components/NumberEntry.vue';
import PatternPicture from '../../components/PatternPicture.vue';
import ProblemNote from '../../components/ProblemNote.vue';
import { SEVERITY_WORDS, inWords } from '../../components/words';
import PhotoShelf from '../../components/photo/PhotoShelf.vue';
import { useShelf } from '../../stores/shelf';
import { useStoredBatch } from '../../stores/storedBatch';
import SpotsStep from './SpotsStep.vue';
import { TOUCHED } from './touch';
import { useCheck } from './useCheck';

/** What is seen and felt on the piece: tap the symptom, then how it shows, then how bad. */
const props = defineProps<{ code: string }>();
const stored = useStoredBatch(toRef(props, 'code'));
const { batch, product } = stored;
const {
  touch,
  setSpots,
  setPhotos,
  readTester,
  testerProblem,
  simulated,
  draft,
  problem,
  saving,
  toggle,
  addArea,
  change,
  set,
  save,
  issues,
} = useCheck(stored, props.code);
onPlainKey('y', () => void readTester());
const scale = computed(() => product.value?.hardness?.scale ?? '');
const SEVERITIES = SEVERITY_WORDS.map((words, i) => ({ value: i + 1, words: `${i + 1}  ${words}` }));
const shelf = useShelf();
onMounted(() => {
  if (!shelf.loaded) void shelf.load();
});
const mould = computed(() => shelf.moulds.find(({ item }) => item.code === batch.value?.mould?.code)?.item ?? null);
const due = computed(() => (product.value && batch.value ? dueCheck(product.value, batch.value) : null));
/** Whether this is the last area told of its kind. */
const isLastOf = (index: number) =>
  draft.value.symptoms.findLastIndex((x) => x.kind === draft.value.symptoms[index]?.kind) === index;
const has = (kind: string) => draft.value.symptoms.some((s) => s.kind === kind);
</script>

<template>
  <form class="stack" novalidate @submit.prevent="save">
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
      <section
        v-for="(s, i) in draft.symptoms"
        :key="`${s.kind} ${i}`"
        class="card stack"
        :aria-label="inWords(s.kind)"
      >
        <h2>{{ inWords(s.kind) }}</h2>
        <div
          v-if="PATTERNS_BY_SYMPTOM[s.kind].length > 1"
          class="tiles patterns"
          role="radiogroup"
          :aria-label="`How the ${inWords(s.kind)} shows`"
        >
          <button
            v-for="pattern in PATTERNS_BY_SYMPTOM[s.kind]"
            :key="pattern"
            type="button"
            class="tile"
            role="radio"
            :aria-checked="s.pattern === pattern"
            :data-pattern="pattern"
            @click="change(i, { pattern })"
          >
            <PatternPicture :kind="s.kind" :pattern="pattern" aria-hidden="true" /><span>{{
              pattern === 'unspecified' ? 'cannot say' : inWords(pattern)
            }}</span>
          </button>
        </div>
        <div class="pair">
          <div class="cell">
            <span class="small">How bad</span
            ><SelectButton
              :model-value="s.severity"
              :options="SEVERITIES"
              option-label="words"
              option-value="value"
              :allow-empty="true"
              :aria-label="`How bad the ${inWords(s.kind)} is`"
              @update:model-value="change(i, { severity: $event ?? null })"
            />
          </div>
          <label class="cell"
            ><span class="small">Where</span
            ><InputText
              :model-value="s.where ?? ''"
              autocomplete="off"
              :aria-label="`Where the ${inWords(s.kind)} is`"
              @update:model-value="change(i, { where: $event || null })"
          /></label>
          <label v-if="s.kind === 'tacky'" class="cell"
            ><span class="small">How much of it</span
            ><NumberEntry
              :id="`area-${i}`"
              :value="s.areaCM2 ?? null"
              unit="cm²"
              label="Area in this state"
              @change="(v) => change(i, { areaCM2: v })"
          /></label>
        </div>
        <div v-if="s.kind === 'tacky' && isLastOf(i)" class="row">
          <Button
            label="Another area in another state"
            severity="secondary"
            data-test="another-area"
            @click="addArea(s.kind)"
          />
        </div>
      </section>
      <section class="card stack" aria-labelledby="where">
        <h2 id="where"><span class="figures n">3</span> Where, and photos</h2>
        <SpotsStep
          v-if="mould && draft.symptoms.length"
          :mould="mould"
          :spots="draft.spots"
          :symptoms="draft.symptoms"
          @change="setSpots"
        />
        <PhotoShelf :photos="draft.photos" @change="setPhotos" />
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
  grid-template-columns: repeat(auto-fill, minmax(112px, 1fr));
  gap: var(--space-3);
}

.touches {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(140px, 1fr));
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
.patterns {
  grid-template-columns: repeat(auto-fill, minmax(122px, 1fr));
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
.tile[aria-pressed='true'],
.tile[aria-checked='true'] {
  border-color: var(--action);
  background: var(--bottle-50);
  font-weight: 700;
  box-shadow: inset 0 0 0 2px var(--action);
}
.pair {
  display: grid;
  grid-template-columns: auto minmax(10rem, 1fr);
  gap: var(--space-4);
  align-items: end;
}
.numbers {
  display: grid;
  grid-template-columns: 12rem 12rem 1fr;
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
@media (max-width: 980px) {
  .pair,
  .numbers {
    grid-template-columns: 1fr 1fr;
  }
  .pair > :first-child {
    grid-column: 1 / -1;
  }
}
</style>

<script setup lang="ts">
import { PATTERNS_BY_SYMPTOM, type Cavity } from '@warm-jar/core';
import Button from 'primevue/button';
import InputText from 'primevue/inputtext';
import SelectButton from 'primevue/selectbutton';
import { computed, ref } from 'vue';
import NumberEntry from '../../components/NumberEntry.vue';
import PatternPicture from '../../components/PatternPicture.vue';
import { SEVERITY_WORDS, inWords } from '../../components/words';
import AreaOnOutline from './AreaOnOutline.vue';
import { paintedShare, whereWords } from './areaCells';
import type { DraftSymptom } from './checkDraft';

/** One symptom that was tapped: how it shows, how bad, where, and how much of the face. */
const props = defineProps<{ symptom: DraftSymptom; index: number; face: Cavity | null; last: boolean }>();
const emit = defineEmits<{ change: [change: Partial<DraftSymptom>]; another: [] }>();
const s = computed(() => props.symptom);
const SEVERITIES = SEVERITY_WORDS.map((words, i) => ({ value: i + 1, words: `${i + 1}  ${words}` }));
const drawing = ref(false);
/** What is painted tells its share, its place, and its size where the cavity's surface is known. */
function paint(cells: readonly number[]): void {
  if (!props.face) return;
  const { outline, areaCM2: faceCM2 } = props.face;
  const shareOfFace = paintedShare(outline ?? 'rectangle', cells);
  const before = whereWords(s.value.cells ?? []);
  const own = s.value.where && s.value.where !== before ? s.value.where : null;
  const known = shareOfFace !== null && faceCM2 != null;
  const areaCM2 = known ? Math.round(shareOfFace * faceCM2 * 10) / 10 : (s.value.areaCM2 ?? null);
  emit('change', { cells, shareOfFace, where: own ?? (whereWords(cells) || null), areaCM2 });
}
</script>

<template>
  <section class="card stack" :aria-label="inWords(s.kind)">
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
        @click="emit('change', { pattern })"
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
          @update:model-value="emit('change', { severity: $event ?? null })"
        />
      </div>
      <label class="cell"
        ><span class="small">Where</span
        ><InputText
          :model-value="s.where ?? ''"
          autocomplete="off"
          :aria-label="`Where the ${inWords(s.kind)} is`"
          @update:model-value="emit('change', { where: $event || null })"
      /></label>
      <label v-if="s.kind === 'tacky' || s.areaCM2 != null" class="cell"
        ><span class="small">How much of it</span
        ><NumberEntry
          :id="`area-${index}`"
          :value="s.areaCM2 ?? null"
          unit="cm²"
          label="Area in this state"
          @change="(v) => emit('change', { areaCM2: v })"
      /></label>
    </div>
    <div v-if="face && drawing" class="draw">
      <AreaOnOutline :cavity="face" :cells="s.cells ?? []" :label="inWords(s.kind)" @change="paint" />
      <p class="small quiet">
        {{ s.shareOfFace == null ? 'Paint where it is.' : `${Math.round(s.shareOfFace * 100)} % of the face` }}
      </p>
    </div>
    <div class="row">
      <Button
        v-if="face"
        :label="drawing ? 'Put the drawing away' : 'Draw where it is'"
        severity="secondary"
        :data-test="`draw-${index}`"
        @click="drawing = !drawing"
      />
      <Button
        v-if="PATTERNS_BY_SYMPTOM[s.kind].length > 1 && last"
        label="Another area in another state"
        severity="secondary"
        data-test="another-area"
        @click="emit('another')"
      />
    </div>
  </section>
</template>

<style scoped>
.tiles {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(7.625rem, 100%), 1fr));
  gap: var(--space-3);
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
.draw {
  display: flex;
  gap: var(--space-4);
  align-items: center;
}
.cell {
  display: flex;
  flex-direction: column;
  gap: 4px;
  min-width: 0;
}
h2::first-letter {
  text-transform: uppercase;
}
@media (max-width: 61.25em) {
  .pair {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
  .pair > :first-child {
    grid-column: 1 / -1;
  }
}
</style>

<script setup lang="ts">
import type { Mould } from '@warm-jar/core';
import Button from 'primevue/button';
import { computed } from 'vue';
import CavityOutline from '../../components/CavityOutline.vue';
import { inWords } from '../../components/words';
import type { DraftSpot, DraftSymptom } from './checkDraft';

/** Where on the mould's outline the faults are: the same place on pull after pull is the mould's. */
const props = defineProps<{
  mould: Mould;
  spots: readonly DraftSpot[];
  symptoms: readonly DraftSymptom[];
  only?: number | null;
}>();
const emit = defineEmits<{ change: [spots: DraftSpot[]] }>();
const kind = computed(() => props.symptoms.at(-1)?.kind ?? null);
const cavities = computed(() =>
  (props.mould.cavities ?? [])
    .map((c, i) => ({
      ...c,
      at: i,
      marks: props.spots
        .filter((s) => s.cavity === i)
        .map((s) => ({ x: s.x, y: s.y, what: s.kind ? inWords(s.kind) : null })),
    }))
    .filter((c) => props.only == null || c.at === props.only),
);
const mark = (cavity: number, at: { x: number; y: number }) => {
  emit('change', [...props.spots, { cavity, ...at, kind: kind.value }]);
};
</script>

<template>
  <div class="spots">
    <p class="small quiet">
      Tap the place on the cavity it came from{{ kind ? `: it is marked as ${inWords(kind)}` : '' }}. The same place on
      pull after pull is the mould's.
    </p>
    <div class="row cavities">
      <div v-for="c in cavities" :key="c.at" class="cavity">
        <CavityOutline
          :cavity="c"
          :label="`Cavity ${c.name ?? c.at + 1}`"
          markable
          :data-cavity="c.at"
          @mark="mark(c.at, $event)"
        /><span class="small figures">{{ c.name ?? c.at + 1 }}</span>
      </div>
      <Button
        v-if="spots.length"
        type="button"
        icon="pi pi-undo"
        label="Take the last off"
        severity="secondary"
        text
        @click="emit('change', spots.slice(0, -1))"
      />
    </div>
  </div>
</template>

<style scoped>
.cavities {
  gap: var(--space-4);
  align-items: flex-end;
  flex-wrap: wrap;
}
.cavity {
  display: flex;
  flex-direction: column;
  align-items: center;
}
</style>

<script setup lang="ts">
import type { Mould } from '@warm-jar/core';
import { computed, useTemplateRef } from 'vue';
import CavityOutline from '../../components/CavityOutline.vue';
import PlaceFields from '../../components/PlaceFields.vue';
import { focusAfterRemoval } from '../../components/focusAfterRemoval';
import type { Place } from '../../components/useCross';
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
const nameOf = ({ cavity, kind: what }: DraftSpot) => {
  const name = props.mould.cavities?.[cavity]?.name ?? String(cavity + 1);
  return `cavity ${name}${what ? `, ${inWords(what)}` : ''}`;
};
const move = (index: number, place: Place) => {
  emit(
    'change',
    props.spots.map((s, i) => (i === index ? { ...s, ...place } : s)),
  );
};
const list = useTemplateRef<HTMLElement>('list');
function off(index: number) {
  emit(
    'change',
    props.spots.filter((_, i) => i !== index),
  );
  focusAfterRemoval(list.value, '.off', index);
}
</script>

<template>
  <div class="spots">
    <p class="small quiet">
      Tap the place on the cavity it came from, or step onto the outline and move the cross by arrows{{
        kind ? `: it is marked as ${inWords(kind)}` : ''
      }}. The same place on pull after pull is the mould's.
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
    </div>
    <ul v-if="spots.length" ref="list" class="marked" aria-label="Places marked">
      <li v-for="(s, i) in spots" :key="i">
        <span>{{ nameOf(s) }}</span><PlaceFields
          :id="`spot-${i}`"
          :place="s"
          :label="nameOf(s)"
          @change="move(i, $event)"
        /><button type="button" class="off" :aria-label="`Remove ${nameOf(s)}, ${i + 1}`" @click="off(i)">
          <i class="pi pi-times" aria-hidden="true" />
        </button>
      </li>
    </ul>
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
.marked li {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-3);
  align-items: center;
}
.off {
  min-width: var(--target);
  min-height: var(--target);
  border: 0;
  background: none;
  color: inherit;
  cursor: pointer;
}
</style>

<script setup lang="ts">
import { STAGE_WORDS, sayMinutes, stageLine, type Batch, type Product } from '@warm-jar/core';
import { computed } from 'vue';

/** A batch as one line in time, from weighing to the last check; where it is now is always visible. */
const props = defineProps<{ product: Product | null; batch: Batch }>();
const marks = computed(() => stageLine(props.product, props.batch));
const timeWords = ({ stage, atMin }: { stage: string; atMin: number | null }) => {
  if (stage === 'weigh') return 'parts met';
  return atMin === null || atMin === 0 ? '' : `+${sayMinutes(atMin)}`;
};
</script>

<template>
  <ol class="line" aria-label="Stages of this batch">
    <li v-for="m in marks" :key="m.stage" :class="m.place" :aria-current="m.place === 'now' ? 'step' : undefined">
      <span class="knot" aria-hidden="true"><i v-if="m.place === 'past'" class="pi pi-check" /></span>
      <span class="word">{{ STAGE_WORDS[m.stage] }}</span>
      <span class="figures time">{{ m.place === 'not-needed' ? 'not pressed' : timeWords(m) }}</span>
    </li>
  </ol>
</template>

<style scoped>
.line {
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: 1fr;
  position: relative;
}
.line::before {
  content: '';
  position: absolute;
  left: 6%;
  right: 6%;
  top: 11px;
  height: 3px;
  background: var(--chalk-200);
}
li {
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 2px;
  position: relative;
  text-align: center;
}
.knot {
  width: 24px;
  height: 24px;
  border-radius: 6px;
  background: var(--page);
  border: 2px solid var(--chalk-400);
  display: grid;
  place-items: center;
  font-size: 0.7rem;
}
.past .knot {
  border-color: var(--action);
  background: var(--bottle-50);
  color: var(--action);
}
.now .knot {
  background: var(--part-a);
  border-color: var(--amber-600);
  border-radius: 6px 6px 50% 50%;
  transform: scale(1.2);
}
.now .word {
  font-weight: 750;
}
.not-needed {
  color: var(--text-quiet);
}
.not-needed .knot {
  border-style: dashed;
}
.ahead .word {
  color: var(--text-quiet);
}
.time {
  font-size: 0.8rem;
  color: var(--text-quiet);
  min-height: 1.2em;
}
</style>

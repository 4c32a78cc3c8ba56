<script setup lang="ts">
import type { DrillProgress } from '@warm-jar/core';
import { computed } from 'vue';
import { timesWords } from './drillWords';

/** How sure one was, and how often that was right: on the line is neither boast nor doubt. */
const props = defineProps<{ steps: DrillProgress['calibration'] }>();
const said = computed(() => props.steps.filter((s) => s.times > 0 && s.meanShare !== null));
const percent = (share: number) => Math.round(share * 100);
const [LEFT, BOTTOM, SIDE] = [34, 128, 120];
const x = (share: number) => LEFT + share * SIDE * 1.5;
const y = (share: number) => BOTTOM - share * SIDE;
const sentences = computed(() =>
  said.value.map(
    (s) => `${percent(s.from)} to ${percent(s.to)} % sure ${timesWords(s.times)}, right ${timesWords(s.right)}.`,
  ),
);
const surest = computed(() => said.value.find((s) => s.from >= 0.8));
</script>

<template>
  <p v-if="said.length === 0" class="quiet small">Nothing is answered yet.</p>
  <template v-else>
    <p v-if="surest" data-test="surest">
      You were 80 % sure or more {{ timesWords(surest.times) }}, and right {{ timesWords(surest.right) }}.
    </p>
    <svg viewBox="0 0 230 150" role="img" :aria-label="sentences.join(' ')">
      <line v-for="v in [0, 0.5, 1]" :key="v" :x1="x(0)" :x2="x(1)" :y1="y(v)" :y2="y(v)" class="grid" />
      <text v-for="v in [0, 0.5, 1]" :key="`t${v}`" :x="x(0) - 5" :y="y(v) + 4" text-anchor="end">
        {{ percent(v) }}
      </text>
      <text :x="x(0)" :y="BOTTOM + 18">0 % sure</text>
      <text :x="x(1)" :y="BOTTOM + 18" text-anchor="end">100 %</text>
      <line :x1="x(0)" :y1="y(0)" :x2="x(1)" :y2="y(1)" class="line" />
      <g v-for="s in said" :key="s.from">
        <line :x1="x(s.meanShare!)" :x2="x(s.meanShare!)" :y1="y(s.low)" :y2="y(s.high)" class="range" />
        <circle :cx="x(s.meanShare!)" :cy="y(s.right / s.times)" r="5" class="dot" />
      </g>
    </svg>
    <ul class="small quiet">
      <li v-for="s in sentences" :key="s">{{ s }}</li>
    </ul>
  </template>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 20rem;
  display: block;
}
text {
  font-size: 9px;
  fill: var(--text-quiet);
}
.grid {
  stroke: var(--card-edge);
}
.line {
  stroke: var(--ink-500);
  stroke-dasharray: 4 4;
}
.range {
  stroke: var(--action);
  stroke-width: 2;
}
.dot {
  fill: var(--action);
}
</style>

<script setup lang="ts">
import type { Share } from '@warm-jar/core';

/** Two rates on one scale, each with the interval it may lie in: these batches above, the others below. */
defineProps<{ these: Share; others: Share }>();
const WIDTH = 200;
const at = (share: number) => Math.round(share * WIDTH * 10) / 10;
</script>

<template>
  <svg
    class="rates"
    :viewBox="`-8 0 ${WIDTH + 16} 46`"
    role="img"
    :aria-label="`${Math.round(these.rate * 100)} % against ${Math.round(others.rate * 100)} %`"
  >
    <g class="scale">
      <line v-for="s in [0, 0.25, 0.5, 0.75, 1]" :key="s" :x1="at(s)" :x2="at(s)" y1="4" y2="34" />
      <text v-for="s in [0, 0.5, 1]" :key="`t${s}`" :x="at(s)" y="45">{{ s * 100 }} %</text>
    </g>
    <g class="these">
      <line :x1="at(these.low)" :x2="at(these.high)" y1="13" y2="13" />
      <circle :cx="at(these.rate)" cy="13" r="5.5" />
    </g>
    <g class="others">
      <line :x1="at(others.low)" :x2="at(others.high)" y1="26" y2="26" />
      <rect :x="at(others.rate) - 4.5" y="21.5" width="9" height="9" />
    </g>
  </svg>
</template>

<style scoped>
.rates {
  width: 100%;
  max-width: 16.25rem;
  display: block;
}
.scale line {
  stroke: var(--chalk-200);
  stroke-width: 1;
}
.scale text {
  font: 10px var(--words);
  fill: var(--text-quiet);
  text-anchor: middle;
}
.scale text:nth-of-type(1) {
  text-anchor: start;
}
.scale text:nth-of-type(3) {
  text-anchor: end;
}
.these line {
  stroke: var(--outside);
  stroke-width: 3;
}
.these circle {
  fill: var(--outside);
}
.others line {
  stroke: var(--ink-500);
  stroke-width: 3;
}
.others rect {
  fill: var(--card);
  stroke: var(--ink-700);
  stroke-width: 2;
}
</style>

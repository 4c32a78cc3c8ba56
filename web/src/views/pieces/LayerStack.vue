<script setup lang="ts">
import type { PlannedLayer } from '@warm-jar/core';
import { computed } from 'vue';

/**
 * A piece cut through: its layers to true depth, bottom of the mould
 * below; poured ones full, planned ones in outline.
 */
const props = defineProps<{
  layers: readonly PlannedLayer[];
  depths: readonly (number | null)[];
  heightMm: number | null;
  families: readonly string[];
}>();
const [WIDTH, HEIGHT] = [150, 190];
/** Depth drawn for a layer nobody gave one. */
const UNSAID_MM = 5;
const drawn = computed(() => {
  const depths = props.layers.map((_, i) => props.depths[i] ?? UNSAID_MM);
  const total = Math.max(
    props.heightMm ?? 0,
    depths.reduce((a, b) => a + b, 0),
    1,
  );
  let at = HEIGHT;
  return props.layers.map((layer, i) => {
    const h = (depths[i]! / total) * HEIGHT;
    at -= h;
    return { layer, y: at, h, family: props.families[i] ?? '' };
  });
});
</script>

<template>
  <svg
    class="stack-drawn"
    :viewBox="`-8 -8 ${WIDTH + 16} ${HEIGHT + 14}`"
    role="img"
    :aria-label="`${layers.length} layers, the first at the bottom`"
  >
    <g v-for="d in drawn" :key="d.layer.index" :class="[d.layer.state, d.family]">
      <rect x="4" :y="d.y" :width="WIDTH - 8" :height="Math.max(3, d.h)" />
      <text v-if="d.h > 11" :x="WIDTH / 2" :y="d.y + d.h / 2 + 5">{{ d.layer.index + 1 }}</text>
    </g>
    <path class="mould" :d="`M0,-4 V${HEIGHT + 3} H${WIDTH} V-4`" />
  </svg>
</template>

<style scoped>
.stack-drawn {
  width: 10.375rem;
  display: block;
}
.mould {
  fill: none;
  stroke: var(--ink-700);
  stroke-width: 5;
}
rect {
  stroke: var(--ink-700);
  stroke-width: 1.5;
  fill: var(--part-a);
}
.polyurethane rect,
.uv-acrylate rect {
  fill: var(--part-b);
}
.mineral-acrylic rect {
  fill: var(--chalk-200);
}
.polyester rect {
  fill: var(--amber-100);
}
.next rect,
.later rect {
  fill: var(--card);
  stroke-dasharray: 5 4;
}
.next rect {
  stroke-width: 3;
}
text {
  font: 700 14px var(--figures);
  text-anchor: middle;
  fill: var(--ink-900);
}
</style>

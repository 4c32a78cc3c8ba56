<script setup lang="ts">
import type { Cavity } from '@warm-jar/core';
import { computed } from 'vue';
import { OUTLINE_HEIGHT, outlinePath } from './outlinePath';

/** A cavity's outline with what was marked on it; a tap marks a place. */
const props = defineProps<{ cavity: Cavity; label: string; markable?: boolean }>();
const emit = defineEmits<{ mark: [place: { x: number; y: number }] }>();
const drawn = computed(() => outlinePath(props.cavity.outline ?? 'rectangle', props.cavity.outlineAspect ?? 1));

/** Where on the outline a pointer came down, in shares. */
function tapped(event: MouseEvent) {
  if (!props.markable) return;
  const box = (event.currentTarget as SVGElement).getBoundingClientRect();
  const share = (at: number, from: number, size: number) =>
    Math.round(Math.min(1, Math.max(0, (at - from) / size)) * 1000) / 1000;
  emit('mark', { x: share(event.clientX, box.left, box.width), y: share(event.clientY, box.top, box.height) });
}
</script>

<template>
  <svg
    class="outline"
    :class="{ markable }"
    :viewBox="`0 0 ${drawn.width} ${OUTLINE_HEIGHT}`"
    role="img"
    :aria-label="`${label}, ${(cavity.marks ?? []).length} marked`"
    @click="tapped"
  >
    <path :d="drawn.d" fill-rule="evenodd" />
    <g v-for="(m, i) in cavity.marks ?? []" :key="i" class="mark">
      <circle :cx="m.x * drawn.width" :cy="m.y * OUTLINE_HEIGHT" r="5" />
      <text :x="m.x * drawn.width" :y="m.y * OUTLINE_HEIGHT + 2.6">{{ i + 1 }}</text>
    </g>
  </svg>
</template>

<style scoped>
.outline {
  display: block;
  height: 120px;
  max-width: 100%;
}
.markable {
  cursor: crosshair;
}
path {
  fill: var(--amber-100);
  stroke: var(--amber-700);
  stroke-width: 2;
}
circle {
  fill: var(--outside);
}
text {
  fill: #fff;
  font-size: 7.5px;
  text-anchor: middle;
  font-family: var(--figures);
  font-weight: 700;
}
</style>

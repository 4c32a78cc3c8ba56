<script setup lang="ts">
import type { Cavity } from '@warm-jar/core';
import { computed, ref } from 'vue';
import { OUTLINE_HEIGHT, outlinePath } from '../../components/outlinePath';
import { CELLS, cellsOf, middleOf, paintedShare } from './areaCells';

/** A part of the face painted on the cavity's outline: by finger or mouse, or with arrows and the space bar. */
const props = defineProps<{ cavity: Cavity; cells: readonly number[]; label: string }>();
const emit = defineEmits<{ change: [cells: number[]] }>();
const kind = computed(() => props.cavity.outline ?? 'rectangle');
const drawn = computed(() => outlinePath(kind.value, props.cavity.outlineAspect ?? 1));
const all = computed(() => cellsOf(kind.value));
const share = computed(() => paintedShare(kind.value, props.cells));
const size = computed(() => ({ w: drawn.value.width / CELLS, h: OUTLINE_HEIGHT / CELLS }));
/** The cell under the keyboard's cross. */
const cross = ref(0);
const focused = ref(false);
/** What a stroke does: paint, or take away, as its first cell decides. */
let stroke: 'paint' | 'clear' | null = null;

const put = (cell: number, paint: boolean) => {
  if (!all.value.includes(cell) || props.cells.includes(cell) === paint) return;
  emit('change', paint ? [...props.cells, cell] : props.cells.filter((c) => c !== cell));
};
function cellAt(event: PointerEvent): number {
  const box = (event.currentTarget as SVGElement).getBoundingClientRect();
  const at = (v: number, from: number, length: number) =>
    Math.min(CELLS - 1, Math.max(0, Math.floor(((v - from) / length) * CELLS)));
  return at(event.clientY, box.top, box.height) * CELLS + at(event.clientX, box.left, box.width);
}
function down(event: PointerEvent): void {
  const cell = cellAt(event);
  stroke = props.cells.includes(cell) ? 'clear' : 'paint';
  put(cell, stroke === 'paint');
}
function move(event: PointerEvent): void {
  if (stroke !== null && event.buttons > 0) put(cellAt(event), stroke === 'paint');
  else stroke = null;
}
const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
function key(event: KeyboardEvent): void {
  const step = STEPS[event.key];
  if (step) {
    const [x, y] = [(cross.value % CELLS) + step[0], Math.floor(cross.value / CELLS) + step[1]];
    if (x >= 0 && x < CELLS && y >= 0 && y < CELLS) cross.value = y * CELLS + x;
  } else if (event.key === ' ' || event.key === 'Enter') put(cross.value, !props.cells.includes(cross.value));
  else return;
  event.preventDefault();
  event.stopPropagation();
}
</script>

<template>
  <svg
    class="area"
    :viewBox="`0 0 ${drawn.width} ${OUTLINE_HEIGHT}`"
    tabindex="0"
    role="application"
    :aria-label="`${label}: paint the part of the face; arrows move, space paints. ${share === null ? 'Nothing painted' : `${Math.round(share * 100)} % painted`}`"
    @pointerdown="down"
    @pointermove="move"
    @keydown="key"
    @focus="focused = true"
    @blur="focused = false"
  >
    <path :d="drawn.d" fill-rule="evenodd" class="face" />
    <rect
      v-for="c in cells"
      :key="c"
      :x="(c % CELLS) * size.w"
      :y="Math.floor(c / CELLS) * size.h"
      :width="size.w"
      :height="size.h"
      class="painted"
    />
    <path :d="drawn.d" fill-rule="evenodd" class="edge" />
    <circle
      v-if="focused"
      :cx="middleOf(cross).x * drawn.width"
      :cy="middleOf(cross).y * OUTLINE_HEIGHT"
      r="4"
      class="cross"
    />
  </svg>
</template>

<style scoped>
.area {
  display: block;
  height: 150px;
  max-width: 100%;
  touch-action: none;
  cursor: crosshair;
}
.face {
  fill: var(--amber-100);
}
.painted {
  fill: var(--outside);
  fill-opacity: 0.55;
}
.edge {
  fill: none;
  stroke: var(--amber-700);
  stroke-width: 2;
}
.cross {
  fill: none;
  stroke: var(--ink-900);
  stroke-width: 2;
}
</style>

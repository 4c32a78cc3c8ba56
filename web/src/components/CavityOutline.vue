<script setup lang="ts">
import type { Cavity } from '@warm-jar/core';
import { computed } from 'vue';
import { placeOf, placeWords, useCross } from './useCross';
import { OUTLINE_HEIGHT, outlinePath } from './outlinePath';

/** A cavity's outline with what was marked on it; a tap marks a place. */
const props = defineProps<{ cavity: Cavity; label: string; markable?: boolean }>();
defineOptions({ inheritAttrs: false });
const emit = defineEmits<{ mark: [place: { x: number; y: number }] }>();
const drawn = computed(() => outlinePath(props.cavity.outline ?? 'rectangle', props.cavity.outlineAspect ?? 1));

const cross = useCross((place) => {
  emit('mark', place);
});
const { at, shown } = cross;
function tapped(event: MouseEvent) {
  if (props.markable) emit('mark', placeOf(event));
}
/** Only an outline that can be marked is stepped upon. */
const steered = computed(() =>
  props.markable
    ? {
        tabindex: 0,
        role: 'application',
        'aria-roledescription': 'outline to mark',
        onKeydown: cross.onKeydown,
        onFocus: cross.focus,
        onBlur: cross.blur,
      }
    : { role: 'img' },
);
const told = computed(() => {
  const said = `${props.label}, ${(props.cavity.marks ?? []).length} marked`;
  return props.markable ? `${said}. Arrows move a cross, Enter marks` : said;
});
</script>

<template>
  <svg
    class="outline"
    :class="{ markable }"
    :viewBox="`0 0 ${drawn.width} ${OUTLINE_HEIGHT}`"
    :aria-label="told"
    v-bind="{ ...$attrs, ...steered }"
    @click="tapped"
  >
    <path :d="drawn.d" fill-rule="evenodd" />
    <g v-for="(m, i) in cavity.marks ?? []" :key="i" class="mark">
      <circle :cx="m.x * drawn.width" :cy="m.y * OUTLINE_HEIGHT" r="5" />
      <text :x="m.x * drawn.width" :y="m.y * OUTLINE_HEIGHT + 2.6">{{ i + 1 }}</text>
    </g>
    <g v-if="shown" class="cross" :transform="`translate(${at.x * drawn.width} ${at.y * OUTLINE_HEIGHT})`">
      <path d="M-7 0 H7 M0 -7 V7" />
    </g>
  </svg>
  <span v-if="markable && shown" class="visually-hidden" aria-live="polite">{{ placeWords(at) }}</span>
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
g path {
  fill: none;
  stroke: var(--ink-900);
  stroke-width: 1.5;
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

<script setup lang="ts">
import type { CastLook, SymptomKind } from '@warm-jar/core';
import { computed, useId } from 'vue';
import { castShape, hides } from './castShapes';
import { cupColour } from './cupColour';
import { patternMarks } from './patternMarks';
import { symptomWords } from './words';

/** A cast as it would lie on the bench: its shape, how clear it is, its colour, and on it what went wrong. */
const props = defineProps<{ look: CastLook; seen: readonly { kind: SymptomKind; pattern: string }[] }>();
const id = useId();
/** Casts are told apart by their seed; 0 is the picture of the pattern itself. */
const cast = computed(() => 1 + (props.look.seed % 9973));
const first = computed(() => props.seen[0] ?? { kind: 'mark' as const, pattern: 'unspecified' });
const shape = computed(() => castShape(first.value.kind, first.value.pattern, cast.value));
const marks = computed(() => props.seen.map((s) => patternMarks(s.kind, s.pattern, cast.value)));
const colour = computed(() => cupColour(props.look.colours.map((name) => ({ name }))));
const hidden = computed(() => hides(props.look.clarity));
const CLARITY_WORDS = { 'water-clear': 'water-clear', clear: 'clear', hazy: 'hazy', opaque: 'opaque' } as const;
const words = computed(() => {
  const what = props.seen.length ? props.seen.map(symptomWords).join('; ') : 'nothing wrong to be seen';
  const clarity = props.look.clarity ? `${CLARITY_WORDS[props.look.clarity]} ` : '';
  return `A ${clarity}cast, ${shape.value.name}: ${what}`;
});
</script>

<template>
  <svg class="cast" viewBox="0 -14 128 118" role="img" :aria-label="words" :data-shape="shape.name">
    <defs>
      <radialGradient :id="`${id}-body`" cx="0.34" cy="0.28" r="0.95">
        <stop offset="0" stop-color="#fff" stop-opacity="0.75" />
        <stop offset="0.4" :stop-color="colour" stop-opacity="0" />
        <stop offset="1" stop-color="#2b1803" stop-opacity="0.26" />
      </radialGradient>
      <clipPath :id="`${id}-clip`"><path :d="shape.outline" /></clipPath>
    </defs>
    <rect x="0" y="-14" width="128" height="118" class="bench" />
    <path d="M0 70 H128 M0 86 H128 M24 56 L8 104 M64 56 V104 M104 56 L120 104" class="grain" />
    <ellipse cx="64" cy="86" rx="56" ry="8" class="shadow" />
    <g :opacity="hidden">
      <path v-for="f in shape.faces" :key="f.d" :d="f.d" :fill="colour" />
      <path v-for="f in shape.faces" :key="`s${f.d}`" :d="f.d" :class="f.side" />
      <path :d="shape.outline" :fill="colour" />
    </g>
    <path :d="shape.outline" :fill="`url(#${id}-body)`" />
    <g v-for="(m, k) in marks" :key="k">
      <g :clip-path="`url(#${id}-clip)`">
        <path v-for="(a, i) in m.areas" :key="`a${i}`" :d="a.d" :class="a.tone" />
        <circle v-for="(c, i) in m.circles" :key="`c${i}`" :cx="c.x" :cy="c.y" :r="c.r" class="bubble" />
        <circle
          v-for="(c, i) in m.circles"
          :key="`g${i}`"
          :cx="c.x - c.r * 0.32"
          :cy="c.y - c.r * 0.32"
          :r="c.r * 0.28"
          class="glint"
        />
      </g>
      <path v-for="(l, i) in m.lines" :key="`l${i}`" :d="l" class="line" />
    </g>
    <path :d="shape.outline" class="edge" />
    <path :d="shape.shine" class="shine" />
  </svg>
</template>

<style scoped>
.cast {
  display: block;
  width: 100%;
  height: auto;
  border-radius: var(--radius);
}
.bench {
  fill: #33413c;
}
.grain {
  fill: none;
  stroke: #50605a;
  stroke-width: 0.8;
}
.shadow {
  fill: #0a1110;
  fill-opacity: 0.55;
}
.top {
  fill: #fff;
  fill-opacity: 0.35;
}
.right {
  fill: #1a0f02;
  fill-opacity: 0.3;
}
.bubble {
  fill: #fff;
  fill-opacity: 0.28;
  stroke: #5b3a0c;
  stroke-width: 0.55;
}
.glint {
  fill: #fff;
  fill-opacity: 0.85;
}
.line {
  fill: none;
  stroke: #2b1a06;
  stroke-opacity: 0.75;
  stroke-width: 1.1;
  stroke-linecap: round;
}
.edge {
  fill: none;
  stroke: #7d4c06;
  stroke-opacity: 0.6;
  stroke-width: 0.9;
}
.shine {
  fill: none;
  stroke: #fff;
  stroke-opacity: 0.75;
  stroke-width: 2.4;
  stroke-linecap: round;
}
.tacky {
  fill: #c9761c;
  fill-opacity: 0.42;
}
.yellow {
  fill: #c98a00;
  fill-opacity: 0.5;
}
.soft {
  fill: #3b6b5f;
  fill-opacity: 0.35;
}
.pale {
  fill: #fff;
  fill-opacity: 0.55;
}
.dark {
  fill: #5b3a17;
  fill-opacity: 0.8;
}
</style>

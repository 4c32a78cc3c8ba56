<script setup lang="ts">
import type { SymptomKind } from '@warm-jar/core';
import { computed } from 'vue';
import { patternMarks } from './patternMarks';
import { symptomWords } from './words';

/** A symptom and its pattern drawn on a block of resin, so that two people say the same thing. */
const props = defineProps<{ kind: SymptomKind; pattern: string }>();
const drawn = computed(() => patternMarks(props.kind, props.pattern));
</script>

<template>
  <svg class="picture" viewBox="0 -4 120 96" role="img" :aria-label="symptomWords({ kind, pattern })">
    <path d="M12 10 H108 V80 H12 Z" class="block" />
    <path v-for="(a, i) in drawn.areas" :key="`a${i}`" :d="a.d" :class="a.tone" />
    <circle v-for="(c, i) in drawn.circles" :key="`c${i}`" :cx="c.x" :cy="c.y" :r="c.r" class="bubble" />
    <path v-for="(l, i) in drawn.lines" :key="`l${i}`" :d="l" class="line" />
    <path d="M12 10 H108 V80 H12 Z" class="edge" />
  </svg>
</template>

<style scoped>
.picture {
  display: block;
  width: 100%;
  height: auto;
}
.block {
  fill: var(--amber-100);
}
.edge {
  fill: none;
  stroke: var(--amber-700);
  stroke-width: 2;
}
.bubble {
  fill: var(--card);
  stroke: var(--amber-700);
  stroke-width: 1;
}
.line {
  fill: none;
  stroke: var(--ink-900);
  stroke-width: 1.8;
}
.tacky {
  fill: #c9761c;
  fill-opacity: 0.55;
}
.yellow {
  fill: #d8a300;
  fill-opacity: 0.75;
}
.soft {
  fill: var(--bottle-300);
  fill-opacity: 0.85;
}
.pale {
  fill: #fff;
  fill-opacity: 0.8;
}
.dark {
  fill: #6b4a23;
}
</style>

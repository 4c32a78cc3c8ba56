<script setup lang="ts">
import { computed, useId } from 'vue';
import { jarWords, type JarLayer } from './jarContents';

/** A drawn jar: what is in it to true proportion, how much pot life is left as its level, hatched once it has set. */
const props = defineProps<{
  layers: readonly JarLayer[];
  /** Share of pot life left, 0 to 1; null draws it full. */
  left?: number | null;
  set?: boolean;
  label: string;
  onDark?: boolean;
}>();
const id = useId();
const told = computed(() => {
  const words = jarWords(props.layers, props.left, props.set);
  return words ? `${props.label}: ${words}` : props.label;
});
const [BOTTOM, TOP] = [72, 20];
/** An empty sliver stays, so that a jar past its pot life is not taken for an empty one. */
const LEAST = 0.06;
const height = computed(() => (BOTTOM - TOP) * Math.max(LEAST, props.left ?? 1));
const drawn = computed(() => {
  let y = BOTTOM;
  return props.layers.map((layer) => {
    const h = layer.share * height.value;
    y -= h;
    return { part: layer.part, y, h };
  });
});
</script>

<template>
  <svg class="jar" :class="{ dark: onDark }" viewBox="0 0 60 78" role="img" :aria-label="told">
    <defs>
      <clipPath :id="`${id}-glass`">
        <path d="M16 8 H44 V14 C53 18 55 24 55 30 V66 Q55 73 48 73 H12 Q5 73 5 66 V30 C5 24 7 18 16 14 Z" />
      </clipPath>
      <pattern :id="`${id}-set`" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1="0" y1="0" x2="0" y2="7" class="hatch" />
      </pattern>
    </defs>
    <path d="M16 8 H44 V14 C53 18 55 24 55 30 V66 Q55 73 48 73 H12 Q5 73 5 66 V30 C5 24 7 18 16 14 Z" class="inside" />
    <g :clip-path="`url(#${id}-glass)`">
      <rect v-for="l in drawn" :key="l.part" x="0" width="60" :y="l.y" :height="l.h + 0.3" :class="l.part" />
      <rect
        v-if="set && drawn.length"
        x="0"
        width="60"
        :y="BOTTOM - height"
        :height="height"
        :fill="`url(#${id}-set)`"
      />
      <line v-if="left != null && !set" x1="0" x2="60" :y1="BOTTOM - height" :y2="BOTTOM - height" class="surface" />
    </g>
    <path d="M16 8 H44 V14 C53 18 55 24 55 30 V66 Q55 73 48 73 H12 Q5 73 5 66 V30 C5 24 7 18 16 14 Z" class="glass" />
    <rect x="13" y="4" width="34" height="5" rx="1.5" class="rim" />
  </svg>
</template>

<style scoped>
.jar {
  display: block;
  width: 100%;
  height: auto;
}
.inside {
  fill: var(--card);
}
.glass {
  fill: none;
  stroke: var(--band-edge);
  stroke-width: 2;
}
.rim {
  fill: var(--band-edge);
}
.a {
  fill: var(--part-a);
}
.b {
  fill: var(--part-b);
}
.additive {
  fill: var(--part-additive);
}
.hatch {
  stroke: rgb(255 255 255 / 55%);
  stroke-width: 2.4;
}
.surface {
  stroke: var(--band-edge);
  stroke-width: 1.6;
}
.dark .inside {
  fill: rgb(255 255 255 / 9%);
}
.dark .glass {
  stroke: #eef4f2;
}
.dark .rim {
  fill: #eef4f2;
}
.dark .surface {
  stroke: #eef4f2;
}
</style>

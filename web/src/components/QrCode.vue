<script setup lang="ts">
import { computed } from 'vue';
import { codePath } from './codePath';

/** A text as a code that a camera reads, with the quiet margin that readers ask for. */
const props = defineProps<{ text: string; label: string }>();
/** Squares of margin. Source: ISO/IEC 18004. */
const QUIET = 4;
const code = computed(() => codePath(props.text));
const box = computed(() => {
  const side = code.value.size + 2 * QUIET;
  return `${-QUIET} ${-QUIET} ${side} ${side}`;
});
</script>

<template>
  <svg :viewBox="box" role="img" :aria-label="label" shape-rendering="crispEdges">
    <rect :x="-QUIET" :y="-QUIET" :width="code.size + 2 * QUIET" :height="code.size + 2 * QUIET" fill="#fff" />
    <path :d="code.d" fill="#000" />
  </svg>
</template>

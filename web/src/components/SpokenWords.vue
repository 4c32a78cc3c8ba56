<script setup lang="ts">
import { useThrottleFn } from '@vueuse/core';
import { ref, watch } from 'vue';

/** Words for a screen reader alone, politely, and not oftener than every few seconds however fast they change. */
const props = defineProps<{ words: string }>();
/** A hand that pours changes the figure many times a second. */
const EVERY_MS = 5_000;
const said = ref('');
const say = useThrottleFn(
  () => {
    said.value = props.words;
  },
  EVERY_MS,
  true,
  true,
);
watch(
  () => props.words,
  () => void say(),
  { immediate: true },
);
</script>

<template>
  <span class="visually-hidden" role="status" aria-live="polite" data-test="spoken">{{ said }}</span>
</template>

<script setup lang="ts">
import { computed } from 'vue';
import { useWork } from '../stores/work';

/** How far off a moment is, in a few words. Drawn anew only when they change, not with every tick of the clock. */
const props = defineProps<{ atMs: number; say: (atMs: number, nowMs: number) => string; marksLate?: boolean }>();
const work = useWork();
const words = computed(() => props.say(props.atMs, work.nowMs));
const late = computed(() => props.marksLate === true && props.atMs < work.nowMs);
</script>

<template>
  <span class="due-small" :class="{ late }">{{ words }}</span>
</template>

<style scoped>
.late {
  color: var(--outside);
  font-weight: 700;
}
</style>

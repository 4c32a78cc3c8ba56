<script setup lang="ts">
import type { CauseId } from '@warm-jar/core';
import Slider from 'primevue/slider';

/** How sure one is of each cause. Together no more than all of it; what is left counts evenly over all of them. */
defineProps<{
  causes: readonly { readonly id: CauseId; readonly title: string }[];
  said: ReadonlyMap<CauseId, number>;
  left: number;
}>();
const emit = defineEmits<{ give: [cause: CauseId, share: number] }>();
const STEP = 5;
const percent = (share: number | undefined) => Math.round((share ?? 0) * 100);
const given = (value: number | number[]) => (Array.isArray(value) ? (value[0] ?? 0) : value) / 100;
</script>

<template>
  <div class="sureness">
    <div v-for="c in causes" :key="c.id" class="cause" :data-sure="c.id">
      <div class="row spread said">
        <span :id="`sure-${c.id}`">{{ c.title }}</span>
        <strong class="figures">{{ percent(said.get(c.id)) }} %</strong>
      </div>
      <Slider
        :model-value="percent(said.get(c.id))"
        :step="STEP"
        :aria-labelledby="`sure-${c.id}`"
        @update:model-value="emit('give', c.id, given($event))"
      />
    </div>
    <p class="small quiet" data-test="left">
      <template v-if="left > 0.005">{{ percent(left) }} % not given: it counts evenly over all of them.</template>
      <template v-else>All of it is given. More on one takes from the others.</template>
    </p>
  </div>
</template>

<style scoped>
.sureness {
  display: grid;
  gap: var(--space-2);
}
.said {
  flex-wrap: nowrap;
  align-items: baseline;
  gap: var(--space-2);
  line-height: 1.25;
}
.said .figures {
  white-space: nowrap;
}
.cause :deep(.p-slider) {
  margin: 14px 14px 18px;
}
/* As large to the finger as anything else, though it is drawn small. */
.cause :deep(.p-slider-handle)::after {
  content: '';
  position: absolute;
  inset: -11px;
}
</style>

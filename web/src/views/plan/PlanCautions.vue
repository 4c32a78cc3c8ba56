<script setup lang="ts">
import type { Plan } from '@warm-jar/core';
import { computed } from 'vue';

/** What the plan's steps call for, each said once with the steps it belongs to. */
const props = defineProps<{ cautions: Plan['cautions']; but?: readonly string[] }>();
const said = computed(() => {
  const steps = new Map<string, string[]>();
  for (const { step, says } of props.cautions) {
    if (!props.but?.includes(step)) steps.set(says, [...(steps.get(says) ?? []), step]);
  }
  return [...steps].map(([says, at]) => ({ says, at: at.join(', ') }));
});
</script>

<template>
  <div v-if="said.length" class="caution small" role="note" data-test="plan-cautions">
    <i class="pi pi-exclamation-triangle" aria-hidden="true" />
    <p v-for="c in said" :key="c.says">
      <strong class="first-up">{{ c.at }}:</strong> {{ c.says }}
    </p>
  </div>
</template>

<style scoped>
.caution {
  position: relative;
  background: var(--caution-ground);
  border-left: 5px solid var(--caution-edge);
  border-radius: 4px;
  padding: var(--space-2) var(--space-3) var(--space-2) 36px;
  display: grid;
  gap: 4px;
}
.caution i {
  position: absolute;
  left: 12px;
  top: 10px;
  color: var(--amber-700);
}
</style>

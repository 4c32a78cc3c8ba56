<script setup lang="ts">
import type { Plan } from '@warm-jar/core';

/** What speaks against the plan; what forbids it stands first. */
defineProps<{ plan: Plan }>();
</script>

<template>
  <section v-if="plan.warnings.length" class="card" aria-label="What speaks against it" data-test="warnings">
    <ul>
      <li v-for="w in plan.warnings" :key="w.code" :class="{ stop: w.stop }" :data-code="w.code">
        <i class="pi" :class="w.stop ? 'pi-ban' : 'pi-exclamation-triangle'" aria-hidden="true" /><span
          ><strong v-if="w.stop">Stop. </strong>{{ w.says }}</span
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  display: grid;
  gap: var(--space-2);
}
li {
  display: grid;
  grid-template-columns: 1.375rem minmax(0, 1fr);
  gap: var(--space-2);
  align-items: start;
}
i {
  padding-top: 3px;
  color: var(--near);
}
.stop {
  color: var(--outside);
  font-weight: 600;
}
.stop i {
  color: var(--outside);
}
</style>

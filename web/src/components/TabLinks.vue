<script setup lang="ts">
import type { RouteLocationRaw } from 'vue-router';

/** Places side by side, each with an address of its own. */
defineProps<{ tabs: readonly { readonly to: RouteLocationRaw; readonly title: string }[]; label: string }>();
</script>

<template>
  <nav class="tabs" :aria-label="label">
    <RouterLink v-for="t in tabs" :key="t.title" :to="t.to" active-class="here">{{ t.title }}</RouterLink>
  </nav>
</template>

<style scoped>
.tabs {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1);
  border-bottom: 1px solid var(--card-edge);
}
a {
  display: inline-flex;
  align-items: center;
  min-height: var(--target);
  padding: 0 var(--space-4);
  color: var(--ink-700);
  text-decoration: none;
  border-bottom: 3px solid transparent;
  margin-bottom: -1px;
}
.here {
  color: var(--action);
  font-weight: 700;
  border-bottom-color: var(--part-a);
}
@media print {
  .tabs {
    display: none;
  }
}
</style>

<script setup lang="ts">
/** What all batches together tell: three places. */
const TABS = [{ name: 'patterns', title: 'Patterns' }, { name: 'trials', title: 'Trials' }, { name: 'figures', title: 'Own figures' }];
</script>

<template>
  <nav class="tabs" aria-label="All batches"><RouterLink v-for="t in TABS" :key="t.name" :to="{ name: t.name }" active-class="here">{{ t.title }}</RouterLink></nav>
</template>

<style scoped>
.tabs { display: flex; flex-wrap: wrap; gap: var(--space-1); border-bottom: 1px solid var(--card-edge); }
a { display: inline-flex; align-items: center; min-height: var(--target); padding: 0 var(--space-4); color: var(--ink-700); text-decoration: none; border-bottom: 3px solid transparent; margin-bottom: -1px; }
.here { color: var(--action); font-weight: 700; border-bottom-color: var(--part-a); }
@media print { .tabs { display: none; } }
</style>

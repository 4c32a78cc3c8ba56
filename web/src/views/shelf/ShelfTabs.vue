<script setup lang="ts">
import { KINDS } from './kinds';

/** The shelf's compartments; each is a place of its own. */
const TABS = [{ place: 'products', title: 'Products' }, ...Object.values(KINDS).map(({ place, title }) => ({ place, title }))];
</script>

<template>
  <nav class="tabs" aria-label="Shelf"><RouterLink v-for="t in TABS" :key="t.place" :to="`/${t.place}`" active-class="here">{{ t.title }}</RouterLink></nav>
</template>

<style scoped>
.tabs { display: flex; flex-wrap: wrap; gap: var(--space-1); border-bottom: 1px solid var(--card-edge); }
a { display: inline-flex; align-items: center; min-height: var(--target); padding: 0 var(--space-4); color: var(--ink-700); text-decoration: none; border-bottom: 3px solid transparent; margin-bottom: -1px; }
.here { color: var(--action); font-weight: 700; border-bottom-color: var(--part-a); }
</style>

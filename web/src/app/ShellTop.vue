<script setup lang="ts">
import { onMounted } from 'vue';
import { useRoute } from 'vue-router';
import KeyCap from '../components/KeyCap.vue';
import { PLACES } from '../places/places';
import { opened } from './opened';
import ShellTools from './ShellTools.vue';

const emit = defineEmits<{ keys: []; find: [] }>();
const route = useRoute();
/** The places with a link in the bar; one is lit while a place under it is open. */
const LINKS = PLACES.filter((p) => p.menu !== undefined);
onMounted(opened);
</script>

<template>
  <header class="top">
    <RouterLink class="name" :to="{ name: 'today' }">Warm Jar</RouterLink>
    <nav aria-label="Studio">
      <RouterLink
        v-for="p in LINKS"
        :key="p.name"
        :to="{ name: p.name }"
        active-class="here"
        :class="{ here: route.meta['under'] === p.name }"
      >
        {{ p.menu }}
        <KeyCap v-if="p.key" :k="p.key.key" />
      </RouterLink>
    </nav>
    <div class="tools"><ShellTools @keys="emit('keys')" @find="emit('find')" /></div>
  </header>
</template>

<style scoped>
.top {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 var(--space-3);
  padding: 0 var(--space-5);
  min-height: 56px;
  background: var(--card);
  border-bottom: 1px solid var(--card-edge);
}
.name {
  white-space: nowrap;
  font-weight: 800;
  font-size: 1.15rem;
  text-decoration: none;
}
nav,
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 2px;
}
.tools {
  margin-left: auto;
}
nav a,
.tools :deep(a),
.tools :deep(button) {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  min-height: var(--target);
  padding: 0 8px;
  color: var(--ink-700);
  text-decoration: none;
  border: 0;
  background: none;
  font: inherit;
  cursor: pointer;
  border-bottom: 3px solid transparent;
}
.here,
.tools :deep(.here) {
  color: var(--action) !important;
  font-weight: 700;
  border-bottom-color: var(--part-a) !important;
}
@media (max-width: 73em) {
  .top {
    gap: 0 var(--space-1);
    padding: 0 var(--space-2);
  }
  nav a,
  .tools :deep(a),
  .tools :deep(button) {
    padding: 0 4px;
  }
  .top :deep(kbd),
  .tools :deep(.pi) {
    display: none;
  }
}
@media (forced-colors: active) {
  .here,
  .tools :deep(.here) {
    border-bottom-color: Highlight !important;
  }
}
@media print {
  .top {
    display: none;
  }
}
</style>

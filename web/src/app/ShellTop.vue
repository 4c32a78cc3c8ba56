<script setup lang="ts">
import { useRoute } from 'vue-router';
import KeyCap from '../components/KeyCap.vue';
import { PLACES } from '../places/places';
import { useSession } from '../stores/session';

const emit = defineEmits<{ keys: []; find: [] }>();
const route = useRoute();
const session = useSession();
/** The places with a link in the bar; one is lit while a place under it is open. */
const LINKS = PLACES.filter((p) => p.menu !== undefined);
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
    <div class="tools">
      <button type="button" @click="emit('find')">Find <KeyCap k="/" /></button>
      <RouterLink :to="{ name: 'units' }" active-class="here">Units</RouterLink>
      <RouterLink v-if="session.isLead" :to="{ name: 'backup' }" active-class="here">Backup</RouterLink>
      <RouterLink :to="{ name: 'people' }" active-class="here" data-test="who"
        ><i class="pi pi-user" aria-hidden="true" /><span
          >{{ session.person ?? 'Who?' }}<span class="visually-hidden">, people and devices</span></span
        >
        <KeyCap k="o"
      /></RouterLink>
      <button type="button" @click="emit('keys')">Keys <KeyCap k="?" /></button>
    </div>
  </header>
</template>

<style scoped>
.top {
  display: flex;
  align-items: center;
  gap: var(--space-4);
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
  gap: 2px;
}
.tools {
  margin-left: auto;
}
nav a,
.tools a,
.tools button {
  display: inline-flex;
  align-items: center;
  gap: 8px;
  min-height: var(--target);
  padding: 0 10px;
  color: var(--ink-700);
  text-decoration: none;
  border: 0;
  background: none;
  font: inherit;
  cursor: pointer;
  border-bottom: 3px solid transparent;
}
.here {
  color: var(--action) !important;
  font-weight: 700;
  border-bottom-color: var(--part-a) !important;
}
@media (max-width: 900px) {
  .top {
    gap: var(--space-2);
    padding: 0 var(--space-3);
  }
  nav a,
  .tools a,
  .tools button {
    padding: 0 6px;
  }
  .top kbd,
  .tools .pi {
    display: none;
  }
}
@media print {
  .top {
    display: none;
  }
}
</style>

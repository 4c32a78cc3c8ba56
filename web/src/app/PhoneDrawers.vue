<script setup lang="ts">
import Drawer from 'primevue/drawer';
import { watch } from 'vue';
import { useRoute } from 'vue-router';
import { PLACES } from '../places/places';
import JarList from './JarList.vue';
import ShellTools from './ShellTools.vue';
import { useAway } from './useAway';

/** On a phone: the shelf of jars as a drawer, and the places that have no room in the bar. */
const jars = defineModel<boolean>('jars', { required: true });
const more = defineModel<boolean>('more', { required: true });
const emit = defineEmits<{ keys: []; find: [] }>();
const route = useRoute();
const { away } = useAway();
const IN_BAR = ['today', 'log'];
const LINKS = PLACES.filter((p) => p.menu !== undefined && !IN_BAR.includes(p.name));
function close() {
  jars.value = false;
  more.value = false;
}
watch(() => route.fullPath, close);
function tool(what: 'keys' | 'find') {
  close();
  if (what === 'keys') emit('keys');
  else emit('find');
}
</script>

<template>
  <Drawer v-model:visible="jars" header="In work" class="shelf-drawer">
    <p v-if="away" class="away small">
      The studio's computer is away. What you do here waits on this device and is sent in order.
    </p>
    <nav aria-label="Batches in work" @click="close"><JarList /></nav>
  </Drawer>
  <Drawer v-model:visible="more" header="More" position="right">
    <nav class="places" aria-label="More of the studio">
      <RouterLink v-for="p in LINKS" :key="p.name" :to="{ name: p.name }" active-class="here">{{ p.menu }}</RouterLink>
      <RouterLink :to="{ name: 'scan' }" active-class="here">Scan a label</RouterLink>
      <RouterLink :to="{ name: 'labels' }" active-class="here">Labels</RouterLink>
      <ShellTools @keys="tool('keys')" @find="tool('find')" />
    </nav>
  </Drawer>
</template>

<style scoped>
.places {
  display: grid;
}
.places :deep(a),
.places :deep(button) {
  display: flex;
  align-items: center;
  gap: var(--space-2);
  min-height: 52px;
  padding: 0 var(--space-2);
  border: 0;
  border-bottom: 1px solid var(--card-edge);
  background: none;
  color: var(--text);
  font: inherit;
  font-size: 1.1rem;
  text-align: left;
  text-decoration: none;
  cursor: pointer;
}
.places :deep(.here) {
  font-weight: 750;
  border-left: 4px solid var(--part-a);
}
.places :deep(kbd) {
  display: none;
}
.away {
  padding-bottom: var(--space-3);
}
</style>

<style>
.shelf-drawer.p-drawer {
  background: var(--shelf);
  color: var(--shelf-text);
}
.shelf-drawer .p-button-text.p-button-secondary {
  color: var(--shelf-text);
}
</style>

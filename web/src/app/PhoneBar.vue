<script setup lang="ts">
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import { useWork } from '../stores/work';
import { barLinks, barLit } from './barPlaces';

/** On a phone: where one goes with a thumb, and the way to everything else. */
const emit = defineEmits<{ more: [] }>();
const route = useRoute();
const work = useWork();
const here = computed(() => {
  const code = route.params['code'];
  return typeof code === 'string' && route.path.startsWith('/batches/') ? code : undefined;
});
const links = computed(() => barLinks(work.items, here.value));
const lit = computed(() => barLit(String(route.name)));
</script>

<template>
  <nav class="bar" aria-label="Studio">
    <RouterLink
      v-for="l in links"
      :key="l.name"
      :to="l.to"
      :class="{ lit: l.name === lit }"
      :aria-current="l.name === lit ? 'page' : undefined"
      >{{ l.words }}</RouterLink
    >
    <button type="button" aria-haspopup="dialog" :class="{ lit: lit === null }" @click="emit('more')">More</button>
  </nav>
</template>

<style scoped>
.bar {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(3.4rem, 1fr));
  background: var(--card);
  border-top: 1px solid var(--card-edge);
}
.bar > * {
  display: flex;
  align-items: center;
  justify-content: center;
  min-height: 60px;
  padding: 0 2px;
  border: 0;
  border-top: 4px solid transparent;
  background: none;
  color: var(--text);
  font: inherit;
  font-weight: 650;
  text-decoration: none;
  cursor: pointer;
}
.bar > .lit {
  border-top-color: var(--part-a);
}
@media (forced-colors: active) {
  .bar > .lit {
    border-top-color: Highlight;
  }
}
@media print {
  .bar {
    display: none;
  }
}
</style>

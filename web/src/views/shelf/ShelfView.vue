<script setup lang="ts">
import { GEAR_KINDS } from '@warm-jar/core';
import { computed, onMounted } from 'vue';
import { useRoute } from 'vue-router';
import ProblemNote from '../../components/ProblemNote.vue';
import { useProducts } from '../../stores/products';
import { useShelf } from '../../stores/shelf';
import type { ShelfPlace } from '../../api/shelf';
import { KINDS } from './kinds';
import EmptyPlace from '../../components/EmptyPlace.vue';
import ShelfItem from './ShelfItem.vue';
import ShelfTabs from '../../components/ShelfTabs.vue';
import { useShelfNotes } from './useShelfNotes';

/** One compartment of the shelf: everything in it on the left, the chosen one on the right. */
const props = defineProps<{ place: ShelfPlace; code?: string }>();
const shelf = useShelf();
const products = useProducts();
/** With the cards, which what follows from a thing is told by: it would push away what stands below. */
const isThere = computed(() => shelf.loaded && (products.loaded || products.problem !== null));
const kind = computed(() => KINDS[props.place]);
const items = computed(() => shelf[props.place].map(({ item }) => item));
const chosen = computed(() => (props.code === 'new' ? null : (props.code ?? items.value[0]?.code ?? null)));
const missing = computed(
  () =>
    shelf.loaded && props.code !== undefined && props.code !== 'new' && !items.value.some((i) => i.code === props.code),
);
const { noteOf } = useShelfNotes();
/** An address may say what kind of gear is to be added. */
const route = useRoute();
const asked = computed<Record<string, unknown>>(() => {
  const wanted = GEAR_KINDS.find((k) => k === route.query['kind']);
  return props.place === 'gear' && wanted !== undefined ? { kind: wanted } : {};
});
onMounted(() => void shelf.load());
</script>

<template>
  <div class="stack">
    <ShelfTabs />
    <div class="row spread">
      <h1>{{ kind.title }}</h1>
      <RouterLink
        v-if="place === 'lots' || place === 'moulds'"
        class="p-button p-component p-button-secondary labels"
        :to="{ name: 'labels', query: { of: place } }"
        >Labels</RouterLink
      >
      <RouterLink class="p-button p-component" :to="`/${place}/new`"
        ><i class="pi pi-plus" aria-hidden="true" /> New {{ kind.one }}</RouterLink
      >
    </div>
    <ProblemNote v-if="shelf.problem" :says="shelf.problem" again @again="shelf.load" />
    <EmptyPlace v-if="shelf.loaded && items.length === 0 && code !== 'new'" :place="place" />
    <div class="columns">
      <nav :aria-label="kind.title">
        <ul class="list">
          <li v-for="i in items" :key="i.code">
            <RouterLink :to="`/${place}/${encodeURIComponent(i.code)}`" :class="{ here: i.code === chosen }"
              ><strong class="figures">{{ i.code }}</strong
              ><span class="small">{{ kind.line(i) }}</span
              ><span v-if="noteOf(place, i.code)" class="small warn">{{ noteOf(place, i.code) }}</span></RouterLink
            >
          </li>
        </ul>
      </nav>
      <p v-if="missing" class="card">There is no {{ kind.one }} “{{ code }}”.</p>
      <ShelfItem
        v-else-if="isThere && (items.length > 0 || code === 'new')"
        :key="`${place} ${chosen ?? 'new'} ${asked['kind'] ?? ''}`"
        :kind="kind"
        :code="chosen"
        :asked="asked"
      />
    </div>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 13.75rem minmax(0, 1fr);
  gap: var(--space-5);
  align-items: start;
}
.list {
  max-height: calc(100vh - 210px);
  overflow-y: auto;
}
.list a {
  display: flex;
  flex-direction: column;
  justify-content: center;
  min-height: 52px;
  padding: 6px var(--space-3);
  color: inherit;
  text-decoration: none;
  border-left: 4px solid transparent;
  line-height: 1.25;
}
.list .here {
  border-left-color: var(--part-a);
  background: var(--card);
}
.warn {
  color: var(--outside);
  font-weight: 600;
}
@media (max-width: 56.25em) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
  .list {
    display: flex;
    flex-wrap: wrap;
    max-height: none;
  }
}
.labels {
  margin-left: auto;
}
</style>

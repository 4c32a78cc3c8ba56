<script setup lang="ts">
import { STAGE_WORDS } from '@warm-jar/core';
import Button from 'primevue/button';
import InputText from 'primevue/inputtext';
import { computed, onMounted, ref } from 'vue';
import { InTurn } from '../../components/InTurn';
import { usePhone } from '../../components/usePhone';
import { useProducts } from '../../stores/products';
import { useShelf } from '../../stores/shelf';
import FilterEntry from './FilterEntry.vue';
import {
  GRADE_CHOICES,
  OUTCOME_CHOICES,
  LIMIT_CHOICES,
  SOLD_CHOICES,
  SYMPTOMS,
  broughtAlong,
  sameFilter,
  type Filter,
  type LogFilters,
} from './logQuery';
import type { FilterField } from './filterField';
import { useSavedFilters } from './useSavedFilters';

/** What the log is narrowed to: the usual four at hand, the rest behind one tap, and those saved under a name. */
const props = defineProps<{ filters: LogFilters; chosen: Record<string, string> }>();
const emit = defineEmits<{
  choose: [filter: Filter, value: string];
  clear: [];
  use: [query: Record<string, string>];
}>();
const products = useProducts();
const shelf = useShelf();
onMounted(() => {
  void shelf.ready();
});
const { saved, name, problem, save, forget } = useSavedFilters(computed(() => props.chosen));
const STAGES = [
  { value: 'in-work', words: 'in work' },
  ...Object.entries(STAGE_WORDS).map(([value, words]) => ({ value, words: words.toLowerCase() })),
];
const moulds = computed(() =>
  shelf.moulds.map(({ item }) => ({ value: item.code, words: item.makes ? `${item.code}, ${item.makes}` : item.code })),
);
const cards = computed(() => products.cards.map(({ slug, name: words }) => ({ value: slug, words })));
/** The usual three, at hand on a wide screen. */
const usual = computed((): FilterField[] => [
  { filter: 'product', words: 'Product', options: cards.value },
  { filter: 'symptom', words: 'Symptom', options: SYMPTOMS },
  { filter: 'stage', words: 'Stage', options: STAGES },
]);
const rest = computed((): FilterField[] => [
  { filter: 'grade', words: 'Grade', options: GRADE_CHOICES },
  { filter: 'limit', words: 'Limit', options: LIMIT_CHOICES, long: true },
  { filter: 'mould', words: 'Mould', options: moulds.value, long: true },
  { filter: 'lot', words: 'Lot', placeholder: 'its whole code' },
  { filter: 'by', words: 'By', placeholder: 'initials' },
  { filter: 'from', words: 'From', day: true, placeholder: 'the beginning' },
  { filter: 'to', words: 'To', day: true, placeholder: 'today' },
  { filter: 'reason', words: 'Reason', placeholder: 'void, chipped …', label: 'Why a casting is a second or scrap' },
  { filter: 'sold', words: 'Sold', options: SOLD_CHOICES },
  {
    filter: 'outcome',
    words: 'Turned out to be',
    options: OUTCOME_CHOICES,
    long: true,
    label: 'What it turned out to be',
  },
]);
const phone = usePhone();
const atHand = computed(() => (phone.value ? [] : usual.value));
const behind = computed(() => (phone.value ? [...usual.value, ...rest.value] : rest.value));
const open = ref(behind.value.some((e) => props.filters[e.filter]));
const toggleWords = computed(() => {
  if (phone.value) return open.value ? 'Hide filters' : 'Filters';
  return open.value ? 'Fewer filters' : 'More filters';
});
const filtered = computed(() => Object.keys(props.chosen).length > 0);
const along = computed(() =>
  broughtAlong(props.filters, Object.fromEntries(products.cards.map((c) => [c.slug, c.name]))),
);
</script>

<template>
  <div class="stack filter-block">
    <div class="filters" role="search">
      <label
        ><span class="small">Search</span
        ><InputText
          :model-value="filters.search"
          placeholder="code, mould, lot, person, note …"
          aria-label="Search the log"
          @update:model-value="emit('choose', 'search', $event ?? '')"
      /></label>
      <!-- Each has its place from the first, so that nothing beside it moves. -->
      <div v-for="e in atHand" :key="e.filter">
        <InTurn
          ><FilterEntry :entry="e" :value="filters[e.filter]" @choose="emit('choose', e.filter, $event)"
        /></InTurn>
      </div>
      <Button :label="toggleWords" severity="secondary" :aria-expanded="open" @click="open = !open" />
      <Button v-if="filtered" label="Clear" severity="secondary" @click="emit('clear')" />
    </div>
    <div v-if="open" class="filters more">
      <FilterEntry
        v-for="e in behind"
        :key="e.filter"
        :entry="e"
        :value="filters[e.filter]"
        @choose="emit('choose', e.filter, $event)"
      />
    </div>
    <div v-if="along.length || saved.length || filtered" class="row kept">
      <span v-for="a in along" :key="a.filter" class="chip" :data-along="a.filter"
        >{{ a.words
        }}<button type="button" :aria-label="`Take away: ${a.words}`" @click="emit('choose', a.filter, '')">
          <i class="pi pi-times" aria-hidden="true" /></button
      ></span>
      <span v-for="s in saved" :key="s.name" class="chip saved" :class="{ here: sameFilter(s, filters) }"
        ><button type="button" class="use" @click="emit('use', s.query)">{{ s.name }}</button
        ><button type="button" :aria-label="`Delete the filter ${s.name}`" @click="forget(s)">
          <i class="pi pi-times" aria-hidden="true" /></button
      ></span>
      <form v-if="filtered && !saved.some((s) => sameFilter(s, filters))" class="row save" @submit.prevent="save">
        <InputText v-model="name" placeholder="name of this filter" aria-label="Name of this filter" /><Button
          type="submit"
          label="Save this filter"
          severity="secondary"
          :disabled="name.trim() === ''"
        />
      </form>
    </div>
    <p v-if="problem" class="small bad" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.filter-block {
  gap: var(--space-3);
}
.filters {
  display: grid;
  grid-template-columns: minmax(12rem, 1.5fr) repeat(3, minmax(8rem, 1fr)) auto auto;
  gap: var(--space-3);
  align-items: end;
}
.more {
  grid-template-columns: repeat(auto-fill, minmax(9.5rem, 1fr));
}
label {
  display: flex;
  flex-direction: column;
  gap: 4px;
  min-width: 0;
}
.chip {
  display: inline-flex;
  align-items: center;
  border: 2px solid var(--ink-500);
  border-radius: 999px;
  padding-left: 14px;
  min-height: 44px;
  background: var(--card);
}
.chip button {
  font: inherit;
  background: none;
  border: 0;
  min-height: 44px;
  min-width: 40px;
  cursor: pointer;
  color: inherit;
}
.chip .use {
  padding: 0 4px;
  font-weight: 650;
}
.here {
  border-color: var(--action);
  background: var(--bottle-50);
}
.save {
  margin-left: auto;
}
.bad {
  color: var(--outside);
}
@media (max-width: 68.75em) {
  .filters,
  .more {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) minmax(0, 1fr);
  }
}
@media screen and (max-width: 49.99em) {
  .filters {
    grid-template-columns: minmax(0, 1fr) auto;
  }
  .more {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
}
@media print {
  .filter-block {
    display: none;
  }
}
</style>

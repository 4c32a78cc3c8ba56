<script setup lang="ts">
import { STAGE_WORDS } from '@warm-jar/core';
import Button from 'primevue/button';
import InputText from 'primevue/inputtext';
import Select from 'primevue/select';
import { computed, onMounted, ref } from 'vue';
import DateEntry from '../../components/DateEntry.vue';
import { useProducts } from '../../stores/products';
import { useShelf } from '../../stores/shelf';
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
  if (!shelf.loaded) void shelf.load();
});
const { saved, name, problem, save, forget } = useSavedFilters(computed(() => props.chosen));
const STAGES = [
  { value: 'in-work', words: 'in work' },
  ...Object.entries(STAGE_WORDS).map(([value, words]) => ({ value, words: words.toLowerCase() })),
];
const MORE: readonly Filter[] = ['grade', 'mould', 'lot', 'by', 'from', 'to', 'limit', 'reason', 'sold', 'outcome'];
const open = ref(MORE.some((f) => props.filters[f]));
const filtered = computed(() => Object.keys(props.chosen).length > 0);
const along = computed(() =>
  broughtAlong(props.filters, Object.fromEntries(products.cards.map((c) => [c.slug, c.name]))),
);
const moulds = computed(() =>
  shelf.moulds.map(({ item }) => ({ value: item.code, words: item.makes ? `${item.code}, ${item.makes}` : item.code })),
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
      <label
        ><span class="small">Product</span
        ><Select
          :model-value="filters.product || null"
          :options="products.cards"
          option-label="name"
          option-value="slug"
          show-clear
          placeholder="all"
          aria-label="Product"
          @update:model-value="emit('choose', 'product', $event ?? '')"
      /></label>
      <label
        ><span class="small">Symptom</span
        ><Select
          :model-value="filters.symptom || null"
          :options="SYMPTOMS"
          option-label="words"
          option-value="value"
          show-clear
          placeholder="all"
          aria-label="Symptom"
          @update:model-value="emit('choose', 'symptom', $event ?? '')"
      /></label>
      <label
        ><span class="small">Stage</span
        ><Select
          :model-value="filters.stage || null"
          :options="STAGES"
          option-label="words"
          option-value="value"
          show-clear
          placeholder="all"
          aria-label="Stage"
          @update:model-value="emit('choose', 'stage', $event ?? '')"
      /></label>
      <Button
        :label="open ? 'Fewer filters' : 'More filters'"
        severity="secondary"
        :aria-expanded="open"
        @click="open = !open"
      />
      <Button v-if="filtered" label="Clear" severity="secondary" @click="emit('clear')" />
    </div>
    <div v-if="open" class="filters more">
      <label
        ><span class="small">Grade</span
        ><Select
          :model-value="filters.grade || null"
          :options="GRADE_CHOICES"
          option-label="words"
          option-value="value"
          show-clear
          placeholder="all"
          aria-label="Grade"
          @update:model-value="emit('choose', 'grade', $event ?? '')"
      /></label>
      <label
        ><span class="small">Limit</span
        ><Select
          :model-value="filters.limit || null"
          :options="LIMIT_CHOICES"
          option-label="words"
          option-value="value"
          show-clear
          filter
          placeholder="all"
          aria-label="Limit"
          @update:model-value="emit('choose', 'limit', $event ?? '')"
      /></label>
      <label
        ><span class="small">Mould</span
        ><Select
          :model-value="filters.mould || null"
          :options="moulds"
          option-label="words"
          option-value="value"
          show-clear
          filter
          placeholder="all"
          aria-label="Mould"
          @update:model-value="emit('choose', 'mould', $event ?? '')"
      /></label>
      <label
        ><span class="small">Lot</span
        ><InputText
          :model-value="filters.lot"
          placeholder="its whole code"
          aria-label="Lot"
          @update:model-value="emit('choose', 'lot', $event ?? '')"
      /></label>
      <label
        ><span class="small">By</span
        ><InputText
          :model-value="filters.by"
          placeholder="initials"
          aria-label="By"
          @update:model-value="emit('choose', 'by', $event ?? '')"
      /></label>
      <label
        ><span class="small">From</span
        ><DateEntry
          id="log-from"
          label="From"
          placeholder="the beginning"
          :value="filters.from || null"
          @change="emit('choose', 'from', $event ?? '')"
      /></label>
      <label
        ><span class="small">To</span
        ><DateEntry
          id="log-to"
          label="To"
          placeholder="today"
          :value="filters.to || null"
          @change="emit('choose', 'to', $event ?? '')"
      /></label>
      <label
        ><span class="small">Reason</span
        ><InputText
          :model-value="filters.reason"
          placeholder="void, chipped …"
          aria-label="Why a casting is a second or scrap"
          @update:model-value="emit('choose', 'reason', $event ?? '')"
      /></label>
      <label
        ><span class="small">Sold</span
        ><Select
          :model-value="filters.sold || null"
          :options="SOLD_CHOICES"
          option-label="words"
          option-value="value"
          show-clear
          placeholder="all"
          aria-label="Sold"
          @update:model-value="emit('choose', 'sold', $event ?? '')"
      /></label>
      <label
        ><span class="small">Turned out to be</span
        ><Select
          :model-value="filters.outcome || null"
          :options="OUTCOME_CHOICES"
          option-label="words"
          option-value="value"
          show-clear
          filter
          placeholder="all"
          aria-label="What it turned out to be"
          @update:model-value="emit('choose', 'outcome', $event ?? '')"
      /></label>
    </div>
    <div v-if="along.length || saved.length || filtered" class="row kept">
      <span v-for="a in along" :key="a.filter" class="chip" :data-along="a.filter"
        >{{ a.words
        }}<button type="button" :aria-label="`Take away: ${a.words}`" @click="emit('choose', a.filter, '')">
          <i class="pi pi-times" aria-hidden="true" /></button
      ></span>
      <span v-for="s in saved" :key="s.name" class="chip saved" :class="{ here: sameFilter(s, filters) }"
        ><button type="button" class="use" @click="emit('use', s.query)">{{ s.name }}</button
        ><button type="button" :aria-label="`Forget ${s.name}`" @click="forget(s)">
          <i class="pi pi-times" aria-hidden="true" /></button
      ></span>
      <form v-if="filtered && !saved.some((s) => sameFilter(s, filters))" class="row save" @submit.prevent="save">
        <InputText v-model="name" placeholder="name of this filter" aria-label="Name of this filter" /><Button
          type="submit"
          label="Keep this filter"
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
@media (max-width: 1100px) {
  .filters,
  .more {
    grid-template-columns: 1fr 1fr 1fr;
  }
}
@media print {
  .filter-block {
    display: none;
  }
}
</style>

<script setup lang="ts">
import { STAGE_WORDS, SYMPTOM_KINDS, type BatchSummary } from '@warm-jar/core';
import Button from 'primevue/button';
import Column from 'primevue/column';
import DataTable from 'primevue/datatable';
import InputText from 'primevue/inputtext';
import Select from 'primevue/select';
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import ProblemNote from '../../components/ProblemNote.vue';
import StateDot from '../../components/StateDot.vue';
import { dayAndTime, inWords, symptomWords } from '../../components/words';
import { useProducts } from '../../stores/products';
import { useLog } from './useLog';

/** All batches, paged and sorted by the server; what is chosen stands in the address. */
const products = useProducts();
const router = useRouter();
const { page, problem, loading, filters, first, pageSize, sortField, sortOrder, choose, clear, onPage, onSort, load } = useLog();
const SYMPTOMS = [{ value: 'any', words: 'any symptom' }, { value: 'none', words: 'no symptom' }, ...SYMPTOM_KINDS.map((value) => ({ value, words: inWords(value) }))];
const STAGES = [{ value: 'in-work', words: 'in work' }, ...Object.entries(STAGE_WORDS).map(([value, words]) => ({ value, words: words.toLowerCase() }))];
const filtered = computed(() => Object.values(filters.value).some(Boolean));
const openBatch = ({ data }: { data: BatchSummary }) => { void router.push({ name: 'batch', params: { code: data.code } }); };
</script>

<template>
  <div class="stack">
    <div class="row spread"><h1>Log</h1><p class="quiet" aria-live="polite"><template v-if="page">{{ page.total }} batch{{ page.total === 1 ? '' : 'es' }}{{ filtered ? ' found' : '' }}</template></p></div>
    <div class="filters" role="search">
      <label><span class="small">Search</span><InputText :model-value="filters.search" placeholder="code, mould, lot, person, note …" aria-label="Search the log" @update:model-value="choose('search', $event ?? '')" /></label>
      <label><span class="small">Product</span><Select :model-value="filters.product || null" :options="products.cards" option-label="name" option-value="slug" show-clear placeholder="all" aria-label="Product" @update:model-value="choose('product', $event ?? '')" /></label>
      <label><span class="small">Symptom</span><Select :model-value="filters.symptom || null" :options="SYMPTOMS" option-label="words" option-value="value" show-clear placeholder="all" aria-label="Symptom" @update:model-value="choose('symptom', $event ?? '')" /></label>
      <label><span class="small">Stage</span><Select :model-value="filters.stage || null" :options="STAGES" option-label="words" option-value="value" show-clear placeholder="all" aria-label="Stage" @update:model-value="choose('stage', $event ?? '')" /></label>
      <Button v-if="filtered" label="Clear" severity="secondary" @click="clear" />
    </div>
    <ProblemNote v-if="problem" :says="problem" again @again="load" />
    <DataTable v-else :value="page?.items ?? []" lazy paginator :rows="pageSize" :first="first" :total-records="page?.total ?? 0" :loading="loading" data-key="code" row-hover
      :sort-field="sortField" :sort-order="sortOrder" removable-sort :rows-per-page-options="[25, 50, 100]" class="card table" @page="onPage" @sort="onSort" @row-click="openBatch">
      <template #empty><p class="empty">{{ filtered ? 'No batch fits. Clear a filter to see more.' : 'Nothing is logged yet. Press n to log the first batch.' }}</p></template>
      <Column field="code" header="Batch" sortable><template #body="{ data }"><RouterLink class="figures code" :to="{ name: 'batch', params: { code: data.code } }" @click.stop>{{ data.code }}</RouterLink></template></Column>
      <Column field="startedAt" header="Began" sortable><template #body="{ data }">{{ dayAndTime(data.startedAt) }}</template></Column>
      <Column header="Product"><template #body="{ data }">{{ data.productName }}</template></Column>
      <Column header="Mould"><template #body="{ data }"><span class="figures">{{ data.mould ?? '' }}</span></template></Column>
      <Column header="By"><template #body="{ data }">{{ data.by ?? '' }}</template></Column>
      <Column header="Stage"><template #body="{ data }">{{ STAGE_WORDS[(data as BatchSummary).stage].toLowerCase() }}</template></Column>
      <Column header="Outside"><template #body="{ data }"><StateDot :outside="data.outside" /></template></Column>
      <Column header="Seen"><template #body="{ data }"><RouterLink v-for="s in (data as BatchSummary).symptoms" :key="s.kind + s.pattern" class="symptom" :to="{ name: 'diagnosis', params: { code: data.code } }" @click.stop>{{ symptomWords(s) }}</RouterLink></template></Column>
      <Column header="Grade"><template #body="{ data }">{{ data.grade ?? '' }}</template></Column>
    </DataTable>
  </div>
</template>

<style scoped>
.filters { display: grid; grid-template-columns: minmax(14rem, 1.6fr) repeat(3, minmax(9rem, 1fr)) auto; gap: var(--space-3); align-items: end; }
.filters label { display: flex; flex-direction: column; gap: 4px; min-width: 0; }
.table { padding: var(--space-2); }
.code { font-weight: 700; }
.symptom { display: block; }
.empty { padding: var(--space-5); text-align: center; }
:deep(tbody tr) { cursor: pointer; }
:deep(tbody td) { padding-block: 10px; }
@media (max-width: 980px) { .filters { grid-template-columns: 1fr 1fr; } }
</style>

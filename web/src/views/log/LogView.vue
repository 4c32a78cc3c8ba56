<script setup lang="ts">
import type { BatchSummary } from '@warm-jar/core';
import Button from 'primevue/button';
import MultiSelect from 'primevue/multiselect';
import Paginator from 'primevue/paginator';
import { computed, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import { InTurn } from '../../components/InTurn';
import EmptyPlace from '../../components/EmptyPlace.vue';
import { usePhone } from '../../components/usePhone';
import ProblemNote from '../../components/ProblemNote.vue';
import { dayAndTime } from '../../components/words';
import { studioNow } from '../../api/studioTime';
import LogFilters from './LogFilters.vue';
import LogList from './LogList.vue';
import LogTable from './LogTable.vue';
import LogTools from './LogTools.vue';
import { chosenColumns, COLUMNS } from './logQuery';
import { useLog } from './useLog';

/** All batches, paged and sorted by the server; what is chosen stands in the address. */
const router = useRouter();
const {
  page,
  problem,
  loading,
  filters,
  chosen,
  sort,
  first,
  pageSize,
  columns,
  choose,
  clear,
  use,
  showColumns,
  onPage,
  onSort,
  load,
} = useLog();
const filtered = computed(() => Object.keys(chosen.value).length > 0);
const counted = computed(() => {
  const { total = 0 } = page.value ?? {};
  return `${total} batch${total === 1 ? '' : 'es'}${filtered.value ? ' found' : ''}`;
});
const picked = shallowRef<readonly BatchSummary[]>([]);
const codes = computed(() => picked.value.map((b) => b.code));
const exported = computed((): Record<string, string> =>
  codes.value.length > 0 ? { codes: codes.value.join(','), sort: sort.value } : { ...chosen.value, sort: sort.value },
);
/** As many as fit side by side and still say something. */
const MAX_COMPARED = 12;
/** The column that the log is sorted by, in the words of its heading. */
const sortedBy = computed(() => {
  const id = sort.value.replace('-', '');
  return (COLUMNS.find((c) => c.id === id)?.words ?? 'Batch').toLowerCase();
});
/** What stands on the paper: which batches, and what they were narrowed to. */
const printed = computed(() => {
  const { total = 0 } = page.value ?? {};
  const last = Math.min(total, first.value + pageSize.value);
  const narrowed = Object.entries(chosen.value).map(([filter, words]) => `${filter} ${words}`);
  return [
    `Batches ${total === 0 ? 0 : first.value + 1} to ${last} of ${total}`,
    narrowed.length > 0 ? narrowed.join(', ') : 'all batches',
    `sorted by ${sortedBy.value}${sort.value.startsWith('-') ? ', last first' : ''}`,
    `printed ${dayAndTime(studioNow().toISOString())}`,
  ].join('; ');
});
const phone = usePhone();
const isEmpty = computed(() => !filtered.value && page.value?.total === 0);
const empty = computed(() =>
  filtered.value ? 'No batch fits. Clear a filter to see more.' : 'Nothing is logged yet.',
);
const compare = () => void router.push({ name: 'compare', query: { codes: codes.value.join(',') } });
</script>

<template>
  <div class="stack log">
    <div class="row spread">
      <div class="row">
        <h1>Log</h1>
        <p class="quiet" aria-live="polite">
          <template v-if="page">{{ counted }}</template><span v-else class="place" aria-hidden="true">000 batches</span>
        </p>
      </div>
      <div class="row tools">
        <Button
          v-if="codes.length > 0"
          :label="
            codes.length > MAX_COMPARED
              ? `Compare at most ${MAX_COMPARED}`
              : codes.length === 1
                ? 'Pick another to compare'
                : `Compare ${codes.length}`
          "
          :disabled="codes.length < 2 || codes.length > MAX_COMPARED"
          @click="compare"
        />
        <LogTools :exported="exported" :count="codes.length" />
        <div v-if="!phone" class="columns">
          <InTurn
            ><MultiSelect
              :model-value="columns"
              :options="[...COLUMNS]"
              option-label="words"
              option-value="id"
              :show-toggle-all="false"
              :max-selected-labels="0"
              selected-items-label="Columns"
              aria-label="Columns"
              fluid
              @update:model-value="showColumns(chosenColumns(columns, $event))"
          /></InTurn>
        </div>
      </div>
    </div>
    <InTurn
      ><p class="paper-only small" data-test="printed">{{ printed }}</p></InTurn
    >
    <EmptyPlace v-if="isEmpty" place="log" />
    <LogFilters :filters="filters" :chosen="chosen" @choose="choose" @clear="clear" @use="use" />
    <ProblemNote v-if="problem" :says="problem" again @again="load" />
    <LogList
      v-else-if="phone && page"
      :items="page.items"
      :total="page.total"
      :first="first"
      :rows="pageSize"
      :empty="empty"
      @page="onPage"
    />
    <!-- With its first rows: the columns would shift as they fill. -->
    <div v-else-if="page" class="card table">
      <LogTable
        v-model:picked="picked"
        :items="page.items"
        :columns="columns"
        :sort="sort"
        :busy="loading"
        :empty="empty"
        @sort="onSort"
        @columns="showColumns"
      />
      <InTurn
        ><Paginator
          :rows="pageSize"
          :first="first"
          :total-records="page.total"
          :rows-per-page-options="[25, 50, 100, 200]"
          @page="onPage"
      /></InTurn>
    </div>
  </div>
</template>

<style scoped>
.tools {
  gap: var(--space-2);
}
/* The place of the count, so that nothing moves when it comes. */
.place {
  visibility: hidden;
}
.columns {
  min-width: 8.5rem;
}
.table {
  padding: var(--space-2);
}
@media print {
  .tools {
    display: none;
  }
  .log {
    page: wide;
  }
}
</style>

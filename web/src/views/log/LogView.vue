<script setup lang="ts">
import EmptyPlace from '../../components/EmptyPlace.vue';
import { STAGE_WORDS, type BatchSummary } from '@warm-jar/core';
import Button from 'primevue/button';
import Checkbox from 'primevue/checkbox';
import Column from 'primevue/column';
import DataTable from 'primevue/datatable';
import MultiSelect from 'primevue/multiselect';
import { computed, ref, shallowRef, useTemplateRef, type ComponentPublicInstance } from 'vue';
import { useRouter } from 'vue-router';
import { usePhone } from '../../components/usePhone';
import ProblemNote from '../../components/ProblemNote.vue';
import StateDot from '../../components/StateDot.vue';
import { dayAndTime, startWords, symptomWords } from '../../components/words';
import { studioNow } from '../../api/studioTime';
import { useUnits } from '../../stores/units';
import LogFilters from './LogFilters.vue';
import LogList from './LogList.vue';
import LogTools from './LogTools.vue';
import CastingsRow from './CastingsRow.vue';
import { castingEnds, chosenColumns, COLUMNS, mouldsOf, SORTED_BY_SERVER, type ColumnId } from './logQuery';
import { useLog } from './useLog';
import { MOVABLE, useMovableColumns } from './useMovableColumns';

/** All batches, paged and sorted by the server; what is chosen stands in the address. */
const router = useRouter();
const units = useUnits();
const {
  page,
  problem,
  loading,
  filters,
  chosen,
  sort,
  first,
  pageSize,
  sortField,
  sortOrder,
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
const shown = computed(() => columns.value.map((id) => COLUMNS.find((c) => c.id === id)!));
const { onHeadingKey } = useMovableColumns(
  useTemplateRef<ComponentPublicInstance>('table'),
  () => columns.value,
  showColumns,
);
/** A heading takes the focus, to be moved by keys as well. */
const headingOf = (id: ColumnId) => ({
  'data-column': id,
  tabindex: 0,
  title: 'Drag to move the column, or Shift with an arrow key',
  onKeydown: (event: KeyboardEvent) => {
    onHeadingKey(event, id);
  },
});
/** Rows whose castings are shown. */
const opened = ref<Record<string, boolean>>({});
const apart = computed(() => (page.value?.items ?? []).some((b) => b.castings.length > 0));
function open({ code }: BatchSummary): void {
  const others = Object.fromEntries(Object.entries(opened.value).filter(([other]) => other !== code));
  opened.value = opened.value[code] ? others : { ...others, [code]: true };
}
const picked = shallowRef<BatchSummary[]>([]);
const codes = computed(() => picked.value.map((b) => b.code));
const isPicked = ({ code }: BatchSummary) => codes.value.includes(code);
const pick = (batch: BatchSummary, on: boolean) => {
  const others = picked.value.filter(({ code }) => code !== batch.code);
  picked.value = on ? [...others, batch] : others;
};
const shownRows = computed(() => page.value?.items ?? []);
const allPicked = computed(() => shownRows.value.length > 0 && shownRows.value.every(isPicked));
const pickAll = (on: boolean) => {
  for (const batch of shownRows.value) pick(batch, on);
};
const exported = computed((): Record<string, string> =>
  codes.value.length > 0 ? { codes: codes.value.join(','), sort: sort.value } : { ...chosen.value, sort: sort.value },
);
/** As many as fit side by side and still say something. */
const MAX_COMPARED = 12;
const openBatch = ({ data }: { data: BatchSummary }) => {
  void router.push({ name: 'batch', params: { code: data.code } });
};
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
          <template v-if="page"
            >{{ page.total }} batch{{ page.total === 1 ? '' : 'es' }}{{ filtered ? ' found' : '' }}</template
          >
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
        <MultiSelect
          v-if="!phone"
          :model-value="columns"
          :options="[...COLUMNS]"
          option-label="words"
          option-value="id"
          :show-toggle-all="false"
          :max-selected-labels="0"
          selected-items-label="Columns"
          aria-label="Columns"
          class="columns"
          @update:model-value="showColumns(chosenColumns(columns, $event))"
        />
      </div>
    </div>
    <p class="paper-only small" data-test="printed">{{ printed }}</p>
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
    <DataTable
      v-else-if="page"
      ref="table"
      v-model:expanded-rows="opened"
      :value="page.items"
      lazy
      paginator
      :rows="pageSize"
      :first="first"
      :total-records="page.total"
      :loading="loading"
      data-key="code"
      row-hover
      :sort-field="sortField"
      :sort-order="sortOrder"
      removable-sort
      :rows-per-page-options="[25, 50, 100, 200]"
      class="card table"
      @page="onPage"
      @sort="onSort"
      @row-click="openBatch"
    >
      <template #empty
        ><p class="empty">{{ empty }}</p></template
      >
      <Column header-style="width: 3rem" header-class="hand" body-class="hand">
        <template #header
          ><Checkbox :model-value="allPicked" binary aria-label="Pick all on this page" @update:model-value="pickAll"
        /></template>
        <template #body="{ data }"
          ><Checkbox
            :model-value="isPicked(data)"
            binary
            :aria-label="`Pick ${data.code}`"
            @click.stop
            @update:model-value="pick(data, $event)"
        /></template>
      </Column>
      <Column v-if="apart" header-style="width: 3rem" header-class="hand" body-class="hand">
        <template #header><span class="visually-hidden">Castings</span></template>
        <template #body="{ data }"
          ><Button
            v-if="(data as BatchSummary).castings.length"
            :icon="opened[data.code] ? 'pi pi-chevron-down' : 'pi pi-chevron-right'"
            severity="secondary"
            text
            :aria-expanded="Boolean(opened[data.code])"
            :aria-label="`Castings of ${data.code}`"
            @click.stop="open(data)"
        /></template>
      </Column>
      <Column field="code" header="Batch" sortable :pt="{ bodyCell: { role: 'rowheader' } }"
        ><template #body="{ data }"
          ><RouterLink class="figures code" :to="{ name: 'batch', params: { code: data.code } }" @click.stop>{{
            data.code
          }}</RouterLink></template
        ></Column
      >
      <Column
        v-for="c in shown"
        :key="c.id"
        :field="c.id"
        :header="c.words"
        :sortable="SORTED_BY_SERVER.has(c.id)"
        :header-class="MOVABLE"
        :pt="{ headerCell: headingOf(c.id) }"
      >
        <template #body="{ data }">
          <template v-if="c.id === 'startedAt'">{{ startWords(data) }}</template>
          <template v-else-if="c.id === 'mould'">{{ mouldsOf(data) }}</template>
          <span v-else-if="c.id === 'grade' && data.castings.length" class="ends">{{ castingEnds(data) }}</span>
          <template v-else-if="c.id === 'productSlug'">{{ data.productName }}</template>
          <template v-else-if="c.id === 'stage'">{{
            STAGE_WORDS[(data as BatchSummary).stage].toLowerCase()
          }}</template>
          <StateDot v-else-if="c.id === 'outside'" :outside="data.outside" />
          <template v-else-if="c.id === 'massG'"
            ><span class="figures">{{ data.massG === null ? '' : units.say(data.massG, 'g') }}</span></template
          >
          <template v-else-if="c.id === 'seen'"
            ><RouterLink
              v-for="s in (data as BatchSummary).symptoms"
              :key="s.kind + s.pattern"
              class="symptom"
              :to="{ name: 'diagnosis', params: { code: data.code } }"
              @click.stop
              >{{ symptomWords(s) }}</RouterLink
            ></template
          >
          <span v-else :class="{ figures: c.id === 'lotA' || c.id === 'lotB', note: c.id === 'note' }">{{
            (data as BatchSummary)[c.id] ?? ''
          }}</span>
        </template>
      </Column>
      <template #expansion="{ data }"><CastingsRow :batch="data" /></template>
    </DataTable>
  </div>
</template>

<style scoped>
.tools {
  gap: var(--space-2);
}
.columns {
  min-width: 8.5rem;
}
.table {
  padding: var(--space-2);
}
.code {
  font-weight: 700;
}
.symptom {
  display: block;
}
.note {
  font-size: 0.875rem;
}
.empty {
  padding: var(--space-5);
  text-align: center;
}
:deep(tbody tr) {
  cursor: pointer;
}
:deep(tbody td) {
  padding-block: 9px;
  white-space: nowrap;
}
.table :deep(.p-datatable-thead > tr > th),
.table :deep(.p-datatable-tbody > tr > td) {
  padding-inline: 8px;
}
.symptom,
.note,
.ends {
  white-space: normal;
}
.ends {
  display: block;
  min-width: 6.5rem;
}
.symptom {
  min-width: 10rem;
}
.note {
  display: block;
  min-width: 12rem;
}
@media print {
  .tools {
    display: none;
  }
  .log {
    page: wide;
  }
  /* Picking and opening are done on the screen; what is left shares the sheet. */
  :deep(.hand) {
    display: none;
  }
  :deep(.p-datatable-table-container) {
    overflow: visible !important;
  }
  :deep(tbody td) {
    white-space: normal;
    padding-block: 3px;
  }
  .table :deep(.p-datatable-thead > tr > th),
  .table :deep(.p-datatable-tbody > tr > td) {
    font-size: 0.78rem;
    padding-inline: 4px;
    min-width: 0;
  }
  .symptom,
  .ends,
  .note {
    min-width: 0;
  }
}
</style>

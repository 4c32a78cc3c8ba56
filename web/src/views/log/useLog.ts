import type { BatchPage } from '@warm-jar/core';
import { useDebounceFn, useLocalStorage } from '@vueuse/core';
import type { DataTablePageEvent, DataTableSortEvent } from 'primevue/datatable';
import { computed, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api } from '../../api/client';
import { useLoaded } from '../../components/useLoaded';
import { chosenOf, columnsFrom, filtersFrom, noFilters, type ColumnId, type Filter, type LogFilters } from './logQuery';

const DEFAULT_PAGE_SIZE = 25;
/** Typing waits this long for the next letter before the server is asked, ms. */
const TYPING_PAUSE_MS = 250;

/** The log's page, with every choice kept in the address so that it can be shared. */
export function useLog() {
  const route = useRoute();
  const router = useRouter();
  const one = (key: string) => {
    const v = route.query[key];
    return typeof v === 'string' ? v : '';
  };
  const filters = ref<LogFilters>(filtersFrom(route.query));
  const chosen = computed(() => chosenOf(filtersFrom(route.query)));
  const pageSize = computed(() => Number(one('pageSize')) || DEFAULT_PAGE_SIZE);
  const first = computed(() => (Math.max(1, Number(one('page')) || 1) - 1) * pageSize.value);
  const sort = computed(() => one('sort') || '-startedAt');
  const sortField = computed(() => sort.value.replace('-', ''));
  const sortOrder = computed(() => (sort.value.startsWith('-') ? -1 : 1));
  // The address says the columns where it names them; else this browser's own choice.
  const keptColumns = useLocalStorage('warm-jar.log-columns', '');
  const columns = computed(() => columnsFrom(one('columns') || keptColumns.value));
  const asked = () => ({
    page: one('page') || '1',
    pageSize: String(pageSize.value),
    sort: sort.value,
    ...chosen.value,
  });
  const {
    value: page,
    problem,
    loading,
    load,
  } = useLoaded((): Promise<BatchPage> => api.batches(asked()), 'The log could not be read.', { now: false });

  function go(change: Record<string, string | undefined>): void {
    void router.replace({
      query: Object.fromEntries(Object.entries({ ...route.query, ...change }).filter(([, v]) => v)),
    });
  }
  const goSoon = useDebounceFn(() => {
    go({ ...filters.value, page: undefined });
  }, TYPING_PAUSE_MS);
  function choose(filter: Filter, value: string): void {
    // A pattern belongs to its symptom.
    filters.value = { ...filters.value, [filter]: value, ...(filter === 'symptom' ? { pattern: '' } : {}) };
    if (filter === 'search' || filter === 'by' || filter === 'lot') void goSoon();
    else go({ ...filters.value, page: undefined });
  }
  watch(
    () => route.query,
    () => {
      if (route.name !== 'log') return;
      filters.value = filtersFrom(route.query);
      void load();
    },
    { immediate: true },
  );

  return {
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
    load,
    clear: () => {
      go({ ...noFilters(), page: undefined });
    },
    use: (query: Readonly<Record<string, string>>) => {
      go({ ...noFilters(), ...query, page: undefined });
    },
    showColumns: (ids: readonly ColumnId[]) => {
      const text = columnsFrom(ids.join(',')).join(',');
      keptColumns.value = text;
      go({ columns: text });
    },
    onPage: (event: DataTablePageEvent) => {
      go({ page: String(event.page + 1), pageSize: String(event.rows) });
    },
    onSort: (event: DataTableSortEvent) => {
      const field = typeof event.sortField === 'string' ? event.sortField : '';
      go({ sort: field ? `${event.sortOrder === -1 ? '-' : ''}${field}` : undefined, page: undefined });
    },
  };
}

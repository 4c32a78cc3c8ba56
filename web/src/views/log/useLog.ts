import type { BatchPage } from '@warm-jar/core';
import { useDebounceFn, useLocalStorage } from '@vueuse/core';
import type { PageState } from 'primevue/paginator';
import { computed, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api } from '../../api/client';
import { useLoaded } from '../../components/useLoaded';
import {
  chosenOf,
  columnsFrom,
  filtersFrom,
  noFilters,
  USUAL_SORT,
  type ColumnId,
  type Filter,
  type LogFilters,
} from './logQuery';

const DEFAULT_PAGE_SIZE = 25;
/** Typing waits this long for the next letter before the server is asked, ms. */
const TYPING_PAUSE_MS = 250;

/** What the address says of the list: which page of it, how long, in which order. */
function useListAddress() {
  const route = useRoute();
  const router = useRouter();
  const one = (key: string) => {
    const v = route.query[key];
    return typeof v === 'string' ? v : '';
  };
  const pageSize = computed(() => Number(one('pageSize')) || DEFAULT_PAGE_SIZE);
  const sort = computed(() => one('sort') || USUAL_SORT);
  function go(change: Record<string, string | undefined>): void {
    const query = Object.fromEntries(Object.entries({ ...route.query, ...change }).filter(([, v]) => v));
    void router.replace({ query });
  }
  return {
    route,
    one,
    go,
    pageSize,
    sort,
    first: computed(() => (Math.max(1, Number(one('page')) || 1) - 1) * pageSize.value),
    onPage: (event: Pick<PageState, 'page' | 'rows'>) => {
      go({ page: String(event.page + 1), pageSize: String(event.rows) });
    },
    onSort: (by: string | undefined) => {
      go({ sort: by, page: undefined });
    },
  };
}
type ListAddress = ReturnType<typeof useListAddress>;

/** The columns: as the address names them, else this browser's own choice. */
function useColumns({ one, go }: ListAddress) {
  const kept = useLocalStorage('warm-jar.log-columns', '');
  return {
    columns: computed(() => columnsFrom(one('columns') || kept.value)),
    showColumns: (ids: readonly ColumnId[]) => {
      const text = columnsFrom(ids.join(',')).join(',');
      kept.value = text;
      go({ columns: text });
    },
  };
}

/** Filters that are typed, and so wait for the next letter. */
const TYPED: ReadonlySet<Filter> = new Set(['search', 'by', 'lot']);

function useFilters({ route, go }: ListAddress) {
  const filters = ref<LogFilters>(filtersFrom(route.query));
  const goSoon = useDebounceFn(() => {
    go({ ...filters.value, page: undefined });
  }, TYPING_PAUSE_MS);
  return {
    filters,
    chosen: computed(() => chosenOf(filtersFrom(route.query))),
    choose: (filter: Filter, value: string) => {
      // A pattern belongs to its symptom.
      filters.value = { ...filters.value, [filter]: value, ...(filter === 'symptom' ? { pattern: '' } : {}) };
      if (TYPED.has(filter)) void goSoon();
      else go({ ...filters.value, page: undefined });
    },
    clear: () => {
      go({ ...noFilters(), page: undefined });
    },
    use: (query: Readonly<Record<string, string>>) => {
      go({ ...noFilters(), ...query, page: undefined });
    },
  };
}

/** The log's page, with every choice kept in the address so that it can be shared. */
export function useLog() {
  const address = useListAddress();
  const { route, one, pageSize, sort, first, onPage, onSort } = address;
  const chosen = useFilters(address);
  const asked = () => ({
    page: one('page') || '1',
    pageSize: String(pageSize.value),
    sort: sort.value,
    ...chosen.chosen.value,
  });
  const {
    value: page,
    problem,
    loading,
    load,
  } = useLoaded((): Promise<BatchPage> => api.batches(asked()), 'The log could not be read.', { now: false });
  watch(
    () => route.query,
    () => {
      if (route.name !== 'log') return;
      chosen.filters.value = filtersFrom(route.query);
      void load();
    },
    { immediate: true },
  );
  return {
    page,
    problem,
    loading,
    load,
    ...chosen,
    ...useColumns(address),
    sort,
    first,
    pageSize,
    onPage,
    onSort,
  };
}

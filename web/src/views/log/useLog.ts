import type { BatchPage } from '@warm-jar/core';
import { useDebounceFn } from '@vueuse/core';
import type { DataTablePageEvent, DataTableSortEvent } from 'primevue/datatable';
import { computed, ref, shallowRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { ApiProblem, api } from '../../api/client';

export const FILTERS = ['search', 'product', 'symptom', 'stage'] as const;
export type Filter = (typeof FILTERS)[number];

const DEFAULT_PAGE_SIZE = 25;
/** Typing waits this long for the next letter before the server is asked, ms. */
const TYPING_PAUSE_MS = 250;

/** The log's page, with every choice kept in the address so that it can be shared. */
export function useLog() {
  const route = useRoute();
  const router = useRouter();
  const page = shallowRef<BatchPage | null>(null);
  const problem = ref<string | null>(null);
  const loading = ref(false);
  const one = (key: string) => { const v = route.query[key]; return typeof v === 'string' ? v : ''; };
  const filters = ref(Object.fromEntries(FILTERS.map((f) => [f, one(f)])) as Record<Filter, string>);
  const pageSize = computed(() => Number(one('pageSize')) || DEFAULT_PAGE_SIZE);
  const first = computed(() => (Math.max(1, Number(one('page')) || 1) - 1) * pageSize.value);
  const sort = computed(() => one('sort') || '-startedAt');
  const sortField = computed(() => sort.value.replace('-', ''));
  const sortOrder = computed(() => (sort.value.startsWith('-') ? -1 : 1));
  let asked = 0;

  async function load(): Promise<void> {
    const mine = ++asked;
    loading.value = true;
    const query = { page: one('page') || '1', pageSize: String(pageSize.value), sort: sort.value };
    const chosen = Object.fromEntries(FILTERS.map((f) => [f, one(f)]).filter(([, v]) => v));
    try {
      const answer = await api.batches({ ...query, ...chosen });
      if (mine !== asked) return;
      page.value = answer;
      problem.value = null;
    } catch (error) {
      if (mine === asked) problem.value = error instanceof ApiProblem ? error.message : 'The log could not be read.';
    } finally {
      if (mine === asked) loading.value = false;
    }
  }

  function go(change: Record<string, string | undefined>): void {
    const query = Object.fromEntries(Object.entries({ ...route.query, ...change }).filter(([, v]) => v));
    void router.replace({ query });
  }

  const goSoon = useDebounceFn(() => { go({ ...filters.value, page: undefined }); }, TYPING_PAUSE_MS);
  function choose(filter: Filter, value: string): void {
    filters.value = { ...filters.value, [filter]: value };
    if (filter === 'search') void goSoon();
    else go({ ...filters.value, page: undefined });
  }

  watch(() => route.query, () => {
    if (route.name !== 'log') return;
    for (const f of FILTERS) filters.value[f] = one(f);
    void load();
  }, { immediate: true });

  return {
    page, problem, loading, filters, first, pageSize, sortField, sortOrder, choose, load,
    clear: () => { filters.value = { search: '', product: '', symptom: '', stage: '' }; go({ ...filters.value, page: undefined }); },
    onPage: (event: DataTablePageEvent) => { go({ page: String(event.page + 1), pageSize: String(event.rows) }); },
    onSort: (event: DataTableSortEvent) => {
      const field = typeof event.sortField === 'string' ? event.sortField : '';
      go({ sort: field ? `${event.sortOrder === -1 ? '-' : ''}${field}` : undefined, page: undefined });
    },
  };
}

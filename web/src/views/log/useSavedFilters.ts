import type { SavedFilter } from '@warm-jar/core';
import { computed, ref, type Ref } from 'vue';
import { ApiProblem } from '../../api/client';
import { logApi } from '../../api/learning';
import { useLoaded } from '../../components/useLoaded';

/** Filters under a name, the same on every screen of the studio. */
export function useSavedFilters(chosen: Ref<Readonly<Record<string, string>>>) {
  const { value, problem, load } = useLoaded(() => logApi.filters(), 'The saved filters could not be read.');
  const name = ref('');
  async function tried(work: () => Promise<void>): Promise<void> {
    try {
      await work();
      await load();
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      problem.value = error.message;
    }
  }
  return {
    saved: computed((): SavedFilter[] => value.value ?? []),
    name,
    problem,
    save: () =>
      tried(async () => {
        await logApi.saveFilter({ name: name.value.trim(), query: { ...chosen.value } });
        name.value = '';
      }),
    forget: (filter: SavedFilter) => tried(() => logApi.removeFilter(filter.name)),
  };
}

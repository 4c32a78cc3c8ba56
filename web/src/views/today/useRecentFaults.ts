import type { BatchSummary } from '@warm-jar/core';
import { onMounted, ref, shallowRef } from 'vue';
import { ApiProblem, api } from '../../api/client';

/** How many of the latest faulty batches Today recalls. */
const HOW_MANY = 5;

/** The latest batches on which a fault was seen; null until read. */
export function useRecentFaults() {
  const faults = shallowRef<BatchSummary[] | null>(null);
  const problem = ref<string | null>(null);
  async function load(): Promise<void> {
    try {
      faults.value = (await api.batches({ symptom: 'any', pageSize: String(HOW_MANY) })).items;
      problem.value = null;
    } catch (error) {
      problem.value = error instanceof ApiProblem ? error.message : 'The faults could not be read.';
    }
  }
  onMounted(load);
  return { faults, problem, load };
}

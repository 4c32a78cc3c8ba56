import type { Batch } from '@warm-jar/core';
import { ref, type Ref } from 'vue';
import { ApiProblem, api } from '../../api/client';
import { useWork } from '../../stores/work';

/** Takes a closed record up again: what is due on it is due once more. */
export function useReopen(
  batch: Readonly<Ref<Batch | null>>,
  version: Readonly<Ref<number>>,
  load: () => Promise<void>,
) {
  const problem = ref<string | null>(null);
  async function reopen(): Promise<void> {
    const { value } = batch;
    if (!value?.code) return;
    problem.value = null;
    try {
      await api.replaceBatch(value.code, version.value, { ...value, closed: false });
      await Promise.all([load(), useWork().load()]);
    } catch (error) {
      problem.value = error instanceof ApiProblem ? error.message : 'It was not taken up again.';
    }
  }
  return { reopen, problem };
}

import type { MouldSpots } from '@warm-jar/core';
import { ref, shallowRef, watch, type Ref } from 'vue';
import { ApiProblem } from '../../../api/client';
import { checksApi } from '../../../api/checks';

/** Where faults recur on a mould, by the looks at its pulls. */
export function useMouldSpots(code: Ref<string | null>) {
  const spots = shallowRef<MouldSpots | null>(null);
  const problem = ref<string | null>(null);
  watch(
    code,
    async (asked) => {
      spots.value = null;
      if (!asked) return;
      try {
        const found = await checksApi.spots(asked);
        if (asked === code.value) [spots.value, problem.value] = [found, null];
      } catch (error) {
        if (asked === code.value)
          problem.value = error instanceof ApiProblem ? error.message : 'The pulls could not be read.';
      }
    },
    { immediate: true },
  );
  return { spots, problem };
}

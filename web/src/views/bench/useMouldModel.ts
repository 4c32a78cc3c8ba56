import { planRequestSchema, type MouldAnswer } from '@warm-jar/core';
import { onUnmounted, shallowRef, watch } from 'vue';
import { useUnits } from '../../stores/units';
import { planWorker } from '../../workers/planInWorker';
import type { BenchContext } from '../../run/useBench';

type Answered = Extract<MouldAnswer, { slab: unknown }>;

/**
 * The pour in the mould by the plan's own depth and conditions, from the
 * worker; null until it is there, or without a plan.
 */
export function useMouldModel(bench: BenchContext) {
  const units = useUnits();
  const answer = shallowRef<Answered | null>(null);
  const worker = planWorker();
  onUnmounted(() => {
    worker.close();
  });
  watch(
    [bench.plan, bench.product],
    async ([plan, product]) => {
      const parsed = planRequestSchema.safeParse({ ...(plan?.['request'] as object | undefined), product });
      if (!parsed.success || parsed.data.mould?.depthMm == null) return;
      const outcome = await worker.run({ kind: 'mould', request: parsed.data, units: units.choice }, () => undefined);
      if (outcome && 'result' in outcome && outcome.result && 'slab' in outcome.result) answer.value = outcome.result;
    },
    { immediate: true },
  );
  return answer;
}

import { planRequestSchema, type MouldAnswer } from '@warm-jar/core';
import { onUnmounted, shallowRef, watch } from 'vue';
import { useUnits } from '../../stores/units';
import type { PlanResult } from '../../workers/plan.worker';
import { planWorker } from '../../workers/planInWorker';
import type { BenchContext } from '../../run/useBench';

type Answered = Extract<MouldAnswer, { slab: unknown }>;

/** Of several moulds the one that comes out last; null where none was answered. */
function lastOut(result: PlanResult): Answered | null {
  const answers = (Array.isArray(result) ? (result as unknown[]) : []).filter(
    (a): a is Answered => typeof a === 'object' && a !== null && 'slab' in a,
  );
  return answers.reduce<Answered | null>(
    (last, a) => (last === null || (a.demouldMin ?? 0) > (last.demouldMin ?? 0) ? a : last),
    null,
  );
}

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
      if (!parsed.success) return;
      const outcome = await worker.run({ kind: 'mould', request: parsed.data, units: units.choice }, () => undefined);
      if (outcome && 'result' in outcome) answer.value = lastOut(outcome.result);
    },
    { immediate: true },
  );
  return answer;
}

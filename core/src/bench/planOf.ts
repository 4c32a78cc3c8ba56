import type { Batch } from '../formats/batch';
import { memoize } from '../numeric/memoize';
import { planSchema, type Plan } from '../formats/plan';

const readPlan = memoize((plan: object): Plan | null => {
  const parsed = planSchema.safeParse(plan);
  return parsed.success ? parsed.data : null;
});

/** The plan a batch was begun from, read once for each; null where it has none that can be read. */
export function planOf(batch: Batch): Plan | null {
  const { plan } = batch;
  return typeof plan === 'object' && plan !== null ? readPlan(plan) : null;
}

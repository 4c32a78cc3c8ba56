import type { Batch } from '../formats/batch';
import { planSchema, type Plan } from '../formats/plan';

/** The plan a batch was begun from; null where it has none that can be read. */
export function planOf(batch: Batch): Plan | null {
  const parsed = planSchema.safeParse(batch.plan);
  return parsed.success ? parsed.data : null;
}

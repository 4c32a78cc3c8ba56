import { z } from 'zod';
import { workerCaller, type Outcome } from './callWorker';
import type { PlanJob, PlanResult } from './plan.worker';

/**
 * The moulds' answers by their status, fits by their verdict, a card's
 * conflict by its sentence; nothing where there is none.
 */
const resultSchema = z.union([
  z.null(),
  z.array(z.union([z.null(), z.looseObject({ status: z.string() })])),
  z.looseObject({ says: z.string() }),
  z.array(z.looseObject({ verdict: z.enum(['fits', 'layers', 'does-not']) })),
]) as unknown as z.ZodType<PlanResult>;

/** A copy that can be sent: what Vue watches cannot; a map stays a map. */
function plainCopy(value: unknown): unknown {
  if (value instanceof Map) return new Map([...(value as Map<unknown, unknown>)].map(([k, v]) => [k, plainCopy(v)]));
  if (Array.isArray(value)) return value.map(plainCopy);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([key, v]) => [key, plainCopy(v)]));
}

/** A worker that does one sum at a time: a newer one puts an end to an older that still runs. */
export function planWorker() {
  const caller = workerCaller<PlanJob, PlanResult>({
    begin: () => new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' }),
    answer: resultSchema,
  });
  return {
    /** @returns null where a newer sum or a stop overtook this one */
    run: (job: PlanJob, onProgress: (share: number) => void): Promise<Outcome<PlanResult>> =>
      caller.ask(plainCopy(job) as PlanJob, { onProgress }),
    stop: caller.stop,
    close: caller.close,
  };
}

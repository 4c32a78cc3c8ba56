import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import { Problem } from '../http/problem';
import { inlinePlanner, type PlanOutcome, type PlanRunner } from './planRunner';
import type { PlanJob } from './planWorker';

/** A plan that takes longer than this is given up, ms: every sum in it is bounded, so it would be a fault. */
const MAX_MS = 30_000;
/** Plans that may wait for the thread; more are refused, to be asked again. */
const MAX_WAITING = 32;
const MAX_MEMORY_MB = 512;

interface Waiting {
  readonly done: (outcome: PlanOutcome) => void;
  readonly fail: (error: Error) => void;
  readonly timer: NodeJS.Timeout;
}
type Answer = { readonly id: number } & ({ readonly outcome: PlanOutcome } | { readonly failure: string });

/**
 * Plans on a thread of their own, begun with the first plan and begun again where
 * it died. Plans here where the built thread is missing.
 */
export function threadPlanner(): PlanRunner {
  const file = fileURLToPath(new URL('./planWorker.js', import.meta.url));
  if (!existsSync(file)) return inlinePlanner();
  const waiting = new Map<number, Waiting>();
  let [next, thread] = [0, null as Worker | null];

  function failAll(error: Error): void {
    thread = null;
    for (const [id, w] of waiting) {
      clearTimeout(w.timer);
      waiting.delete(id);
      w.fail(error);
    }
  }
  function begin(): Worker {
    const worker = new Worker(file, { resourceLimits: { maxOldGenerationSizeMb: MAX_MEMORY_MB } });
    worker.on('message', (answer: Answer) => {
      const w = waiting.get(answer.id);
      if (!w) return;
      clearTimeout(w.timer);
      waiting.delete(answer.id);
      if ('outcome' in answer) w.done(answer.outcome);
      else w.fail(new Error(answer.failure));
    });
    worker.on('error', failAll);
    worker.on('exit', () => {
      if (thread === worker) failAll(new Error('The planning thread ended.'));
    });
    worker.unref();
    return worker;
  }
  return {
    run: (request, units) =>
      new Promise<PlanOutcome>((done, fail) => {
        if (waiting.size >= MAX_WAITING) {
          fail(new Problem(429, 'too-busy', 'Too many plans are being worked out at once. Try again in a moment.'));
          return;
        }
        const id = next++;
        const timer = setTimeout(() => {
          thread?.terminate().catch(() => undefined);
          failAll(new Error('A plan took too long and was given up.'));
        }, MAX_MS);
        waiting.set(id, { done, fail, timer });
        (thread ??= begin()).postMessage({ id, request, units } satisfies PlanJob);
      }),
    close: async () => {
      const worker = thread;
      thread = null;
      await worker?.terminate();
    },
  };
}

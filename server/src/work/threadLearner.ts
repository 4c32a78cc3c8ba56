import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import type { PartRange, StudioRates } from '@warm-jar/core';
import { oneAtATime } from '../store/queue';
import {
  asksFacts,
  inlineLearner,
  keepParts,
  type LearningResult,
  type LearningRunner,
  type LogJob,
  type RatesJob,
} from './learningRunner';
import type { LogChange, LogFeed, LogState, PartInBytes } from './logFeed';

/** What the thread is told: what changed in a log, what is asked of it, or which of its parts are kept. */
export type ToDesk =
  | { readonly log: string; readonly change: LogChange }
  | { readonly log: string; readonly job: LogJob }
  | { readonly log: string; readonly kept: readonly PartRange[] };
type Told<T> = { readonly share: number } | { readonly result: T };

/** The most memory that one thread may take, MB: a hundred thousand batches need a third of it. */
const MAX_MEMORY_MB = 1024;
/** How long work that nobody waits for any more may go on before its thread is ended, ms. */
const GRACE_MS = 5_000;
/** How long a thread stays when nothing is asked of it, ms: what it knows of a log takes memory. */
const IDLE_MS = 600_000;

const begun = (file: string, workerData: RatesJob | null): Worker =>
  new Worker(file, { workerData, resourceLimits: { maxOldGenerationSizeMb: MAX_MEMORY_MB } });

/** The next result of a thread. */
const resultOf = <T>(worker: Worker, onProgress: (share: number) => void): Promise<T> =>
  new Promise<T>((done) => {
    const hear = (told: Told<T>) => {
      if ('share' in told) onProgress(told.share);
      else {
        worker.off('message', hear);
        done(told.result);
      }
    };
    worker.on('message', hear);
  });

/** Fails as soon as a thread does: one that ends without a word, killed or out of memory, would be waited for without end. */
function lossOf(worker: Worker): Promise<never> {
  const lost = new Promise<never>((_, fail) => {
    worker.on('error', fail);
    worker.on('exit', (code) => {
      fail(new Error(`The thread ended with ${code} before it was done.`));
    });
  });
  // Where nobody is waiting, nobody is told.
  lost.catch(() => undefined);
  return lost;
}

interface Kept {
  readonly worker: Worker;
  readonly lost: Promise<never>;
  /** What each log had come to when it was last told of. */
  readonly upTo: Map<string, LogState>;
}

/** Tells a thread what changed in a log, and asks it. */
async function told(
  { worker, lost, upTo }: Kept,
  job: LogJob,
  log: LogFeed,
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<LearningResult> {
  const tell = (message: ToDesk) => {
    worker.postMessage(message);
  };
  const since = upTo.get(log.id) ?? null;
  // What it knows half it does not know.
  upTo.delete(log.id);
  let last = since;
  for await (const change of log.since(since, asksFacts(job))) {
    signal.throwIfAborted();
    tell({ log: log.id, change });
    last = change.upTo ?? last;
  }
  const result = resultOf<LearningResult>(worker, onProgress);
  tell({ log: log.id, job });
  const answer = await Promise.race([result, lost]);
  if (last !== null) upTo.set(log.id, last);
  return answer;
}

/** Has a thread tell which parts of a log are to be kept, and keeps them. */
async function keep({ worker, lost, upTo }: Kept, log: LogFeed): Promise<void> {
  const state = upTo.get(log.id);
  if (!state) return;
  await keepParts(log, state.at, (kept) => {
    const result = resultOf<PartInBytes[]>(worker, () => undefined);
    worker.postMessage({ log: log.id, kept } satisfies ToDesk);
    return Promise.race([result, lost]);
  });
}

/** A thread on which logs are kept, begun when it is needed. */
function keptThread(file: string) {
  let thread: Kept | null = null;
  let idle: NodeJS.Timeout | undefined;
  const end = () => {
    clearTimeout(idle);
    thread?.worker.terminate().catch(() => undefined);
    thread = null;
  };
  const begin = (): Kept => {
    if (thread) return thread;
    const worker = begun(file, null);
    // Nothing waits for a thread that waits.
    worker.unref();
    const mine = { worker, lost: lossOf(worker), upTo: new Map<string, LogState>() };
    mine.lost.catch(() => {
      if (thread === mine) thread = null;
    });
    thread = mine;
    return mine;
  };
  return {
    end,
    /** Where the thread has ended there is nothing to be kept. */
    keep: async (log: LogFeed) => (thread ? keep(thread, log) : undefined),
    ask: async (job: LogJob, log: LogFeed, onProgress: (share: number) => void, signal: AbortSignal) => {
      clearTimeout(idle);
      try {
        return await told(begin(), job, log, onProgress, signal);
      } finally {
        idle = setTimeout(end, IDLE_MS).unref();
      }
    },
  };
}

const cancelled = () => new DOMException('Cancelled.', 'AbortError');

/**
 * Works on a thread that keeps the log, told only what changed since it was last asked; one question after another.
 * Works here where the built thread is missing.
 * @param file the thread's script
 * @param graceMs how long work that nobody waits for may go on
 */
export function threadLearner(
  file = fileURLToPath(new URL('./learningWorker.js', import.meta.url)),
  graceMs = GRACE_MS,
): LearningRunner {
  if (!existsSync(file)) return inlineLearner();
  const [inTurn, thread] = [oneAtATime(), keptThread(file)];
  return {
    run: (job, log, onProgress, signal) =>
      new Promise<LearningResult>((done, fail) => {
        let late: NodeJS.Timeout | undefined;
        let isRunning = false;
        const leave = () => {
          fail(cancelled());
          if (isRunning) late = setTimeout(thread.end, graceMs).unref();
        };
        if (signal.aborted) {
          leave();
          return;
        }
        signal.addEventListener('abort', leave, { once: true });
        const work = async () => {
          signal.throwIfAborted();
          isRunning = true;
          return thread.ask(job, log, onProgress, signal);
        };
        inTurn(work)
          .finally(() => {
            clearTimeout(late);
            signal.removeEventListener('abort', leave);
          })
          .then((answer) => {
            // Before the next question, and nobody waits for it.
            void inTurn(() => thread.keep(log));
            done(answer);
          }, fail);
      }),
    rates: async (job) => {
      const worker = begun(file, job);
      try {
        return await Promise.race([resultOf<StudioRates>(worker, () => undefined), lossOf(worker)]);
      } finally {
        worker.terminate().catch(() => undefined);
      }
    },
  };
}

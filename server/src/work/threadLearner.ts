import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import { inlineLearner, type LearningResult, type LearningRunner } from './learningRunner';

type Told = { readonly share: number } | { readonly result: LearningResult };

/** The most memory that one thread may take, MB: a hundred thousand batches need a third of it. */
const MAX_MEMORY_MB = 1024;

/**
 * Works on a thread begun for the job and ended with it, or as soon as nobody
 * waits. Works here where the built thread is missing.
 * @param file the thread's script
 */
export function threadLearner(file = fileURLToPath(new URL('./learningWorker.js', import.meta.url))): LearningRunner {
  if (!existsSync(file)) return inlineLearner();
  return {
    run: (job, onProgress, signal) =>
      new Promise<LearningResult>((done, fail) => {
        if (signal.aborted) {
          fail(new DOMException('Cancelled.', 'AbortError'));
          return;
        }
        const worker = new Worker(file, {
          workerData: job,
          resourceLimits: { maxOldGenerationSizeMb: MAX_MEMORY_MB },
        });
        const end = () => {
          signal.removeEventListener('abort', cancel);
          worker.terminate().catch(() => undefined);
        };
        const cancel = () => {
          end();
          fail(new DOMException('Cancelled.', 'AbortError'));
        };
        signal.addEventListener('abort', cancel);
        worker.on('message', (told: Told) => {
          if ('share' in told) {
            onProgress(told.share);
            return;
          }
          end();
          done(told.result);
        });
        worker.on('error', (error) => {
          end();
          fail(error);
        });
        // One that ends without a word, killed or out of memory, would be waited for without end.
        worker.on('exit', (code) => {
          signal.removeEventListener('abort', cancel);
          fail(new Error(`The thread ended with ${code} before it was done.`));
        });
      }),
  };
}

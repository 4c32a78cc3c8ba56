import { z } from 'zod';
import { workerCaller } from './callWorker';

/** Looks for a code in pictures, off the page's thread; a newer picture overtakes an older. */
export const codeScanner = () =>
  workerCaller<Blob | ImageBitmap, string | null>({
    begin: () => new Worker(new URL('./scan.worker.ts', import.meta.url), { type: 'module' }),
    answer: z.string().nullable(),
  });

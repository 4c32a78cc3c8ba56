import { z } from 'zod';
import { callWorker } from './callWorker';

/** Largest picture file taken, bytes. */
export const MAX_PHOTO_BYTES = 40_000_000;

const CALL = {
  begin: () => new Worker(new URL('./photo.worker.ts', import.meta.url), { type: 'module' }),
  answer: z.instanceof(Blob),
};

/** A picture resized to be kept, without what the camera wrote beside it; null where it is no picture. */
export async function shrinkPhoto(file: File): Promise<Blob | null> {
  const outcome = await callWorker(CALL, file);
  return outcome && 'result' in outcome ? outcome.result : null;
}

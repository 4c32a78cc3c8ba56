import type { Srgb } from '@warm-jar/core';
import { z } from 'zod';
import { callWorker } from './callWorker';

const CALL = {
  begin: () => new Worker(new URL('./patch.worker.ts', import.meta.url), { type: 'module' }),
  answer: z.array(z.tuple([z.number(), z.number(), z.number()])),
};

/** Mean sRGB, 0 to 255, around places of a photo: a chosen file, or a stored one by its address; null where it cannot be read. */
export async function readPatches(
  photo: File | string,
  places: readonly { readonly x: number; readonly y: number }[],
): Promise<Srgb[] | null> {
  const outcome = await callWorker(CALL, {
    photo: typeof photo === 'string' ? new URL(photo, location.origin).href : photo,
    places: places.map(({ x, y }) => ({ x, y })),
  });
  return outcome && 'result' in outcome ? outcome.result : null;
}

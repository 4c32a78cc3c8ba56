import type { Srgb } from '@warm-jar/core';
import { z } from 'zod';
import { callWorker } from './callWorker';

const CALL = {
  begin: () => new Worker(new URL('./patch.worker.ts', import.meta.url), { type: 'module' }),
  answer: z.array(z.tuple([z.number(), z.number(), z.number()])),
};

/** Mean sRGB, 0 to 255, around places of a stored photo; null where it cannot be read. */
export async function readPatches(
  address: string,
  places: readonly { readonly x: number; readonly y: number }[],
): Promise<Srgb[] | null> {
  const outcome = await callWorker(CALL, {
    address: new URL(address, location.origin).href,
    places: places.map(({ x, y }) => ({ x, y })),
  });
  return outcome && 'result' in outcome ? outcome.result : null;
}

import type { Srgb } from '@warm-jar/core';

/** Mean sRGB, 0 to 255, around places of a stored photo; null where it cannot be read. */
export async function readPatches(
  address: string,
  places: readonly { readonly x: number; readonly y: number }[],
): Promise<Srgb[] | null> {
  const worker = new Worker(new URL('./patch.worker.ts', import.meta.url), { type: 'module' });
  try {
    return await new Promise<Srgb[] | null>((done) => {
      worker.onmessage = (event: MessageEvent<Srgb[] | null>) => {
        done(event.data);
      };
      worker.onerror = () => {
        done(null);
      };
      worker.postMessage({
        address: new URL(address, location.origin).href,
        places: places.map(({ x, y }) => ({ x, y })),
      });
    });
  } finally {
    worker.terminate();
  }
}

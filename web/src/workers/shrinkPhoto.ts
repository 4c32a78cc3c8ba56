/** Largest picture file taken, bytes. */
const MAX_BYTES = 40_000_000;

/** A picture resized to be kept, without what the camera wrote beside it; null where it is no picture. */
export async function shrinkPhoto(file: File): Promise<Blob | null> {
  if (file.size > MAX_BYTES) return null;
  const worker = new Worker(new URL('./photo.worker.ts', import.meta.url), { type: 'module' });
  try {
    return await new Promise<Blob | null>((done) => {
      worker.onmessage = (event: MessageEvent<Blob | null>) => {
        done(event.data);
      };
      worker.onerror = () => {
        done(null);
      };
      worker.postMessage(file);
    });
  } finally {
    worker.terminate();
  }
}

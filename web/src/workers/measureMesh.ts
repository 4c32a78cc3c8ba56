import { MAX_MESH_BYTES } from '@warm-jar/core';
import type { MeshAnswer } from './mesh.worker';

/** Measures a mesh file in a worker, so that the page stays quick whatever its size. */
export async function measureMesh(file: File): Promise<MeshAnswer> {
  if (file.size > MAX_MESH_BYTES) {
    return {
      ok: false,
      says: `${file.name} is ${Math.round(file.size / 1e6)} MB; at most ${MAX_MESH_BYTES / 1e6} MB are read. Export it coarser.`,
    };
  }
  const bytes = await file.arrayBuffer();
  const worker = new Worker(new URL('./mesh.worker.ts', import.meta.url), { type: 'module' });
  try {
    return await new Promise<MeshAnswer>((done) => {
      worker.onmessage = (event: MessageEvent<MeshAnswer>) => {
        done(event.data);
      };
      worker.onerror = () => {
        done({ ok: false, says: 'The mesh could not be read.' });
      };
      worker.postMessage(bytes, [bytes]);
    });
  } finally {
    worker.terminate();
  }
}

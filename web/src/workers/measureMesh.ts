import { MAX_MESH_BYTES, type MeshVolume } from '@warm-jar/core';
import { z } from 'zod';
import { callWorker } from './callWorker';

/** The measures of a mesh, or a sentence on why there are none. */
export type MeshAnswer =
  { readonly ok: true; readonly mesh: MeshVolume } | { readonly ok: false; readonly says: string };

const CALL = {
  begin: () => new Worker(new URL('./mesh.worker.ts', import.meta.url), { type: 'module' }),
  answer: z.object({
    volumeML: z.number(),
    areaCM2: z.number(),
    closed: z.boolean(),
    triangles: z.number(),
    openEdges: z.number(),
  }) satisfies z.ZodType<MeshVolume>,
};

/** Measures a mesh file in a worker, so that the page stays quick whatever its size. */
export async function measureMesh(file: File): Promise<MeshAnswer> {
  if (file.size > MAX_MESH_BYTES) {
    const size = `${Math.round(file.size / 1e6)} MB`;
    return {
      ok: false,
      says: `${file.name} is ${size}; at most ${MAX_MESH_BYTES / 1e6} MB are read. Export it coarser.`,
    };
  }
  const bytes = await file.arrayBuffer();
  const outcome = await callWorker(CALL, bytes, { transfer: [bytes] });
  if (outcome === null) return { ok: false, says: 'The mesh could not be read.' };
  return 'failure' in outcome ? { ok: false, says: outcome.failure } : { ok: true, mesh: outcome.result };
}

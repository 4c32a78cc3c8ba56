import { CoreError, meshVolume, type MeshVolume } from '@warm-jar/core';

/** What the mesh worker answers: the measures, or a sentence on why there are none. */
export type MeshAnswer =
  { readonly ok: true; readonly mesh: MeshVolume } | { readonly ok: false; readonly says: string };

self.onmessage = (event: MessageEvent<ArrayBuffer>) => {
  let answer: MeshAnswer;
  try {
    answer = { ok: true, mesh: meshVolume(new Uint8Array(event.data)) };
  } catch (error) {
    answer = { ok: false, says: error instanceof CoreError ? error.message : 'The mesh could not be read.' };
  }
  self.postMessage(answer);
};

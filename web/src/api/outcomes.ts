import { batchOutcomesSchema, type BatchOutcomes } from '@warm-jar/core';
import { read, send } from './http';

export const outcomesApi = {
  /** What a batch's causes turned out to be, and what copies of it propose. */
  of: async (code: string): Promise<BatchOutcomes> =>
    read(batchOutcomesSchema, await send(`/batches/${encodeURIComponent(code)}/outcomes`)),
};

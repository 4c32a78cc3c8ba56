import { causePageSchema, type CausePage, type UnitChoice } from '@warm-jar/core';
import { read, send } from './http';

export const guideApi = {
  /** What the guide knows of a cause, with figures in the units that are chosen. */
  cause: async (id: string, units: UnitChoice): Promise<CausePage> =>
    read(
      causePageSchema,
      await send(`/guide/causes/${encodeURIComponent(id)}?${new URLSearchParams({ ...units }).toString()}`),
    ),
};

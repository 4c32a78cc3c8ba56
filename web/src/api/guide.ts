import { mendSchema, type CausePage, type UnitChoice } from '@warm-jar/core';
import { z } from 'zod';
import { read, send } from './http';

const page = z.looseObject({ id: z.string(), title: z.string(), mend: mendSchema });

export const guideApi = {
  /** What the guide knows of a cause, with figures in the units that are chosen. */
  cause: async (id: string, units: UnitChoice): Promise<CausePage> =>
    read(
      page,
      await send(`/guide/causes/${encodeURIComponent(id)}?${new URLSearchParams({ ...units }).toString()}`),
    ) as unknown as CausePage,
};

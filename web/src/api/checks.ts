import { dueCheckListSchema, mouldSpotsSchema, type DueCheck, type MouldSpots } from '@warm-jar/core';
import { read, send } from './http';

/** Looks that are due, and what earlier pulls tell of a mould. */
export const checksApi = {
  due: async (days: number): Promise<DueCheck[]> =>
    (await read(dueCheckListSchema, await send(`/checks/due?days=${days}`))).items,
  spots: async (mould: string): Promise<MouldSpots> =>
    read(mouldSpotsSchema, await send(`/moulds/${encodeURIComponent(mould)}/spots`)),
};

import { z } from 'zod';
import { API_PREFIX } from './base';
import { read, send, withJson } from './http';

const schedule = z.object({ on: z.boolean(), folder: z.string(), everyH: z.number(), keep: z.number() });
const failure = z.object({ since: z.string(), at: z.string(), says: z.string(), tries: z.number() });
const told = z.object({ schedule, copies: z.array(z.string()), failure: failure.nullable() });
const checked = z.object({
  token: z.string(),
  madeAt: z.string(),
  photos: z.number(),
  holds: z.object({
    batches: z.number(),
    products: z.number(),
    lots: z.number(),
    moulds: z.number(),
    pieces: z.number(),
    lastChange: z.string().nullable(),
  }),
  /** Documents that are not as their format asks: what does not fit is left out of what is read. */
  misfits: z.array(z.object({ what: z.string(), code: z.string(), says: z.string() })),
  misfitCount: z.number(),
});
export type Schedule = z.infer<typeof schedule>;
export type CopyFailure = z.infer<typeof failure>;
export type Checked = z.infer<typeof checked>;

export const BACKUP_ADDRESS = `${API_PREFIX}/backup.zip`;
export const backupApi = {
  schedule: async (): Promise<z.infer<typeof told>> => read(told, await send('/backup/schedule')),
  setSchedule: async (next: Schedule): Promise<z.infer<typeof told>> =>
    read(told, await send('/backup/schedule', withJson('POST', next))),
  check: async (file: Blob): Promise<Checked> =>
    read(
      checked,
      await send('/backup/check', { method: 'POST', body: file, headers: { 'Content-Type': 'application/zip' } }),
    ),
  restore: async (token: string): Promise<string> =>
    (await read(z.object({ keptAside: z.string() }), await send('/backup/restore', withJson('POST', { token }))))
      .keptAside,
};

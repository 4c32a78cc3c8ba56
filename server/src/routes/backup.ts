import { randomUUID } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { mkdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import type { Request } from 'express';
import { z } from 'zod';
import { checkBackup, type Checked } from '../backup/checkBackup';
import { makeBackup } from '../backup/makeBackup';
import { backupName } from '../backup/manifest';
import { failureSchema, scheduleSchema, type BackupSchedule } from '../backup/schedule';
import { endpoint, streamEndpoint, type Endpoint } from '../http/endpoint';
import { Problem } from '../http/problem';
import type { Database } from '../store/database';
import { fewAtOnce } from '../work/fewAtOnce';

export interface BackupDeps {
  readonly database: Database;
  readonly dataFolder: string;
  readonly photoFolder: string;
  readonly schedule: BackupSchedule;
  readonly now: () => Date;
  readonly log: (error: unknown) => void;
  /**
   * Puts a checked copy in the place of the present data, which is kept
   * aside; tells where. Absent where this server cannot.
   */
  readonly replaceWith?: ((checked: Checked) => Promise<{ keptAside: string }>) | undefined;
}

/** Largest upload taken, bytes. */
const MAX_UPLOAD = 4_000_000_000;
/** Copies looked through that wait to be put in place. */
const MAX_WAITING = 3;
/** Copies made or looked through at once, and those that may wait: each takes the room of the whole studio. */
const [MAX_AT_ONCE, MAX_IN_LINE] = [1, 3];
/** A copy that was looked into and not put in place is cleared away after this long, ms. */
const FORGET_MS = 60 * 60_000;

/** A backup as `BackupDeps`, beside what only lives as long as the application. */
interface Backups extends BackupDeps {
  /** Copies looked through that wait to be put in place, by their token. */
  readonly waiting: Map<string, Checked>;
  readonly few: ReturnType<typeof fewAtOnce>;
}

const takeOut = ({ database, photoFolder, now, log, few }: Backups): Endpoint =>
  streamEndpoint(
    {
      method: 'get',
      path: '/backup.zip',
      summary: 'A consistent copy of everything, photos included',
      answers: { 200: { description: 'A zip', types: ['application/zip'] } },
    },
    async (_input, { response, told }) => {
      const at = now();
      const open = () => {
        // Written down when it goes out: one that cannot be made was not taken.
        told('Take a backup', '/backup.zip').catch(log);
        response.set({
          'Content-Type': 'application/zip',
          'Content-Disposition': `attachment; filename="${backupName(at)}"`,
          'Cache-Control': 'no-store',
        });
        return response;
      };
      await few.run(() => makeBackup(database, photoFolder, open, at));
    },
  );

/** Writes what is sent to a file, up to the largest that a backup can be. @throws Problem 413 */
async function receive(request: Request, file: string): Promise<void> {
  let bytes = 0;
  await pipeline(
    request,
    async function* bounded(source: AsyncIterable<Buffer>) {
      for await (const chunk of source) {
        bytes += chunk.length;
        if (bytes > MAX_UPLOAD) throw new Problem(413, 'too-large', 'The file is larger than a backup can be.');
        yield chunk;
      }
    },
    createWriteStream(file),
  );
}

/** Keeps a copy that was looked through for a while; those before it that were never put in place make room. */
async function keepWaiting({ waiting, log }: Backups, token: string, checked: Checked): Promise<void> {
  const { folder } = checked;
  for (const [old, { folder: left }] of [...waiting].slice(0, Math.max(0, waiting.size + 1 - MAX_WAITING))) {
    waiting.delete(old);
    await rm(left, { recursive: true, force: true });
  }
  waiting.set(token, checked);
  setTimeout(() => {
    if (waiting.delete(token)) rm(folder, { recursive: true, force: true }).catch(log);
  }, FORGET_MS).unref();
}

const lookThrough = (backups: Backups): Endpoint =>
  streamEndpoint(
    {
      method: 'post',
      path: '/backup/check',
      summary: 'Look a backup through; nothing is changed',
      takes: { types: ['application/zip'] },
      answers: { 200: { description: 'What it holds, and a token to restore it by', types: ['application/json'] } },
    },
    async (_input, { request, response }) => {
      const token = randomUUID();
      const folder = join(backups.dataFolder, 'restore', token);
      const file = `${folder}.zip`;
      await mkdir(join(backups.dataFolder, 'restore'), { recursive: true });
      try {
        await receive(request, file);
        const checked = await backups.few.run(() => checkBackup(file, folder));
        await keepWaiting(backups, token, checked);
        const { manifest, holds, photos, misfits, misfitCount } = checked;
        response.json({ token, madeAt: manifest.madeAt, holds, photos, misfits, misfitCount });
      } finally {
        await rm(file, { force: true });
      }
    },
  );

const restore = ({ replaceWith, waiting }: Backups): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: '/backup/restore',
      summary: 'Put a checked backup in place; the present data are kept aside',
      // Written down by whoever puts it in place: this studio's own book is closed then.
      storesNothing: true,
      body: z.object({ token: z.string().max(100) }),
      answers: {
        200: { description: 'Where the present data were kept', schema: z.object({ keptAside: z.string() }) },
      },
    },
    async ({ body }) => {
      const checked = waiting.get(body.token);
      if (!checked) throw new Problem(404, 'not-found', 'That copy is no longer waiting. Send the file again.');
      if (!replaceWith)
        throw new Problem(
          409,
          'cannot-restore',
          'This server cannot put a copy in place. Stop it and start it with npm start.',
        );
      waiting.delete(body.token);
      return { status: 200, body: await replaceWith(checked) };
    },
  );

const scheduleTold = z.object({
  schedule: scheduleSchema,
  copies: z.array(z.string()),
  /** What keeps the latest copy from being made. */
  failure: failureSchema.nullable(),
});
const stateOf = async (schedule: BackupSchedule) => ({
  schedule: await schedule.get(),
  copies: await schedule.copies(),
  failure: await schedule.failure(),
});

const readSchedule = ({ schedule }: Backups): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/backup/schedule',
      summary: 'Copies that are made by themselves',
      answers: { 200: { description: 'When, where, and those there are', schema: scheduleTold } },
    },
    async () => ({ status: 200, body: await stateOf(schedule) }),
  );

const setSchedule = ({ schedule, log }: Backups): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: '/backup/schedule',
      summary: 'Set when and where copies are made by themselves',
      body: scheduleSchema,
      answers: { 200: { description: 'As set', schema: scheduleTold } },
    },
    async ({ body }) => {
      await schedule.set(body);
      // What keeps the first copy from being made is told in the answer, and tried again.
      await schedule.runDue().catch(log);
      return { status: 200, body: await stateOf(schedule) };
    },
  );

/** A backup out as one file, one in to be looked through and put in place, and copies by themselves. */
export function backupRoutes({ backup }: { readonly backup: BackupDeps }): Endpoint[] {
  const backups: Backups = { ...backup, waiting: new Map(), few: fewAtOnce(MAX_AT_ONCE, MAX_IN_LINE) };
  return [takeOut, lookThrough, restore, readSchedule, setSchedule].map((make) => make(backups));
}

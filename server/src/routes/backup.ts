import { randomUUID } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { mkdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import express, { type Router } from 'express';
import { z } from 'zod';
import { checkBackup, type Checked } from '../backup/checkBackup';
import { makeBackup } from '../backup/makeBackup';
import { backupName } from '../backup/manifest';
import { failureSchema, scheduleSchema, type BackupSchedule } from '../backup/schedule';
import { endpoint, type Endpoint, type Told } from '../http/endpoint';
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
  /** Puts a checked copy in the place of the present data, which is kept aside; tells where. Absent where this server cannot. */
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

/** A backup out as one file, and one in to be looked through. */
export function backupRouter(
  { database, dataFolder, photoFolder, now, log }: BackupDeps,
  waiting: Map<string, Checked>,
  told: Told,
): Router {
  const router = express.Router();
  const few = fewAtOnce(MAX_AT_ONCE, MAX_IN_LINE);
  router.get('/backup.zip', async (_request, response) => {
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
  });
  router.post('/backup/check', async (request, response) => {
    const token = randomUUID();
    const folder = join(dataFolder, 'restore', token);
    const file = `${folder}.zip`;
    await mkdir(join(dataFolder, 'restore'), { recursive: true });
    try {
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
      const checked = await few.run(() => checkBackup(file, folder));
      // Those looked through before and never put in place make room.
      for (const [old, { folder: left }] of [...waiting].slice(0, Math.max(0, waiting.size + 1 - MAX_WAITING))) {
        waiting.delete(old);
        await rm(left, { recursive: true, force: true });
      }
      waiting.set(token, checked);
      setTimeout(() => {
        if (waiting.delete(token)) rm(folder, { recursive: true, force: true }).catch(log);
      }, FORGET_MS).unref();
      const { manifest, holds, photos, misfits, misfitCount } = checked;
      response.json({ token, madeAt: manifest.madeAt, holds, photos, misfits, misfitCount });
    } finally {
      await rm(file, { force: true });
    }
  });
  return router;
}

export const BACKUP_PATHS = {
  '/backup.zip': {
    get: {
      summary: 'A consistent copy of everything, photos included',
      responses: { 200: { description: 'A zip', content: { 'application/zip': {} } } },
    },
  },
  '/backup/check': {
    post: {
      summary: 'Look a backup through; nothing is changed',
      requestBody: { required: true, content: { 'application/zip': {} } },
      responses: {
        200: { description: 'What it holds, and a token to restore it by', content: { 'application/json': {} } },
      },
    },
  },
};

export function backupRoutes({ schedule, replaceWith, log }: BackupDeps, waiting: Map<string, Checked>): Endpoint[] {
  const told = z.object({
    schedule: scheduleSchema,
    copies: z.array(z.string()),
    /** What keeps the latest copy from being made. */
    failure: failureSchema.nullable(),
  });
  const state = async () => ({
    schedule: await schedule.get(),
    copies: await schedule.copies(),
    failure: await schedule.failure(),
  });
  return [
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
    ),
    endpoint(
      {
        method: 'get',
        path: '/backup/schedule',
        summary: 'Copies that are made by themselves',
        answers: { 200: { description: 'When, where, and those there are', schema: told } },
      },
      async () => ({ status: 200, body: await state() }),
    ),
    endpoint(
      {
        method: 'post',
        path: '/backup/schedule',
        summary: 'Set when and where copies are made by themselves',
        body: scheduleSchema,
        answers: { 200: { description: 'As set', schema: told } },
      },
      async ({ body }) => {
        await schedule.set(body);
        // What keeps the first copy from being made is told in the answer, and tried again.
        await schedule.runDue().catch(log);
        return { status: 200, body: await state() };
      },
    ),
  ];
}

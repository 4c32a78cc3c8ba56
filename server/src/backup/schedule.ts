import { randomUUID } from 'node:crypto';
import { mkdir, readdir, rm, writeFile } from 'node:fs/promises';
import { isAbsolute, join } from 'node:path';
import { z } from 'zod';
import { Problem } from '../http/problem';
import type { Database } from '../store/database';
import { backupToFile } from './makeBackup';
import { BACKUP_NAME, backupName } from './manifest';

/** Where copies go by themselves, how often, and how many are kept. */
export const scheduleSchema = z.object({
  on: z.boolean(),
  folder: z
    .string()
    .min(1, 'Name a folder.')
    .max(1000)
    .refine((text) => !/\p{Cc}/u.test(text), { error: 'Write the folder on one line.' }),
  everyH: z
    .number('Write a number of hours.')
    .min(1, 'At least an hour apart.')
    .max(24 * 31, 'At most a month apart.'),
  keep: z.number('Write how many to keep.').int('Write a whole number.').min(1, 'Keep at least one.').max(1000),
});
export type Schedule = z.infer<typeof scheduleSchema>;

const [KEY, FAILURE_KEY] = ['backup', 'backup-failure'];
/** A copy dated so much ahead is of a clock that was wrong, ms: it keeps no other from being made. */
const AHEAD_MS = 60_000;
const HOUR_MS = 3_600_000;
/** How often it is looked whether a copy is due, ms. */
const LOOK_MS = 5 * 60_000;

export interface BackupSchedule {
  readonly get: () => Promise<Schedule>;
  /** @throws Problem 400 where the folder cannot be used */
  readonly set: (schedule: Schedule) => Promise<Schedule>;
  /** What kept the latest copy from being made; null where it was made. It is tried again every five minutes. */
  readonly failure: () => Promise<CopyFailure | null>;
  /** Names of the copies in the folder, newest first. */
  readonly copies: () => Promise<string[]>;
  /**
   * Makes a copy where one is due, and clears away the oldest beyond those kept;
   * tells its name. What fails is kept as `failure` too.
   */
  readonly runDue: () => Promise<string | null>;
  readonly begin: () => void;
  /** Makes no more copies; resolves when the one under way is done. */
  readonly end: () => Promise<void>;
}

const dateOf = (name: string) => Date.parse(`${name.slice(9, 19)}T${name.slice(20, 22)}:${name.slice(23, 25)}:00Z`);

/** Makes the folder where it is missing, in one that is there, and writes into it to see that it can be. */
async function usable(folder: string): Promise<void> {
  await mkdir(folder).catch((error: NodeJS.ErrnoException) => {
    if (error.code !== 'EEXIST') throw error;
  });
  await readdir(folder);
  const trial = join(folder, `.warm-jar-${randomUUID()}`);
  await writeFile(trial, '');
  await rm(trial, { force: true });
}

/** Why a copy could not be made, for people. */
function failureWords(error: unknown, folder: string): string {
  const code = (error as NodeJS.ErrnoException | null)?.code;
  if (code === 'ENOSPC') return `The disk of ${folder} is full. Make room, or keep fewer copies.`;
  if (code === 'ENOTDIR' || code === 'EEXIST') return `${folder} is no folder. Choose another.`;
  if (code === 'ENOENT') return `${folder} is not there. Is the disk plugged in?`;
  if (code === 'EACCES' || code === 'EPERM' || code === 'EROFS')
    return `${folder} may not be written to. Give this user the right, or choose another.`;
  return `The copy into ${folder} failed. Look at the disk, or choose another folder.`;
}

/** What kept the latest copy from being made. */
export const failureSchema = z.object({
  /** When it first failed, and when it was tried last. */
  since: z.string(),
  at: z.string(),
  says: z.string(),
  tries: z.number().int(),
});
export type CopyFailure = z.infer<typeof failureSchema>;

interface ScheduleOptions {
  readonly dataFolder: string;
  readonly photoFolder: string;
  readonly now: () => Date;
  readonly log: (error: unknown) => void;
}

/** One of the studio's settings, by its key. */
async function setting<T>({ models }: Database, key: string, schema: z.ZodType<T>): Promise<T | null> {
  const row = await models.settings.findByPk(key);
  const stored = row && schema.safeParse(JSON.parse(row.value));
  return stored?.success ? stored.data : null;
}

const keepSetting = ({ models, write }: Database, key: string, value: unknown) =>
  write(async (transaction) => {
    await models.settings.upsert({ key, value: JSON.stringify(value) }, { transaction });
  });

const copiesIn = async (folder: string) =>
  (await readdir(folder).catch(() => []))
    .filter((name) => BACKUP_NAME.test(name))
    .sort()
    .reverse();

/** Makes the copy that is due; null where none is. */
async function makeDue(database: Database, options: ScheduleOptions, schedule: Schedule): Promise<string | null> {
  const { on, folder, everyH, keep } = schedule;
  if (!on) return null;
  const now = options.now();
  const past = async () => (await copiesIn(folder)).filter((name) => dateOf(name) <= now.getTime() + AHEAD_MS);
  const [last] = await past();
  if (last && now.getTime() - dateOf(last) < everyH * HOUR_MS) return null;
  await usable(folder);
  const name = backupName(now);
  await backupToFile(database, options.photoFolder, join(folder, name), now);
  // Only files that a schedule made are cleared away, never anything else in the folder.
  for (const old of (await past()).slice(keep)) await rm(join(folder, old), { force: true });
  return name;
}

/** @throws Problem 400 for a folder that no copy can be put in */
async function requireUsable(folder: string): Promise<void> {
  if (!isAbsolute(folder))
    throw new Problem(400, 'invalid-input', 'Write the folder from the root, such as /srv/copies.', [
      { path: 'folder', message: 'Must begin at the root.' },
    ]);
  await usable(folder).catch((cause: unknown) => {
    const message = 'Choose a folder that this computer may write to; the one it lies in must be there.';
    const says = `The folder ${folder} cannot be made or used.`;
    throw new Problem(400, 'folder-not-usable', says, [{ path: 'folder', message }], { cause });
  });
}

/** What kept the latest copy from being made, as it is kept itself. */
function failureNotes(database: Database, now: () => Date) {
  const read = () => setting<CopyFailure>(database, FAILURE_KEY, failureSchema);
  return {
    read,
    forget: () =>
      database.write((transaction) => database.models.settings.destroy({ where: { key: FAILURE_KEY }, transaction })),
    keep: async (error: unknown, folder: string): Promise<void> => {
      const before = await read();
      const at = now().toISOString();
      const told: CopyFailure = {
        since: before?.since ?? at,
        at,
        says: failureWords(error, folder),
        tries: (before?.tries ?? 0) + 1,
      };
      await keepSetting(database, FAILURE_KEY, told);
    },
  };
}

/** Copies that are made by themselves, as often as was set. */
export function backupSchedule(database: Database, options: ScheduleOptions): BackupSchedule {
  const usual: Schedule = { on: false, folder: join(options.dataFolder, 'backups'), everyH: 24, keep: 14 };
  const failures = failureNotes(database, options.now);
  let [timer, running]: [NodeJS.Timeout | null, Promise<string | null> | null] = [null, null];
  const get = async () => (await setting<Schedule>(database, KEY, scheduleSchema)) ?? usual;
  async function makeAndTell(): Promise<string | null> {
    const schedule = await get();
    try {
      const name = await makeDue(database, options, schedule);
      if (name !== null) await failures.forget();
      return name;
    } catch (error) {
      await failures.keep(error, schedule.folder);
      throw error;
    }
  }
  // One at a time: a copy that takes long is not begun again beside itself.
  const runDue = () =>
    (running ??= makeAndTell().finally(() => {
      running = null;
    }));
  return {
    get,
    set: async (schedule) => {
      await requireUsable(schedule.folder);
      await keepSetting(database, KEY, schedule);
      await failures.forget();
      return schedule;
    },
    failure: failures.read,
    copies: async () => copiesIn((await get()).folder),
    runDue,
    begin: () => {
      const look = () => {
        runDue().catch(options.log);
      };
      timer = setInterval(look, LOOK_MS);
      timer.unref();
      look();
    },
    end: async () => {
      if (timer) clearInterval(timer);
      await running?.catch(() => null);
    },
  };
}

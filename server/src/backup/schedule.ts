import { constants } from 'node:fs';
import { access, mkdir, readdir, rm } from 'node:fs/promises';
import { isAbsolute, join } from 'node:path';
import { z } from 'zod';
import { Problem } from '../http/problem';
import type { Database } from '../store/database';
import { backupToFile } from './makeBackup';
import { BACKUP_NAME, backupName } from './manifest';

/** Where copies go by themselves, how often, and how many are kept. */
export const scheduleSchema = z.object({
  on: z.boolean(),
  folder: z.string().min(1, 'Name a folder.').max(1000),
  everyH: z
    .number('Write a number of hours.')
    .min(1, 'At least an hour apart.')
    .max(24 * 31, 'At most a month apart.'),
  keep: z.number('Write how many to keep.').int('Write a whole number.').min(1, 'Keep at least one.').max(1000),
});
export type Schedule = z.infer<typeof scheduleSchema>;

const KEY = 'backup';
const HOUR_MS = 3_600_000;
/** How often it is looked whether a copy is due, ms. */
const LOOK_MS = 5 * 60_000;

export interface BackupSchedule {
  readonly get: () => Promise<Schedule>;
  /** @throws Problem 400 where the folder cannot be used */
  readonly set: (schedule: Schedule) => Promise<Schedule>;
  /** Names of the copies in the folder, newest first. */
  readonly copies: () => Promise<string[]>;
  /** Makes a copy where one is due, and clears away the oldest beyond those kept; tells its name. */
  readonly runDue: () => Promise<string | null>;
  readonly begin: () => void;
  readonly end: () => void;
}

const dateOf = (name: string) => Date.parse(`${name.slice(9, 19)}T${name.slice(20, 22)}:${name.slice(23, 25)}:00Z`);

/** Makes the folder where it is missing, in one that is there, and sees that it may be written to. */
async function usable(folder: string): Promise<void> {
  await mkdir(folder).catch((error: NodeJS.ErrnoException) => {
    if (error.code !== 'EEXIST') throw error;
  });
  await access(folder, constants.W_OK | constants.R_OK);
}

export function backupSchedule(
  database: Database,
  options: { dataFolder: string; photoFolder: string; now: () => Date; log: (error: unknown) => void },
): BackupSchedule {
  const { models, write } = database;
  const usual: Schedule = { on: false, folder: join(options.dataFolder, 'backups'), everyH: 24, keep: 14 };
  let [timer, running]: [NodeJS.Timeout | null, Promise<string | null> | null] = [null, null];
  const get = async (): Promise<Schedule> => {
    const row = await models.settings.findByPk(KEY);
    return row ? scheduleSchema.parse(JSON.parse(row.value)) : usual;
  };
  const copiesIn = async (folder: string) =>
    (await readdir(folder).catch(() => []))
      .filter((name) => BACKUP_NAME.test(name))
      .sort()
      .reverse();
  async function make(): Promise<string | null> {
    const { on, folder, everyH, keep } = await get();
    if (!on) return null;
    const now = options.now();
    const [last] = await copiesIn(folder);
    if (last && now.getTime() - dateOf(last) < everyH * HOUR_MS) return null;
    await usable(folder);
    const name = backupName(now);
    await backupToFile(database, options.photoFolder, join(folder, name), now);
    // Only files that a schedule made are cleared away, never anything else in the folder.
    for (const old of (await copiesIn(folder)).slice(keep)) await rm(join(folder, old), { force: true });
    return name;
  }
  // One at a time: a copy that takes long is not begun again beside itself.
  const runDue = () =>
    (running ??= make().finally(() => {
      running = null;
    }));
  return {
    get,
    set: async (schedule) => {
      if (!isAbsolute(schedule.folder))
        throw new Problem(400, 'invalid-input', 'Write the folder from the root, such as /srv/copies.', [
          { path: 'folder', message: 'Must begin at the root.' },
        ]);
      await usable(schedule.folder).catch((cause: unknown) => {
        throw new Problem(
          400,
          'folder-not-usable',
          `The folder ${schedule.folder} cannot be made or used.`,
          [
            {
              path: 'folder',
              message: 'Choose a folder that this computer may write to; the one it lies in must be there.',
            },
          ],
          { cause },
        );
      });
      await write(async (transaction) => {
        await models.settings.upsert({ key: KEY, value: JSON.stringify(schedule) }, { transaction });
      });
      return schedule;
    },
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
    end: () => {
      if (timer) clearInterval(timer);
    },
  };
}

import { existsSync } from 'node:fs';
import { cp, mkdir, rename, rm } from 'node:fs/promises';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { dirname, join } from 'node:path';
import { actorNow } from './access/actor';
import type { Checked } from './backup/checkBackup';
import { DATABASE_NAME, PHOTO_FOLDER } from './backup/manifest';
import { keepMachineSettings, machineSettings, type MachineSettings } from './store/machineSettings';
import { lookRound } from './lookRound';
import { openStudio, type Studio, type StudioOptions } from './studio';
import type { PlanRunner } from './work/planRunner';

/** A studio that can give way to another one under the same address: a restored backup. */
export interface HostedStudio {
  /** The studio that is open now. */
  readonly current: () => Studio;
  readonly handle: (request: IncomingMessage, response: ServerResponse) => void;
  readonly close: () => Promise<void>;
}

const SUFFIXES = ['', '-wal', '-shm'];

/** Where the present data go while others take their place. */
async function folderAside(dataFolder: string): Promise<string> {
  const aside = join(dataFolder, 'aside', new Date().toISOString().replaceAll(/[:.]/g, '-'));
  await mkdir(aside, { recursive: true });
  return aside;
}

/** Moves a closed studio's file aside and a checked copy into its place; the machine's own settings stay. */
async function swap(file: string, kept: string, checked: Checked, own: MachineSettings): Promise<void> {
  await rename(file, kept);
  for (const suffix of SUFFIXES.slice(1)) await rm(`${file}${suffix}`, { force: true });
  await rename(join(checked.folder, DATABASE_NAME), file);
  // Photos are named by their content: those here stay, those of the backup come beside them.
  const photos = join(dirname(file), PHOTO_FOLDER);
  await cp(join(checked.folder, PHOTO_FOLDER), photos, { recursive: true, force: false });
  await keepMachineSettings(file, own);
}

/** Puts the file that was moved aside back where it was. */
async function putBack(file: string, kept: string): Promise<void> {
  if (!existsSync(kept)) return;
  for (const suffix of SUFFIXES) await rm(`${file}${suffix}`, { force: true });
  await cp(kept, file);
}

const RESTORING = JSON.stringify({
  error: {
    code: 'restoring',
    message: 'A backup is being put in place. Try again in a moment.',
    issues: [],
  },
});

type HostOptions = Omit<StudioOptions, 'replaceWith' | 'lookRound'> & {
  readonly schedule?: boolean;
  /** Planners of a look-round's own. */
  readonly anotherPlanner?: () => PlanRunner;
};

const besideOf = ({ webRoot, access, clock, learner, anotherPlanner, log }: HostOptions, own: () => Studio) =>
  lookRound({
    webRoot,
    access: access ?? { mode: 'local' },
    clock,
    learner,
    planner: anotherPlanner,
    log: log ?? console.error,
    own,
  });

export async function hostStudio(options: HostOptions): Promise<HostedStudio> {
  const dataFolder = dirname(options.file);
  let busy = false;

  /** Moves the present data aside, the checked ones into their place, and opens them. What cannot be done is undone. */
  async function replaceWith(checked: Checked): Promise<{ keptAside: string }> {
    const aside = await folderAside(dataFolder);
    const kept = join(aside, DATABASE_NAME);
    const was = studio;
    busy = true;
    try {
      const own = await machineSettings(studio.database);
      await studio.close();
      try {
        await swap(options.file, kept, checked, own);
        studio = await begin();
      } catch (error) {
        await putBack(options.file, kept);
        studio = await begin();
        throw error;
      }
      await rm(checked.folder, { recursive: true, force: true });
    } finally {
      busy = false;
    }
    await studio.people.did(actorNow(), 'Put a backup in place', '/backup/restore').catch(options.log ?? console.error);
    was.bus.publishReplaced();
    return { keptAside: aside };
  }

  async function begin(): Promise<Studio> {
    const next = await openStudio({ ...options, replaceWith, lookRound: beside });
    if (options.schedule) next.schedule.begin();
    return next;
  }
  const beside = besideOf(options, () => studio);
  // What was sent to be looked through before a restart waits for nobody.
  await rm(join(dataFolder, 'restore'), { recursive: true, force: true });
  let studio = await begin();
  return {
    current: () => studio,
    handle: (request, response) => {
      if (beside.takes(request)) beside.handle(request, response);
      else if (busy) response.writeHead(503, { 'Content-Type': 'application/json', 'Retry-After': '2' }).end(RESTORING);
      else studio.app(request, response);
    },
    close: async () => {
      await beside.end();
      await studio.close();
    },
  };
}

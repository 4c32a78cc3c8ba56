import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sqlite3 from 'sqlite3';
import { z } from 'zod';

/** Who holds a folder: told to whoever finds it taken. */
const ownerSchema = z.object({ pid: z.number().int(), address: z.string().nullable(), since: z.string() });
export type Owner = z.infer<typeof ownerSchema>;

/** Thrown where another server holds the folder; `owner` is null where it did not say who it is. */
export class FolderTaken extends Error {
  constructor(
    readonly folder: string,
    readonly owner: Owner | null,
  ) {
    super(`Another server holds ${folder}.`);
    this.name = 'FolderTaken';
  }
}

/** A folder held for as long as this process lives, however it ends. */
export interface FolderLock {
  /** Says where the holder serves, for whoever comes next. */
  readonly tell: (address: string) => void;
  readonly release: () => Promise<void>;
}

/**
 * The lock is the operating system's own, on this file: it goes with the
 * process, killed or not, and no pid is mistaken.
 */
const LOCK_NAME = 'warm-jar.lock';
/** Who it is stands beside it, readable while the lock is held. */
const OWNER_NAME = 'warm-jar.owner.json';

/** What the holder wrote of itself; null where nothing can be read. */
export function ownerOf(folder: string): Owner | null {
  try {
    return ownerSchema.parse(JSON.parse(readFileSync(join(folder, OWNER_NAME), 'utf8')));
  } catch {
    return null;
  }
}

/**
 * Takes a folder for one server.
 * @throws FolderTaken where another one has it; the system's error where the folder cannot be made or written to
 */
export async function lockFolder(folder: string): Promise<FolderLock> {
  mkdirSync(folder, { recursive: true });
  const held = await new Promise<sqlite3.Database>((done, fail) => {
    const opened = new sqlite3.Database(join(folder, LOCK_NAME), (error) => {
      if (error) fail(error);
      else done(opened);
    });
  });
  const close = () =>
    new Promise<void>((done) => {
      held.close(() => {
        done();
      });
    });
  await new Promise<void>((done, fail) => {
    held.exec('PRAGMA busy_timeout = 0; PRAGMA journal_mode = MEMORY; BEGIN EXCLUSIVE', (error) => {
      if (error) fail(error);
      else done();
    });
  }).catch(async (error: unknown) => {
    await close();
    throw (error as { code?: unknown }).code === 'SQLITE_BUSY' ? new FolderTaken(folder, ownerOf(folder)) : error;
  });
  const own: Owner = { pid: process.pid, address: null, since: new Date().toISOString() };
  const write = (owner: Owner) => {
    writeFileSync(join(folder, OWNER_NAME), `${JSON.stringify(owner)}\n`);
  };
  write(own);
  return {
    tell: (address) => {
      write({ ...own, address });
    },
    release: async () => {
      rmSync(join(folder, OWNER_NAME), { force: true });
      await close();
    },
  };
}

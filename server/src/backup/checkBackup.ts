import { createWriteStream } from 'node:fs';
import { mkdir, readFile, rm, stat } from 'node:fs/promises';
import { basename, join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import type { Readable } from 'node:stream';
import { QueryTypes } from 'sequelize';
import { openPromise, type Entry, type ZipFile } from 'yauzl';
import { Problem } from '../http/problem';
import { openDatabase } from '../store/database';
import { MIGRATIONS } from '../store/migrations';
import { countsOf } from './makeBackup';
import { DATABASE_NAME, MANIFEST_NAME, PHOTO_FOLDER, PHOTO_NAME, manifestSchema, type Manifest } from './manifest';

/** Largest database unpacked, bytes; a zip that claims more is not ours. */
const MOST_BYTES = 8_000_000_000;
const bad = (message: string) => new Problem(400, 'not-a-backup', message, [{ path: 'body', message }]);

/** A file of the zip that belongs to a backup, and the name it is kept under; null for what does not. */
function keptAs(name: string): string | null {
  if (name === MANIFEST_NAME || name === DATABASE_NAME) return name;
  const photo = name.startsWith(`${PHOTO_FOLDER}/`) ? name.slice(PHOTO_FOLDER.length + 1) : '';
  return PHOTO_NAME.test(photo) && basename(photo) === photo ? join(PHOTO_FOLDER, photo) : null;
}

async function unpack(file: string, folder: string): Promise<void> {
  await mkdir(join(folder, PHOTO_FOLDER), { recursive: true });
  let zip: ZipFile;
  try {
    zip = await openPromise(file, { lazyEntries: true, autoClose: true });
  } catch (cause) {
    throw new Problem(
      400,
      'not-a-backup',
      'This is no zip file, or it is cut short.',
      [{ path: 'body', message: 'Choose a backup made by Warm Jar.' }],
      { cause },
    );
  }
  await new Promise<void>((done, fail) => {
    zip.on('error', (error: Error) => {
      fail(bad(`The zip cannot be read: ${error.message}.`));
    });
    zip.on('end', () => {
      done();
    });
    zip.on('entry', (entry: Entry) => {
      const name = keptAs(entry.fileName);
      if (name === null) {
        zip.readEntry();
        return;
      }
      if (entry.uncompressedSize > MOST_BYTES) {
        fail(bad(`${entry.fileName} is larger than a studio's database can be.`));
        return;
      }
      zip.openReadStream(entry, (error: Error | null, stream: Readable) => {
        if (error) {
          fail(bad(`${entry.fileName} cannot be read: ${error.message}.`));
          return;
        }
        pipeline(stream, createWriteStream(join(folder, name))).then(
          () => {
            zip.readEntry();
          },
          (cause: unknown) => {
            fail(cause instanceof Error ? cause : new Error(String(cause)));
          },
        );
      });
    });
    zip.readEntry();
  });
}

/** Opens the copy by itself, brings it to this version's schema, and counts what it holds. */
async function lookInto(file: string): Promise<Manifest['holds']> {
  let database;
  try {
    database = await openDatabase(file, { migrate: false });
  } catch (cause) {
    throw new Problem(
      400,
      'not-a-backup',
      'The database in it cannot be opened.',
      [{ path: 'body', message: 'Choose another backup.' }],
      { cause },
    );
  }
  try {
    const [sound] = await database.sequelize
      .query<{ integrity_check: string }>('PRAGMA integrity_check', { type: QueryTypes.SELECT })
      .catch(() => []);
    if (sound?.integrity_check !== 'ok') throw bad('The database in it is damaged. Choose another backup.');
    const tables = await database.sequelize.query<{ name: string }>(
      "SELECT name FROM sqlite_master WHERE type = 'table' AND name = 'migrations'",
      { type: QueryTypes.SELECT },
    );
    if (tables.length === 0) throw bad('The database in it is not a studio of Warm Jar.');
    const applied = await database.sequelize.query<{ name: string }>('SELECT name FROM migrations', {
      type: QueryTypes.SELECT,
    });
    const known = new Set(MIGRATIONS.map((m) => m.name));
    if (applied.some((m) => !known.has(m.name)))
      throw bad('It was made by a newer Warm Jar. Update this one first; nothing was changed.');
    await database.migrate();
    return await countsOf(database);
  } finally {
    await database.close();
  }
}

/** An unpacked backup that was found sound. */
export interface Checked {
  readonly folder: string;
  readonly manifest: Manifest;
  readonly holds: Manifest['holds'];
  readonly photos: number;
}

/**
 * Unpacks a backup into a folder of its own and looks it through.
 * @throws Problem 400 `not-a-backup`; the folder is gone then
 */
export async function checkBackup(file: string, folder: string): Promise<Checked> {
  try {
    await unpack(file, folder);
    const text = await readFile(join(folder, MANIFEST_NAME), 'utf8').catch(() => null);
    if (
      text === null ||
      !(await stat(join(folder, DATABASE_NAME)).then(
        () => true,
        () => false,
      ))
    )
      throw bad('The zip is not a backup of Warm Jar: manifest or database is missing.');
    const manifest = manifestSchema.safeParse(JSON.parse(text));
    if (!manifest.success) throw bad('Its manifest cannot be read.');
    return {
      folder,
      manifest: manifest.data,
      holds: await lookInto(join(folder, DATABASE_NAME)),
      photos: manifest.data.photos,
    };
  } catch (error) {
    await rm(folder, { recursive: true, force: true });
    throw error instanceof SyntaxError ? bad('Its manifest cannot be read.') : error;
  }
}

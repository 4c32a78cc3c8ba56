import { existsSync } from 'node:fs';
import { readFile, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { QueryTypes } from 'sequelize';
import { Problem } from '../http/problem';
import { openDatabase } from '../store/database';
import { MIGRATIONS } from '../store/migrations';
import { misfitsOf, type Misfit } from './documentCheck';
import { countsOf } from './makeBackup';
import { DATABASE_NAME, MANIFEST_NAME, manifestSchema, type Manifest } from './manifest';
import { differencesFromOwn, schemaOf } from './schemaCheck';
import { unpackBackup } from './unpackBackup';

const bad = (message: string, cause?: unknown) =>
  new Problem(400, 'not-a-backup', message, [{ path: 'body', message }], cause === undefined ? undefined : { cause });
const damaged = (cause: unknown) =>
  bad('The zip is damaged: what is in it does not come out as it went in. Fetch it again, or choose another.', cause);

/** Opens the copy by itself, read only, and holds its schema against ours. @throws Problem 400 */
async function requireOwnSchema(file: string): Promise<void> {
  const found = await schemaOf(file).catch((cause: unknown) => {
    throw bad('The database in it cannot be opened. Choose another backup.', cause);
  });
  if (!found.objects.some((o) => o.name === 'migrations')) throw bad('The database in it is not a studio of Warm Jar.');
  const known = MIGRATIONS.map((m) => m.name);
  if (found.steps.some((step) => !known.includes(step)))
    throw bad('It was made by a newer Warm Jar. Update this one first; nothing was changed.');
  const differences = await differencesFromOwn(found);
  if (differences.length > 0)
    throw bad(
      `The database in it is not as Warm Jar makes it: ${differences.slice(0, 5).join('; ')}. Choose another backup.`,
    );
}

/** Opens the copy by itself, brings it to this version's schema, counts what it holds and reads every document. */
async function lookInto(file: string): Promise<Pick<Checked, 'holds' | 'misfits' | 'misfitCount'>> {
  await requireOwnSchema(file);
  const database = await openDatabase(file, { migrate: false });
  try {
    const [sound] = await database.sequelize
      .query<{ integrity_check: string }>('PRAGMA integrity_check', { type: QueryTypes.SELECT })
      .catch(() => []);
    if (sound?.integrity_check !== 'ok') throw bad('The database in it is damaged. Choose another backup.');
    await database.migrate();
    const { unreadable, misfits, misfitCount } = await misfitsOf(database);
    const [first] = unreadable;
    if (first)
      throw bad(
        `${unreadable.length} of its records cannot be read at all, such as ${first.what} ${first.code} (${first.says}). Choose another backup.`,
      );
    return { holds: await countsOf(database), misfits, misfitCount };
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
  /** Documents that are not as their format asks: what does not fit is left out of what is read. The first of them. */
  readonly misfits: readonly Misfit[];
  readonly misfitCount: number;
}

/**
 * Unpacks a backup into a folder of its own and looks it through.
 * @throws Problem 400 `not-a-backup`; the folder is gone then
 */
export async function checkBackup(file: string, folder: string): Promise<Checked> {
  try {
    await unpackBackup(file, folder, damaged, bad);
    const text = await readFile(join(folder, MANIFEST_NAME), 'utf8').catch(() => null);
    if (text === null || !existsSync(join(folder, DATABASE_NAME)))
      throw bad('The zip is not a backup of Warm Jar: manifest or database is missing.');
    const manifest = manifestSchema.safeParse(JSON.parse(text));
    if (!manifest.success) throw bad('Its manifest cannot be read.');
    return {
      folder,
      manifest: manifest.data,
      photos: manifest.data.photos,
      ...(await lookInto(join(folder, DATABASE_NAME))),
    };
  } catch (error) {
    await rm(folder, { recursive: true, force: true });
    throw error instanceof SyntaxError ? bad('Its manifest cannot be read.') : error;
  }
}

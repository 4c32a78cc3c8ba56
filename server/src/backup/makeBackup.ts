import { createWriteStream, existsSync } from 'node:fs';
import { mkdtemp, readdir, rename, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import type { Writable } from 'node:stream';
import { ZipArchive, type ZipEntryData } from 'archiver';
import { QueryTypes } from 'sequelize';
import type { Database } from '../store/database';
import { BACKUP_FORMAT, DATABASE_NAME, MANIFEST_NAME, PHOTO_FOLDER, PHOTO_NAME, type Manifest } from './manifest';

/** What a database holds, counted. */
export async function countsOf({ sequelize }: Pick<Database, 'sequelize'>): Promise<Manifest['holds']> {
  const count = async (table: string) =>
    (await sequelize.query<{ n: number }>(`SELECT COUNT(*) AS n FROM ${table}`, { type: QueryTypes.SELECT }))[0]?.n ??
    0;
  const [batches, products, lots, moulds, pieces] = [
    await count('batches'),
    await count('products'),
    await count('lots'),
    await count('moulds'),
    await count('pieces'),
  ];
  const [last] = await sequelize.query<{ at: string | null }>('SELECT MAX(at) AS at FROM batch_history', {
    type: QueryTypes.SELECT,
  });
  return { batches, products, lots, moulds, pieces, lastChange: last?.at ?? null };
}

/**
 * Writes one whole, consistent copy of the database to a new file, while others go on writing.
 * @param file must not exist
 */
export async function copyDatabase({ sequelize }: Pick<Database, 'sequelize'>, file: string): Promise<void> {
  await sequelize.query('VACUUM INTO ?', { replacements: [file] });
}

/**
 * Writes a backup: database and photos in one zip.
 * @param open opens where the zip goes, once there is something to write; ended when it is whole
 */
export async function makeBackup(
  database: Database,
  photoFolder: string,
  open: () => Writable,
  now: Date,
): Promise<Manifest> {
  const folder = await mkdtemp(join(tmpdir(), 'warm-jar-backup-'));
  try {
    const copy = join(folder, DATABASE_NAME);
    await copyDatabase(database, copy);
    const photos = existsSync(photoFolder) ? (await readdir(photoFolder)).filter((name) => PHOTO_NAME.test(name)) : [];
    const manifest: Manifest = {
      format: BACKUP_FORMAT,
      madeAt: now.toISOString(),
      holds: await countsOf(database),
      photos: photos.length,
    };
    const zip = new ZipArchive({ zlib: { level: 6 } });
    zip.append(`${JSON.stringify(manifest, null, 2)}\n`, { name: MANIFEST_NAME });
    zip.file(copy, { name: DATABASE_NAME });
    // Pictures are packed already.
    for (const name of photos)
      zip.file(join(photoFolder, name), { name: `${PHOTO_FOLDER}/${name}`, store: true } as ZipEntryData);
    // Together: who hangs up in the middle of a download fails the one while the other is still being waited for.
    await Promise.all([pipeline(zip, open()), zip.finalize()]);
    return manifest;
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** Writes a backup to a file, whole or not at all. */
export async function backupToFile(
  database: Database,
  photoFolder: string,
  file: string,
  now: Date,
): Promise<Manifest> {
  const part = `${file}.part`;
  try {
    const manifest = await makeBackup(database, photoFolder, () => createWriteStream(part), now);
    await rename(part, file);
    return manifest;
  } catch (error) {
    await rm(part, { force: true });
    throw error;
  }
}

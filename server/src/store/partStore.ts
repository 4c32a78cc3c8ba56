import { randomUUID } from 'node:crypto';
import { mkdir, readFile, readdir, rename, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { crc32 } from 'node:zlib';
import { COLUMNS_FORM, type PartRange } from '@warm-jar/core';
import { QueryTypes } from 'sequelize';
import type { PartInBytes } from '../work/logFeed';
import type { Database } from './database';

/** A part that is kept, as the table names it. */
export interface KeptPart {
  readonly id: string;
  readonly form: string;
  readonly checksum: number;
  readonly range: PartRange;
}
type Stored = KeptPart & Pick<PartInBytes, 'batches'>;

/**
 * Parts of the log as columns, for when it is asked of next: each a file beside the database, which never changes. The
 * table knows which of them hold, by triggers of the log itself; what a file misses or nobody can read is worked out anew.
 */
export interface PartStore {
  /** The columns of a part; null where they cannot be read: it is no longer held to be kept then. */
  readonly read: (part: KeptPart) => Promise<Uint8Array | null>;
  /** Keeps parts, unless the log has changed since. @param at the last change of facts that they know of */
  readonly keep: (parts: readonly PartInBytes[], at: number) => Promise<void>;
}

/** What wrote a file must be what reads it. */
const FORM = `${process.versions.v8} ${COLUMNS_FORM}`;
const ID = /^[0-9a-f-]{36}$/;
const SUFFIX = '.columns';

/** @param folder where the files lie; made when the first of them comes */
export function partStore({ sequelize, write }: Database, folder: string): PartStore {
  const fileOf = (id: string) => join(folder, `${id}${SUFFIX}`);

  async function store({ range, batches, bytes }: PartInBytes): Promise<Stored> {
    const id = randomUUID();
    // Half a file never bears its name.
    await writeFile(`${fileOf(id)}.new`, bytes);
    await rename(`${fileOf(id)}.new`, fileOf(id));
    return { id, form: FORM, checksum: crc32(bytes), range, batches };
  }

  /** Files that the table knows nothing of. */
  async function clear(): Promise<void> {
    const rows = await sequelize.query<{ id: string }>('SELECT id FROM kept_parts', { type: QueryTypes.SELECT });
    const known = new Set(rows.map(({ id }) => `${id}${SUFFIX}`));
    for (const name of await readdir(folder)) if (!known.has(name)) await rm(join(folder, name), { force: true });
  }

  /** What nobody can read is not kept: its part is worked out anew, and kept then. */
  const forget = (id: string) =>
    write((transaction) => sequelize.query('DELETE FROM kept_parts WHERE id = ?', { replacements: [id], transaction }));

  return {
    read: async ({ id, form, checksum }) => {
      const isOurs = form === FORM && ID.test(id);
      const bytes = isOurs ? await readFile(fileOf(id)).catch(() => null) : null;
      if (bytes !== null && crc32(bytes) === checksum) return bytes;
      await forget(id).catch(() => undefined);
      return null;
    },
    keep: async (parts, at) => {
      await mkdir(folder, { recursive: true });
      const stored = await Promise.all(parts.map(store));
      await write(async (transaction) => {
        const [now] = await sequelize.query<{ at: number }>('SELECT COALESCE(MAX(at), 0) AS at FROM fact_changes', {
          type: QueryTypes.SELECT,
          transaction,
        });
        if (now?.at !== at) return;
        for (const { id, form, checksum, range, batches } of stored) {
          // By its ends as the triggers read them it must hold just the batches that it was worked out from.
          const [held] = await sequelize.query<{ n: number }>(
            'SELECT COUNT(*) AS n FROM batches WHERE (started_at, code) BETWEEN (?, ?) AND (?, ?)',
            { type: QueryTypes.SELECT, replacements: [...range], transaction },
          );
          if (held?.n !== batches) continue;
          await sequelize.query(
            'DELETE FROM kept_parts WHERE (first_at, first_code) <= (?, ?) AND (last_at, last_code) >= (?, ?)',
            { replacements: [range[2], range[3], range[0], range[1]], transaction },
          );
          await sequelize.query('INSERT INTO kept_parts VALUES (?, ?, ?, ?, ?, ?, ?)', {
            replacements: [id, form, checksum, ...range],
            transaction,
          });
        }
      });
      await clear();
    },
  };
}

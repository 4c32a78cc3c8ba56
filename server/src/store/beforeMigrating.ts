import { mkdirSync, readdirSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import type { Sequelize } from 'sequelize';

/** Where copies lie that were made before the schema changed, beside the database. */
export const BEFORE_UPDATE = 'before-update';
/** Copies kept; the oldest goes first. */
const KEPT = 5;

/**
 * A whole copy of the database as it stands before its schema is changed, in a folder beside it.
 * @param after the last step that it has
 * @returns the file
 */
export async function copyBeforeMigrating(
  sequelize: Sequelize,
  file: string,
  after: string,
  now: Date,
): Promise<string> {
  const folder = join(dirname(file), BEFORE_UPDATE);
  mkdirSync(folder, { recursive: true });
  const stamp = now.toISOString().replaceAll(/[:.]/g, '-');
  const copy = join(folder, `${stamp}-at-${after}.sqlite`);
  await sequelize.query('VACUUM INTO ?', { replacements: [copy] });
  const copies = readdirSync(folder)
    .filter((name) => name.endsWith('.sqlite'))
    .sort();
  for (const old of copies.slice(0, Math.max(0, copies.length - KEPT))) rmSync(join(folder, old), { force: true });
  return copy;
}

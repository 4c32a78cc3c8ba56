import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import type { Database } from './database';

const KEY = 'studio-id';

/** What this studio is known by, given once and kept: browsers keep what is its apart from what is another's. */
export async function studioId({ models, write }: Pick<Database, 'models' | 'write'>): Promise<string> {
  const row = await models.settings.findByPk(KEY);
  if (row) return z.string().parse(JSON.parse(row.value));
  const made = randomUUID();
  await write((transaction) => models.settings.create({ key: KEY, value: JSON.stringify(made) }, { transaction }));
  return made;
}

import { rmSync } from 'node:fs';
import { SALTMARSH_CARDS, saltmarshBatches } from '@warm-jar/core';
import type { Studio } from '../studio';

/** Removes a demo database with its write-ahead files, so that each demo starts fresh. */
export function removeDatabase(file: string): void {
  for (const suffix of ['', '-wal', '-shm']) rmSync(`${file}${suffix}`, { force: true });
}

/** Fills an empty studio with the demo studio's cards and batches, as of `now`. */
export async function fillDemo({ products, batches }: Pick<Studio, 'products' | 'batches'>, now: Date): Promise<number> {
  for (const card of SALTMARSH_CARDS) await products.add(card);
  const made = saltmarshBatches(now);
  for (const batch of made) await batches.create(batch);
  return made.length;
}

import { rmSync } from 'node:fs';
import {
  SALTMARSH_CARDS,
  saltmarshAdditives,
  saltmarshBatches,
  saltmarshGear,
  saltmarshInclusions,
  saltmarshLots,
  saltmarshMoulds,
  saltmarshPieces,
  saltmarshYear,
} from '@warm-jar/core';
import type { Studio } from '../studio';

/** Removes a demo database with its write-ahead files, so that each demo starts fresh. */
export function removeDatabase(file: string): void {
  for (const suffix of ['', '-wal', '-shm']) rmSync(`${file}${suffix}`, { force: true });
}

/** The demo studio's three, by initials alone. */
const TECHNICIANS = [
  ['KO', 'lead'],
  ['MT', 'technician'],
  ['RV', 'technician'],
] as const;

/** Fills an empty studio with the demo studio's cards and batches, as of `now`. */
export async function fillDemo(
  { products, batches, shelf, people }: Pick<Studio, 'products' | 'batches' | 'shelf' | 'people'>,
  now: Date,
): Promise<number> {
  for (const [code, role] of TECHNICIANS) await people.addPerson({ code, role, name: null, secret: null });
  await products.addAll(SALTMARSH_CARDS);
  for (const lot of saltmarshLots(now)) await shelf.lots.create(lot);
  for (const mould of saltmarshMoulds()) await shelf.moulds.create(mould);
  for (const inclusion of saltmarshInclusions(now)) await shelf.inclusions.create(inclusion);
  for (const additive of saltmarshAdditives()) await shelf.additives.create(additive);
  for (const piece of saltmarshGear(now)) await shelf.gear.create(piece);
  const made = [...saltmarshYear(now).map((y) => y.batch), ...saltmarshBatches(now)];
  await batches.addAll(made);
  for (const piece of saltmarshPieces(now)) await shelf.pieces.create(piece);
  return made.length;
}

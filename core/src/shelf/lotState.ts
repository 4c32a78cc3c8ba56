import type { LotCard } from '../formats/lot';
import type { Product } from '../formats/product';
import { addMonths, daysBetween } from '../units/days';
import type { Say } from '../units/wording';

/** What is to be known about a lot before it is poured from. */
export interface LotWarning {
  readonly code: 'past-use-by' | 'open-too-long' | 'runs-low' | 'empty' | 'dark' | 'cloudy' | 'not-opened-on';
  readonly says: string;
}

/** Part B of these colours was clear when it was new. */
const DARK = new Set(['amber', 'brown']);

function dateWarnings(product: Product, lot: LotCard, day: string): LotWarning[] {
  const warnings: LotWarning[] = [];
  if (lot.useBy && lot.useBy < day)
    warnings.push({
      code: 'past-use-by',
      says: `Past its use-by date since ${daysBetween(lot.useBy, day)} days (${lot.useBy}).`,
    });
  const months = product.shelf?.openedMonths;
  if (months != null && lot.openedOn) {
    const until = addMonths(lot.openedOn, months);
    if (until < day)
      warnings.push({
        code: 'open-too-long',
        says: `Open since ${lot.openedOn}; the card allows ${months} months, until ${until}.`,
      });
  }
  if (months != null && !lot.openedOn)
    warnings.push({ code: 'not-opened-on', says: 'When it was opened is not recorded.' });
  return warnings;
}

/**
 * Everything that speaks against using a lot on a day: past its date,
 * open too long, dark or cloudy, or not enough left.
 * @param leftG what is left, g; null where the lot's quantity is not known
 * @param neededG what the batch being planned takes of it, g; null where it is not known yet
 */
export function lotWarnings(
  product: Product,
  lot: LotCard,
  day: string,
  leftG: number | null,
  neededG: number | null,
  say: Say,
): LotWarning[] {
  const warnings = dateWarnings(product, lot, day);
  if (lot.colour === 'cloudy') warnings.push({ code: 'cloudy', says: 'Cloudy in the bottle.' });
  if (lot.colour && lot.part === 'B' && DARK.has(lot.colour))
    warnings.push({ code: 'dark', says: `The hardener has gone ${lot.colour}: expect a yellow tint.` });
  if (leftG !== null && leftG <= 0) warnings.push({ code: 'empty', says: 'By the log nothing is left of it.' });
  else if (leftG !== null && neededG !== null && neededG > leftG)
    warnings.push({ code: 'runs-low', says: `${say(leftG, 'g')} left, ${say(neededG, 'g')} needed.` });
  return warnings;
}

/** Price of one gram of a lot; null where quantity or price is not known. */
export const pricePerG = (lot: LotCard | null | undefined): number | null =>
  lot?.price != null && lot.quantityG != null ? lot.price / lot.quantityG : null;

/** What one part cost; null where it was not weighed or its price is not known. */
export function partCost(massG: number | null, perG: number | null): number | null {
  if (massG === 0) return 0;
  return massG === null || perG === null ? null : massG * perG;
}

/** Cost of a batch's parts from the lots it was poured from. */
export interface BatchCost {
  readonly total: number | null;
  readonly known: number;
  readonly missing: readonly ('A' | 'B')[];
  readonly perPiece: number | null;
}

/**
 * What a batch's resin cost. The total is null where a part's lot has no price or quantity, or was not weighed.
 * @param pieces how many pieces came of it; null where it is not known
 */
export function batchCost(
  parts: { readonly massG: number | null; readonly lot: LotCard | null | undefined; readonly part: 'A' | 'B' }[],
  pieces: number | null,
): BatchCost {
  const costs = parts.map(({ massG, lot, part }) => ({ part, cost: partCost(massG, pricePerG(lot)) }));
  const known = costs.reduce((sum, c) => sum + (c.cost ?? 0), 0);
  const missing = costs.filter((c) => c.cost === null).map((c) => c.part);
  const total = missing.length === 0 ? known : null;
  return { total, known, missing, perPiece: total === null || !pieces ? null : total / pieces };
}

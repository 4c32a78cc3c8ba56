import type { LotCard } from '../formats/lot';
import type { Product } from '../formats/product';
import type { Say } from '../units/wording';
import { lotWarnings, type LotWarning } from './lotState';

/** A lot that a part may be poured from, and what speaks against it. */
export interface OfferedLot {
  readonly lot: LotCard;
  readonly leftG: number | null;
  readonly warnings: readonly LotWarning[];
  /** Whether it may be offered first: it is over no time, not empty, and looks as it should. */
  readonly good: boolean;
}

/** What a lot is passed over for; that it runs low, or that its opening was not recorded, is only said. */
const SPOILS: ReadonlySet<LotWarning['code']> = new Set(['past-use-by', 'open-too-long', 'empty', 'dark', 'cloudy']);
/** A lot that was never opened is newer than any open one. */
const UNOPENED = '9999-12-31';

/**
 * The lots of a part, in the order to take them: those that are good first, of them the one that has been open longest,
 * then the one that must be used soonest.
 * @param day the day it is poured on
 * @param neededG what is to be poured of it, g; null where that is not known
 */
export function lotsOffered(
  product: Product,
  part: 'A' | 'B',
  shelf: readonly { readonly item: LotCard; readonly leftG: number | null }[],
  day: string,
  neededG: number | null,
  say: Say,
): OfferedLot[] {
  const offered = shelf
    .filter(({ item }) => item.productSlug === product.slug && item.part === part)
    .map(({ item: lot, leftG }): OfferedLot => {
      const warnings = lotWarnings(product, lot, day, leftG, neededG, say);
      return { lot, leftG, warnings, good: !warnings.some(({ code }) => SPOILS.has(code)) };
    });
  const key = ({ lot, good }: OfferedLot) =>
    [good ? 0 : 1, lot.openedOn ?? UNOPENED, lot.useBy ?? UNOPENED, lot.code].join(' ');
  return offered.sort((a, b) => (key(a) < key(b) ? -1 : 1));
}

import type { Product } from '../formats/product';
import type { LotCard } from '../formats/lot';
import { addMonths } from '../units/days';
import { SALTMARSH_CARDS } from './saltmarshCards';

const DAY_MS = 86_400_000;
/** A lot is used up, or thrown away, this long after opening at the latest, days. */
const LONGEST_DAYS = 120;
/** A month of the card's, less some days' care, days. */
const MONTH_DAYS = 28;

const isoDay = (ms: number) => new Date(ms).toISOString().slice(0, 10);

/** The lot of a product's part that was open on a day: a fresh one every few months, never past its date. */
export function lotInUse(
  card: Product,
  part: 'A' | 'B',
  startMs: number,
  instead: LotCard | null,
): Record<string, unknown> {
  if (instead) return { code: instead.code, openedOn: instead.openedOn, useBy: instead.useBy, colour: instead.colour };
  const lifeMs = Math.min(LONGEST_DAYS, (card.shelf?.openedMonths ?? 6) * MONTH_DAYS) * DAY_MS;
  const generation = Math.floor(startMs / lifeMs);
  const opened = generation * lifeMs;
  const index = SALTMARSH_CARDS.findIndex((c) => c.slug === card.slug);
  return {
    code: `${part}-${100 + index * 60 + (generation % 60)}`,
    openedOn: isoDay(opened),
    useBy: addMonths(isoDay(opened), Math.max(1, (card.shelf?.unopenedMonths ?? 12) - 2)),
    colour: 'clear',
  };
}

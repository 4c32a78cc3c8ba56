import type { Batch, Lot } from '../formats/batch';
import type { LimitReading } from '../formats/diagnosis';
import type { Product } from '../formats/product';
import type { LimitState } from '../formats/vocabulary';
import { MEAN_MONTH_DAYS, addMonths, dayOf, daysBetween } from '../units/days';
import type { Say } from '../units/wording';
import { NEAR_SHARE } from './bandState';
import { makeReading } from './reading';

/** The day the batch was made, in its own offset; null where it was not recorded. */
export const batchDay = (batch: Batch): string | null => (batch.startedAt ? dayOf(batch.startedAt) : null);

/**
 * How far a lot was past its earlier deadline, use-by or opened + the
 * card's months; days, negative before it; null unknown.
 */
export function daysPastDeadline(product: Product, lot: Lot | null | undefined, day: string | null): number | null {
  if (!day || !lot) return null;
  const months = product.shelf?.openedMonths;
  const deadlines = [lot.useBy, lot.openedOn && months != null ? addMonths(lot.openedOn, months) : null].filter(
    (d) => d != null,
  );
  return deadlines.length === 0 ? null : Math.max(...deadlines.map((d) => daysBetween(d, day)));
}

const PART_WORDS = { lotA: 'Lot A', lotB: 'Lot B' } as const;
type Part = keyof typeof PART_WORDS;

/**
 * Where a day stands before its deadline.
 * @param left days to it, below 0 past it
 * @param nearDays days that count as near
 */
function stateBefore(left: number, nearDays: number): LimitState {
  if (left < 0) return 'above';
  return left <= nearDays ? 'near' : 'inside';
}

function openedReading(
  product: Product,
  lot: Lot | null | undefined,
  part: Part,
  day: string | null,
  say: Say,
): LimitReading {
  const months = product.shelf?.openedMonths ?? null;
  const field = `${part}.openedOn`;
  if (!lot?.openedOn || !day) {
    const rule = months === null ? 'the card states no limit' : `the card allows ${say(months, 'months')} once opened`;
    const says = `When ${PART_WORDS[part]} was opened is not recorded; ${rule}.`;
    return makeReading({ field, high: months, unit: 'months', measured: null, says }, say);
  }
  const openDays = daysBetween(lot.openedOn, day);
  const measured = Math.round((openDays / MEAN_MONTH_DAYS) * 10) / 10;
  const opened = `${PART_WORDS[part]} had been open for ${say(measured, 'months')}`;
  if (months === null)
    return makeReading(
      { field, high: months, unit: 'months', measured, says: `${opened}; the card states no limit.` },
      say,
    );
  const deadline = addMonths(lot.openedOn, months);
  const left = daysBetween(day, deadline);
  const state = stateBefore(left, NEAR_SHARE * daysBetween(lot.openedOn, deadline));
  return makeReading(
    {
      field,
      high: months,
      unit: 'months',
      measured,
      state,
      says: `${opened}; the card allows ${say(months, 'months')}, that is until ${deadline}.`,
    },
    say,
  );
}

function useByReading(
  product: Product,
  lot: Lot | null | undefined,
  part: Part,
  day: string | null,
  say: Say,
): LimitReading {
  const field = `${part}.useBy`;
  if (!lot?.useBy || !day) {
    const notRecorded = `The use-by date of ${PART_WORDS[part]} was not recorded.`;
    return makeReading({ field, high: 0, unit: 'days', measured: null, says: notRecorded }, say);
  }
  const past = daysBetween(lot.useBy, day);
  const shelfDays = (product.shelf?.unopenedMonths ?? 0) * MEAN_MONTH_DAYS;
  const state = stateBefore(-past, NEAR_SHARE * shelfDays);
  const days = (n: number) => `${n} day${n === 1 ? '' : 's'}`;
  const says =
    past > 0
      ? `${PART_WORDS[part]} was ${days(past)} past its use-by date, ${lot.useBy}.`
      : `${PART_WORDS[part]} had ${days(-past)} left to its use-by date, ${lot.useBy}.`;
  return makeReading({ field, high: 0, unit: 'days', measured: past, state, says }, say);
}

/** Both lots against the card's shelf life once opened and the bottle's use-by date, on the day of the batch. */
export function lotReadings(product: Product, batch: Batch, say: Say): LimitReading[] {
  const day = batchDay(batch);
  const parts = product.family === 'uv-acrylate' ? (['lotA'] as const) : (['lotA', 'lotB'] as const);
  return parts.flatMap((part) => [
    openedReading(product, batch[part], part, day, say),
    useByReading(product, batch[part], part, day, say),
  ]);
}

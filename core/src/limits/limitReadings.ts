import { workingTime, type WorkingTime } from '../cure/workingTime';
import type { Batch } from '../formats/batch';
import type { LimitReading } from '../formats/diagnosis';
import type { Product } from '../formats/product';
import { wordsIn, type Say } from '../units/wording';
import { conditionReadings } from './conditionReadings';
import { cureReadings } from './cureReadings';
import { lotReadings } from './lotDates';
import { mixReadings } from './mixReadings';
import { pourReadings } from './pourReadings';

const isOutside = ({ state }: LimitReading) => state === 'below' || state === 'above';

/**
 * Every measured field of a batch held against its product's card, in the order of the work. A field the card is
 * silent about is `not-stated`; one the card limits but nobody recorded
 * is `not-recorded`; neither counts as good or bad.
 * @param working pot life and gel of this batch, where the caller has them already
 * @param say wording of figures in sentences, in the units people chose; stored units otherwise
 */
export function limitReadings(
  product: Product,
  batch: Batch,
  say: Say = wordsIn(),
  working: WorkingTime = workingTime(product, batch),
): LimitReading[] {
  return withReasons(
    batch,
    READING_PARTS.flatMap((part) => part(product, { batch, working }, say)),
  );
}

/** A part of the readings: what it goes by stands in the record and in the time that there was. */
type ReadingPart = (
  product: Product,
  of: { readonly batch: Batch; readonly working: WorkingTime },
  say: Say,
) => LimitReading[];

/** The readings by parts, in the order of the work; together they are `limitReadings`. */
export const READING_PARTS: readonly ReadingPart[] = [
  (product, { batch }, say) => lotReadings(product, batch, say),
  (product, { batch }, say) => conditionReadings(product, batch, say),
  (product, { batch }, say) => mixReadings(product, batch, say),
  (product, { batch, working }, say) => pourReadings(product, batch, working, say),
  (product, { batch }, say) => cureReadings(product, batch, say),
];

/** What went on beyond a limit has its reason beside it. */
export function withReasons(batch: Batch, readings: LimitReading[]): LimitReading[] {
  const reasons = batch.bench?.reasons ?? [];
  if (reasons.length === 0) return readings;
  return readings.map((r) => {
    const passed = reasons.findLast(({ field }) => field === r.field);
    return passed && isOutside(r) ? { ...r, passedBecause: passed.reason } : r;
  });
}

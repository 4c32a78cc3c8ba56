import type { Batch } from '../formats/batch';
import type { LimitReading } from '../formats/diagnosis';
import type { Product } from '../formats/product';
import { limitReadings } from '../limits/limitReadings';
import { wordsIn, type Say } from '../units/wording';
import { castingAsBatch, commonBatch } from './castingAsBatch';
import { castingIds } from './castingList';

const isOutside = ({ state }: LimitReading) => state === 'below' || state === 'above';

/** The limits of a batch with several castings: of what they share, and of each what it alone is outside of. */
export interface LimitsOfCastings {
  /** Readings of what all castings have in common; what they differ in is not among them. */
  readonly common: readonly LimitReading[];
  /** Fields that the card limits and that were recorded nowhere: not of the batch, not of any casting. */
  readonly missing: readonly LimitReading[];
  /** What single castings are outside of, by their ids. */
  readonly outside: readonly { readonly id: string; readonly readings: readonly LimitReading[] }[];
}

/** A batch held against its card as its page tells it, with its castings told apart where the record does. */
export function limitsOfCastings(product: Product, batch: Batch, say: Say = wordsIn()): LimitsOfCastings {
  const common = limitReadings(product, commonBatch(product, batch), say);
  const views = castingIds(batch).map((id) => ({
    id,
    readings: limitReadings(product, castingAsBatch(product, batch, id), say),
  }));
  const isMissing = (field: string, readings: readonly LimitReading[]) =>
    readings.some((r) => r.field === field && r.state === 'not-recorded');
  const shared = new Set(common.filter(isOutside).map((r) => r.field));
  return {
    common,
    missing: common.filter((r) => r.state === 'not-recorded' && views.every((v) => isMissing(r.field, v.readings))),
    outside: views.flatMap(({ id, readings }) => {
      const own = id === null ? [] : readings.filter((r) => isOutside(r) && !shared.has(r.field));
      return own.length === 0 || id === null ? [] : [{ id, readings: own }];
    }),
  };
}

import type { Batch } from '../formats/batch';
import type { Product } from '../formats/product';
import { measuredIn } from './batchAmounts';
import { volumeParts, weightParts } from './ratio';

export type RatioSignature =
  | 'volume-ratio-on-scale'
  | 'weight-ratio-by-volume'
  | 'a-doubled'
  | 'b-doubled'
  | 'parts-swapped'
  | 'a-forgotten'
  | 'b-forgotten';

/** What each signature says happened. */
export const SIGNATURE_WORDS: Record<RatioSignature, string> = {
  'volume-ratio-on-scale': 'the two amounts are the volume ratio, read off a scale',
  'weight-ratio-by-volume': 'the two amounts are the weight ratio, measured by volume',
  'a-doubled': 'part A looks dosed twice',
  'b-doubled': 'part B looks dosed twice',
  'parts-swapped': 'the amounts of A and B look swapped',
  'a-forgotten': 'part A is missing',
  'b-forgotten': 'part B is missing',
};

/** Two readings off the same slip agree to about this much; wider would call chance a slip. */
const MATCH_WITHIN = 0.03;

/** The least that a slip must move the ratio before it can be told from careful work. */
const TELLABLE = 0.05;

/**
 * The well-known slip whose result matches the recorded amounts, or null. Only a ratio that is off by more than 5 %
 * is looked at, and it must match a slip within 3 %.
 */
export function ratioSignature(product: Product, batch: Batch): RatioSignature | null {
  const { amountA, amountB } = batch.mix ?? {};
  if (amountA == null || amountB == null) return null;
  const byVolume = measuredIn(batch) === 'mL';
  const [own, other] = byVolume
    ? [volumeParts(product), weightParts(product)]
    : [weightParts(product), volumeParts(product)];
  if (!own || product.ratio.catalyst) return null;
  if (amountA === 0) return amountB > 0 ? 'a-forgotten' : null;
  if (amountB === 0) return 'b-forgotten';
  const wanted = own.b / own.a;
  const got = amountB / amountA;
  if (Math.abs(got / wanted - 1) < TELLABLE) return null;
  const slips: [RatioSignature, number][] = [
    ['b-doubled', 2 * wanted],
    ['a-doubled', wanted / 2],
    ['parts-swapped', 1 / wanted],
  ];
  if (other) slips.unshift([byVolume ? 'weight-ratio-by-volume' : 'volume-ratio-on-scale', other.b / other.a]);
  const best = slips
    .map(([name, ratio]) => ({ name, off: Math.abs(got / ratio - 1) }))
    .reduce((a, b) => (b.off < a.off ? b : a));
  return best.off <= MATCH_WITHIN ? best.name : null;
}

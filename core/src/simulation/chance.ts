import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Repeatable chance: the same seed gives the same year. */
export interface Chance {
  /** 0 to 1. */
  readonly unit: () => number;
  readonly between: (low: number, high: number) => number;
  readonly normal: (mean: number, deviation: number) => number;
  readonly flip: (probability: number) => boolean;
  /** One of a list. @throws RangeError for an empty one */
  readonly pick: <T>(list: readonly T[]) => T;
  /** One of a list, by weight. @throws RangeError where nothing has weight */
  readonly weighted: <T>(list: readonly T[], weightOf: (item: T) => number) => T;
}

export function chanceFrom(seed: number): Chance {
  const generator = xoroshiro128plus(seed);
  const unit = () => uniformFloat64(generator);
  const weighted = <T>(list: readonly T[], weightOf: (item: T) => number): T => {
    const total = list.reduce((sum, item) => sum + weightOf(item), 0);
    let at = unit() * total;
    for (const item of list) {
      at -= weightOf(item);
      if (at < 0) return item;
    }
    const last = list.findLast((item) => weightOf(item) > 0);
    if (last === undefined) throw new RangeError('Nothing to choose from.');
    return last;
  };
  return {
    unit,
    between: (low, high) => low + (high - low) * unit(),
    // Box and Muller 1958; the offset keeps the logarithm off zero.
    normal: (mean, deviation) =>
      mean + deviation * Math.sqrt(-2 * Math.log(1 - unit())) * Math.cos(2 * Math.PI * unit()),
    flip: (probability) => unit() < probability,
    pick: (list) => weighted(list, () => 1),
    weighted,
  };
}

/**
 * Repeatable chance for one use of a seed beside others: neighbouring seeds and uses are as far apart as any (the
 * finaliser of MurmurHash3, in the public domain).
 */
export function chanceApart(seed: number, use: number): Chance {
  let h = (seed ^ Math.imul(use + 1, 0x9e3779b1)) | 0;
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return chanceFrom(h ^ (h >>> 16));
}

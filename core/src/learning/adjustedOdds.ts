import type { CastFacts } from './castFacts';
import { designEffect, shows } from './clusters';
import { FACTORS } from '../formats/vocabulary';
import { ridgeLogistic } from './ridgeLogistic';
import type { Level } from './tally';

/** What is left of a factor's odds once those that travel with it have had their part. */
export interface Parted {
  readonly oddsRatio: number;
  readonly low: number;
  readonly high: number;
}

const Z_95 = 1.959963984540054;
/** Shared this far (batches in both, of those in either), two levels are the same batches under two names. */
export const SAME_BATCHES = 0.8;

const has = (fact: CastFacts, { factor, level }: Level) => fact.levels[factor] === level;

/** Where each group's batches lie in the log, looked up once. */
export function placesOf(facts: readonly CastFacts[]): (level: Level) => readonly number[] {
  const known = new Map<string, number[]>();
  return (level) => {
    const key = `${level.factor} ${level.level}`;
    const before = known.get(key);
    if (before) return before;
    const places = facts.flatMap((fact, i) => (has(fact, level) ? [i] : []));
    known.set(key, places);
    return places;
  };
}

/** Overlap of two groups: batches in both, of those in either. @param a places in the log, in order */
export function overlap(a: readonly number[], b: readonly number[]): number {
  let [i, j, both] = [0, 0, 0];
  while (i < a.length && j < b.length) {
    if (a[i] === b[j]) {
      both += 1;
      i += 1;
      j += 1;
    } else if (a[i]! < b[j]!) i += 1;
    else j += 1;
  }
  const either = a.length + b.length - both;
  return either === 0 ? 0 : both / either;
}

/**
 * Ridge logistic regression of outcomes on the levels found for them and on the products, so that factors that travel
 * together share the effect between them instead of each claiming it.
 * @returns for each outcome, what is left of each level
 */
export function adjustedOdds(
  facts: readonly CastFacts[],
  outcomes: readonly string[],
  levels: readonly Level[],
): ReadonlyMap<string, readonly Parted[]> {
  const products = [...new Set(facts.map((f) => f.levels.product ?? ''))].sort();
  // The first product is what the others are held against; a product among the levels is there already.
  const others: Level[] = products
    .slice(1)
    .map((level) => ({ factor: 'product' as const, level }))
    .filter((p) => !levels.some((l) => l.factor === 'product' && l.level === p.level));
  const features = [...levels, ...others];
  const featureAt = new Map(features.map((f, i) => [`${f.factor} ${f.level}`, i]));
  const rows = facts.map((fact) =>
    FACTORS.flatMap((factor) => {
      const level = fact.levels[factor];
      const at = level === undefined ? undefined : featureAt.get(`${factor} ${level}`);
      return at === undefined ? [] : [at];
    }),
  );
  return new Map(
    outcomes.map((outcome) => {
      const fit = ridgeLogistic(
        rows,
        facts.map((f) => f.seen.includes(outcome)),
        features.length,
      );
      // Castings of one mix are not independent: their odds are less sure.
      const wider = Math.sqrt(designEffect(facts, shows(outcome)));
      return [
        outcome,
        levels.map((_, i) => ({
          oddsRatio: Math.exp(fit.beta[i]!),
          low: Math.exp(fit.beta[i]! - Z_95 * wider * fit.se[i]!),
          high: Math.exp(fit.beta[i]! + Z_95 * wider * fit.se[i]!),
        })),
      ];
    }),
  );
}

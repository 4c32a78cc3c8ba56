import type { CastFacts } from './castFacts';
import { FACTORS, type Factor } from '../formats/vocabulary';
import { columnsOf, type Level } from './logColumns';

export type { Level } from './logColumns';

/** Counts of batches and faults by level and product, from one walk over the log. */
export interface Tally {
  readonly levels: readonly Level[];
  readonly outcomes: readonly string[];
  readonly products: readonly string[];
  /** Batches looked at, by level and product. */
  readonly n: (level: number, product: number) => number;
  /** Those with an outcome. */
  readonly k: (outcome: number, level: number, product: number) => number;
  /** Batches looked at with any level of a factor, by product. */
  readonly recorded: (factor: Factor, product: number) => number;
  readonly recordedWith: (outcome: number, factor: Factor, product: number) => number;
}

/**
 * Counts the looked-at batches by level, product and outcome, column by column.
 * @param outcomes keys as `CastFacts.seen` holds them
 * @param weights what each counts for, in the order of the facts; one where it is not given
 */
export function tally(
  facts: readonly CastFacts[],
  outcomes: readonly string[],
  weights: ArrayLike<number> | null = null,
): Tally {
  const { size, levels, levelOf, products, productOf, shows } = columnsOf(facts);
  const [L, P, F] = [levels.length, products.length, FACTORS.length];
  const counts = (length: number) => new Float64Array(length);
  const [n, k] = [counts(L * P), counts(outcomes.length * L * P)];
  const [recorded, recordedWith] = [counts(F * P), counts(outcomes.length * F * P)];
  const worth = weights ?? new Float64Array(size).fill(1);
  FACTORS.forEach((factor, f) => {
    const column = levelOf[factor];
    for (let i = 0; i < size; i += 1) {
      const at = column[i]!;
      if (at < 0) continue;
      n[at * P + productOf[i]!]! += worth[i]!;
      recorded[f * P + productOf[i]!]! += worth[i]!;
    }
    outcomes.forEach((outcome, o) => {
      const shown = shows(outcome);
      for (let i = 0; i < size; i += 1) {
        const at = column[i]!;
        if (shown[i] === 0 || at < 0) continue;
        k[(o * L + at) * P + productOf[i]!]! += worth[i]!;
        recordedWith[(o * F + f) * P + productOf[i]!]! += worth[i]!;
      }
    });
  });
  const factorAt = (factor: Factor) => FACTORS.indexOf(factor);
  return {
    levels,
    outcomes,
    products,
    n: (level, product) => n[level * P + product]!,
    k: (o, level, product) => k[(o * L + level) * P + product]!,
    recorded: (factor, product) => recorded[factorAt(factor) * P + product]!,
    recordedWith: (o, factor, product) => recordedWith[(o * F + factorAt(factor)) * P + product]!,
  };
}

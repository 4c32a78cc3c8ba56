import type { CastFacts } from './castFacts';
import { FACTORS, type Factor } from '../formats/vocabulary';
import { memoize } from '../numeric/memoize';
import { columnsOf, type Level, type LogColumns } from './logColumns';

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

/** How many castings there are by level, product and castings of their mix: what any weighting is summed from. */
const countedOf = memoize(({ size, levels, levelOf, products, productOf, mixes }: LogColumns) => {
  const [P, S] = [products.length, (mixes?.largest ?? 0) + 1];
  const n = new Int32Array(levels.length * P * S);
  for (const factor of FACTORS) {
    const column = levelOf[factor];
    for (let i = 0; i < size; i += 1) {
      const at = column[i]!;
      if (at >= 0) n[(at * P + productOf[i]!) * S + (mixes === null ? 0 : mixes.sizes[mixes.of[i]!]!)]! += 1;
    }
  }
  return { n, S };
});

/**
 * Counts the looked-at batches by level, product and outcome, column by column.
 * @param outcomes keys as `CastFacts.seen` holds them
 * @param bySize what a casting counts for by how many its mix has (`weightBySize`); one where it is not given
 */
export function tally(
  facts: readonly CastFacts[],
  outcomes: readonly string[],
  bySize: Float64Array | null = null,
): Tally {
  const columns = columnsOf(facts);
  const { levels, levelOf, products, productOf, mixes } = columns;
  const [L, P, F] = [levels.length, products.length, FACTORS.length];
  const counts = (length: number) => new Float64Array(length);
  const [n, k] = [counts(L * P), counts(outcomes.length * L * P)];
  const [recorded, recordedWith] = [counts(F * P), counts(outcomes.length * F * P)];
  const factorAt = new Map(FACTORS.map((factor, f) => [factor, f]));
  const counted = countedOf(columns);
  for (let cell = 0; cell < L * P; cell += 1) {
    let sum = 0;
    for (let m = 0; m < counted.S; m += 1) sum += counted.n[cell * counted.S + m]! * (bySize === null ? 1 : bySize[m]!);
    n[cell] = sum;
    recorded[factorAt.get(levels[Math.floor(cell / P)]!.factor)! * P + (cell % P)]! += sum;
  }
  outcomes.forEach((outcome, o) => {
    const rows = columns.rows(outcome);
    for (let f = 0; f < F; f += 1) {
      const column = levelOf[FACTORS[f]!];
      for (const i of rows) {
        const [at, product] = [column[i]!, productOf[i]!];
        if (at < 0) continue;
        const worth = bySize === null || mixes === null ? 1 : bySize[mixes.sizes[mixes.of[i]!]!]!;
        k[(o * L + at) * P + product]! += worth;
        recordedWith[(o * F + f) * P + product]! += worth;
      }
    }
  });
  return {
    levels,
    outcomes,
    products,
    n: (level, product) => n[level * P + product]!,
    k: (o, level, product) => k[(o * L + level) * P + product]!,
    recorded: (factor, product) => recorded[factorAt.get(factor)! * P + product]!,
    recordedWith: (o, factor, product) => recordedWith[(o * F + factorAt.get(factor)!) * P + product]!,
  };
}

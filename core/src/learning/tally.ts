import type { CastFacts } from './castFacts';
import { FACTORS, type Factor } from '../formats/vocabulary';

/** A group of batches that share a level of a factor. */
export interface Level {
  readonly factor: Factor;
  readonly level: string;
}

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

/** Numbers things in the order they are first met. */
function numbering<T>(keyOf: (item: T) => string) {
  const at = new Map<string, number>();
  const items: T[] = [];
  return {
    items,
    of: (item: T): number => {
      const key = keyOf(item);
      const known = at.get(key);
      if (known !== undefined) return known;
      at.set(key, items.length);
      items.push(item);
      return items.length - 1;
    },
  };
}

/**
 * Walks the looked-at batches twice: once to see which levels and products there are, once to count.
 * @param outcomes keys as `CastFacts.seen` holds them
 * @param weights what each counts for, in the order of the facts; one where it is not given
 */
export function tally(
  facts: readonly CastFacts[],
  outcomes: readonly string[],
  weights: readonly number[] | null = null,
): Tally {
  const levels = numbering<Level>((l) => `${l.factor} ${l.level}`);
  const products = numbering<string>((p) => p);
  for (const fact of facts) {
    products.of(fact.levels.product ?? '');
    for (const factor of FACTORS) {
      const level = fact.levels[factor];
      if (level !== undefined) levels.of({ factor, level });
    }
  }
  const outcomeAt = new Map(outcomes.map((o, i) => [o, i]));
  const [L, P, F] = [levels.items.length, products.items.length, FACTORS.length];
  const counts = (size: number) => new Float64Array(size);
  const [n, k, recorded, recordedWith] = [
    counts(L * P),
    counts(outcomes.length * L * P),
    counts(F * P),
    counts(outcomes.length * F * P),
  ];
  for (const [i, fact] of facts.entries()) {
    const weight = weights?.[i] ?? 1;
    const product = products.of(fact.levels.product ?? '');
    const seen = fact.seen.flatMap((s) => {
      const at = outcomeAt.get(s);
      return at === undefined ? [] : [at];
    });
    for (const [f, factor] of FACTORS.entries()) {
      const level = fact.levels[factor];
      if (level === undefined) continue;
      const at = levels.of({ factor, level });
      n[at * P + product]! += weight;
      recorded[f * P + product]! += weight;
      for (const o of seen) {
        k[(o * L + at) * P + product]! += weight;
        recordedWith[(o * F + f) * P + product]! += weight;
      }
    }
  }
  const factorAt = (factor: Factor) => FACTORS.indexOf(factor);
  return {
    levels: levels.items,
    outcomes,
    products: products.items,
    n: (level, product) => n[level * P + product]!,
    k: (o, level, product) => k[(o * L + level) * P + product]!,
    recorded: (factor, product) => recorded[factorAt(factor) * P + product]!,
    recordedWith: (o, factor, product) => recordedWith[(o * F + factorAt(factor)) * P + product]!,
  };
}

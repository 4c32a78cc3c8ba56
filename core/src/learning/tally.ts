import type { CastFacts } from './castFacts';
import { FACTORS, type Factor } from './factors';

/** A group of batches that share a level of a factor. */
export interface Level { readonly factor: Factor; readonly level: string }

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

const grid = () => {
  const counts = new Map<number, number>();
  return { add: (at: number) => { counts.set(at, (counts.get(at) ?? 0) + 1); }, at: (at: number) => counts.get(at) ?? 0 };
};

/** Room for so many levels and products in one number. */
const SPAN = 100_000;

/** Walks the looked-at batches once. @param outcomes keys as `CastFacts.seen` holds them */
export function tally(facts: readonly CastFacts[], outcomes: readonly string[]): Tally {
  const levels = numbering<Level>((l) => `${l.factor} ${l.level}`);
  const products = numbering<string>((p) => p);
  const [n, k, recorded, recordedWith] = [grid(), grid(), grid(), grid()];
  const outcomeAt = new Map(outcomes.map((o, i) => [o, i]));
  const cell = (line: number, product: number) => line * SPAN + product;
  for (const fact of facts) {
    const product = products.of(fact.levels.product ?? '');
    const seen = fact.seen.flatMap((s) => { const at = outcomeAt.get(s); return at === undefined ? [] : [at]; });
    for (const [f, factor] of FACTORS.entries()) {
      const level = fact.levels[factor];
      if (level === undefined) continue;
      const at = levels.of({ factor, level });
      n.add(cell(at, product));
      recorded.add(cell(f, product));
      for (const o of seen) { k.add(cell(o * SPAN + at, product)); recordedWith.add(cell(o * SPAN + f, product)); }
    }
  }
  return {
    levels: levels.items, outcomes, products: products.items,
    n: (level, product) => n.at(cell(level, product)), k: (o, level, product) => k.at(cell(o * SPAN + level, product)),
    recorded: (factor, product) => recorded.at(cell(FACTORS.indexOf(factor), product)), recordedWith: (o, factor, product) => recordedWith.at(cell(o * SPAN + FACTORS.indexOf(factor), product)),
  };
}

import { FACTORS, type Factor } from '../formats/vocabulary';
import { memoize } from '../numeric/memoize';
import type { CastFacts } from './castFacts';

/** A group of batches that share a level of a factor. */
export interface Level {
  readonly factor: Factor;
  readonly level: string;
}

/** Castings of one mix: which mix each is of, and how many each mix has. */
export interface Mixes {
  readonly of: Int32Array;
  readonly sizes: Int32Array;
  /** The sum of their squares, and the most castings that a mix has. */
  readonly squares: number;
  readonly largest: number;
  /** How many mixes have so many castings, by that number. */
  readonly counts: Int32Array;
}

/**
 * A log as columns of numbers, worked out once for each list of facts: what is asked of every casting again and again
 * is then asked of numbers side by side, and not of documents.
 */
export interface LogColumns {
  readonly size: number;
  /** Every level that occurs, in the order in which they are met. */
  readonly levels: readonly Level[];
  /** For each factor the level of each casting, by its place in `levels`; −1 where it was not recorded. */
  readonly levelOf: Readonly<Record<Factor, Int32Array>>;
  readonly products: readonly string[];
  readonly productOf: Int32Array;
  /** The place of a level; −1 where it does not occur. */
  readonly placeOf: (level: Level) => number;
  /** 1 for each casting that shows an outcome, as `CastFacts.seen` holds it. */
  readonly shows: (outcome: string) => Uint8Array;
  /** Where those that show it stand, in the order of the castings. */
  readonly rows: (outcome: string) => Int32Array;
  /** How many show it. */
  readonly count: (outcome: string) => number;
  /** Null where no batch tells its castings apart. */
  readonly mixes: Mixes | null;
}

function numbered(): { readonly of: (key: string) => number; readonly keys: string[] } {
  const at = new Map<string, number>();
  const keys: string[] = [];
  return {
    keys,
    of: (key) => {
      const known = at.get(key);
      if (known !== undefined) return known;
      at.set(key, keys.length);
      keys.push(key);
      return keys.length - 1;
    },
  };
}

/** The mix that each casting came from; one whose batch tells none apart stands for itself. */
function mixesOf(facts: readonly CastFacts[]): Mixes | null {
  if (facts.every((f) => f.casting === undefined)) return null;
  const [of, mixes] = [new Int32Array(facts.length), numbered()];
  facts.forEach((f, i) => {
    of[i] = mixes.of(f.casting === undefined ? `${i}` : `mix ${f.code}`);
  });
  const sizes = new Int32Array(mixes.keys.length);
  for (const mix of of) sizes[mix]! += 1;
  let [squares, largest] = [0, 0];
  for (const m of sizes) {
    squares += m * m;
    largest = Math.max(largest, m);
  }
  const counts = new Int32Array(largest + 1);
  for (const m of sizes) counts[m]! += 1;
  return { of, sizes, squares, largest, counts };
}

const NO_ROWS = new Int32Array(0);
/** Where a flag is set. */
function rowsSet(flags: Uint8Array): Int32Array {
  let count = 0;
  for (const flag of flags) count += flag;
  const rows = new Int32Array(count);
  let at = 0;
  for (let i = 0; i < flags.length; i += 1)
    if (flags[i] !== 0) {
      rows[at] = i;
      at += 1;
    }
  return rows;
}

function work(facts: readonly CastFacts[]): LogColumns {
  const size = facts.length;
  const levels: Level[] = [];
  const placeAt = new Map<Factor, Map<string, number>>(FACTORS.map((f) => [f, new Map()]));
  const levelOf = Object.fromEntries(FACTORS.map((f) => [f, new Int32Array(size).fill(-1)])) as LogColumns['levelOf'];
  const [products, productOf] = [numbered(), new Int32Array(size)];
  const seen = new Map<string, Uint8Array>();
  for (let i = 0; i < size; i += 1) {
    const fact = facts[i]!;
    productOf[i] = products.of(fact.levels.product ?? '');
    for (const factor of FACTORS) {
      const level = fact.levels[factor];
      if (level === undefined) continue;
      const places = placeAt.get(factor)!;
      let place = places.get(level);
      if (place === undefined) {
        place = levels.length;
        places.set(level, place);
        levels.push({ factor, level });
      }
      levelOf[factor][i] = place;
    }
    for (const outcome of fact.seen) {
      const flags = seen.get(outcome) ?? new Uint8Array(size);
      flags[i] = 1;
      seen.set(outcome, flags);
    }
  }
  const none = new Uint8Array(size);
  const rowsOf = new Map([...seen].map(([outcome, flags]) => [outcome, rowsSet(flags)]));
  return {
    size,
    levels,
    levelOf,
    products: products.keys,
    productOf,
    placeOf: ({ factor, level }) => placeAt.get(factor)?.get(level) ?? -1,
    shows: (outcome) => seen.get(outcome) ?? none,
    rows: (outcome) => rowsOf.get(outcome) ?? NO_ROWS,
    count: (outcome) => rowsOf.get(outcome)?.length ?? 0,
    mixes: mixesOf(facts),
  };
}

/** The columns of a log; the same list of facts is worked out once. */
export const columnsOf: (facts: readonly CastFacts[]) => LogColumns = memoize(work);

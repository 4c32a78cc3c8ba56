import { FACTORS, GRADES, type Factor } from '../formats/vocabulary';
import { memoize } from '../numeric/memoize';
import type { CastFacts } from './castFacts';
import { logNames, type LogNames } from './logNames';

/** Castings of one mix: of which mix each is, and how many each mix has; one whose batch tells none apart is its own. */
export interface Mixes {
  readonly of: Int32Array;
  readonly sizes: Int32Array;
  /** How many castings the mix of each casting has. */
  readonly sizeOf: Int32Array;
}

/**
 * Some castings of a log as columns of numbers: what is asked of every casting again and again is then asked of numbers
 * side by side, and not of documents. It never changes: where one of its castings does, another takes its place.
 */
export interface LogPart {
  readonly size: number;
  /** For each factor the number of each casting's level; −1 where it was not recorded. */
  readonly levelOf: Readonly<Record<Factor, Int32Array>>;
  readonly productOf: Int32Array;
  /** What is seen on any of them, as `CastFacts.seen` holds it. */
  readonly outcomes: readonly string[];
  /** Where those that show it stand, in the order of the castings. */
  readonly rows: (outcome: string) => Int32Array;
  readonly mixes: Mixes;
  /** Whether any batch tells its castings apart. */
  readonly isMixed: boolean;
  readonly ends: CastEnds;
  /** Gives a number to every name that occurs. */
  readonly numberNames: () => void;
}

/** How castings ended, and what they were made of; `NaN` for what nobody knows. */
export interface CastEnds {
  /** Places in `GRADES`; −1 where none was given. */
  readonly grade: Int8Array;
  readonly massG: Float64Array;
  readonly massAG: Float64Array;
  readonly massBG: Float64Array;
  readonly mendG: Float64Array;
  readonly price: Float64Array;
}

/** Castings as they are learned from: in parts, each with all castings of its mixes. */
export interface Log {
  /** Its names, each with its number. */
  readonly names: LogNames;
  /** What its sums are kept with. */
  readonly kept: object;
  readonly parts: readonly LogPart[];
  readonly size: number;
  readonly isMixed: boolean;
}

/** A value that is worked out when it is first asked for. */
export function once<V>(work: () => V): () => V {
  let known: { readonly value: V } | null = null;
  return () => (known ??= { value: work() }).value;
}

/** The mix that each casting came from. */
function mixesOf(casts: readonly CastFacts[]): Mixes {
  const [of, sizes, mixOf] = [new Int32Array(casts.length), [] as number[], new Map<string, number>()];
  casts.forEach(({ casting, code }, i) => {
    const known = casting === undefined ? undefined : mixOf.get(code);
    const mix = known ?? sizes.push(0) - 1;
    if (casting !== undefined && known === undefined) mixOf.set(code, mix);
    of[i] = mix;
    sizes[mix]! += 1;
  });
  return { of, sizes: Int32Array.from(sizes), sizeOf: of.map((mix) => sizes[mix]!) };
}

function levelsOf(names: LogNames, casts: readonly CastFacts[]): LogPart['levelOf'] {
  const columns = FACTORS.map((factor) => ({ factor, of: new Int32Array(casts.length).fill(-1), last: '', place: -1 }));
  casts.forEach(({ levels }, i) => {
    for (const column of columns) {
      const level = levels[column.factor];
      if (level === undefined) continue;
      // Castings of one batch stand together and share most levels: what the last had is not looked up.
      if (column.place < 0 || level !== column.last) {
        column.last = level;
        column.place = names.levelAt(column.factor, level);
      }
      column.of[i] = column.place;
    }
  });
  return Object.fromEntries(columns.map(({ factor, of }) => [factor, of])) as LogPart['levelOf'];
}

function rowsByOutcome(casts: readonly CastFacts[]): ReadonlyMap<string, Int32Array> {
  const rows = new Map<string, number[]>();
  casts.forEach(({ seen }, i) => {
    // One that is written twice is seen once.
    for (const outcome of seen) {
      const known = rows.get(outcome);
      if (known === undefined) rows.set(outcome, [i]);
      else if (known.at(-1) !== i) known.push(i);
    }
  });
  return new Map([...rows].map(([outcome, at]) => [outcome, Int32Array.from(at)]));
}

const NO_ROWS = new Int32Array(0);

function endsOf(casts: readonly CastFacts[]): CastEnds {
  const column = (of: (f: CastFacts) => number | null | undefined) => Float64Array.from(casts, (f) => of(f) ?? NaN);
  return {
    grade: Int8Array.from(casts, ({ grade }) => (grade === null ? -1 : GRADES.indexOf(grade))),
    massG: column((f) => f.massG),
    massAG: column((f) => f.massAG),
    massBG: column((f) => f.massBG),
    mendG: column((f) => f.mendG),
    price: column((f) => f.price),
  };
}

/** A part of a log; each column is worked out when it is first asked for. */
export function logPart(names: LogNames, casts: readonly CastFacts[]): LogPart {
  const levelOf = once(() => levelsOf(names, casts));
  const productOf = once(() => Int32Array.from(casts, (f) => names.productAt(f.levels.product ?? '')));
  const [mixes, rows] = [once(() => mixesOf(casts)), once(() => rowsByOutcome(casts))];
  const ends = once(() => endsOf(casts));
  return {
    size: casts.length,
    isMixed: casts.some((f) => f.casting !== undefined),
    get levelOf() {
      return levelOf();
    },
    get productOf() {
      return productOf();
    },
    get outcomes() {
      return [...rows().keys()];
    },
    numberNames: () => {
      levelOf();
      productOf();
    },
    rows: (outcome) => rows().get(outcome) ?? NO_ROWS,
    get mixes() {
      return mixes();
    },
    get ends() {
      return ends();
    },
  };
}

export function logOfParts(names: LogNames, parts: readonly LogPart[]): Log {
  const numbered = once(() => {
    for (const part of parts) part.numberNames();
    return names;
  });
  return {
    parts,
    kept: names,
    size: parts.reduce((sum, part) => sum + part.size, 0),
    isMixed: parts.some((part) => part.isMixed),
    get names() {
      return numbered();
    },
  };
}

const asOnePart = memoize((casts: readonly CastFacts[]): Log => {
  const names = logNames();
  return logOfParts(names, [logPart(names, casts)]);
});

/** Castings to be asked: a log, or a list of them. */
export type Castings = Log | readonly CastFacts[];

/** A list of castings as a log of one part, worked out once; a log as it is. */
export const logOf = (castings: Castings): Log => ('parts' in castings ? castings : asOnePart(castings));

/** The products that its castings are of. */
export function productsOf({ names, parts }: Log): string[] {
  const all = parts.map((part) => kept(part, 'products', '', () => new Set(part.productOf)));
  return names.products.filter((_, p) => all.some((has) => has.has(p)));
}

interface Kept {
  readonly of: string;
  readonly value: unknown;
}
const keptOfPart = memoize<LogPart, Map<string, Kept>>(() => new Map());

/** Castings by the level of a factor: where those of each level stand, one level after another. */
interface ByLevel {
  readonly rows: Int32Array;
  /** Where the rows of each level begin, from the first number on. */
  readonly from: Int32Array;
  readonly first: number;
}

function byLevel(column: Int32Array): ByLevel {
  let [first, last] = [Infinity, -1];
  for (let i = 0; i < column.length; i += 1) {
    if (column[i]! < 0) continue;
    first = Math.min(first, column[i]!);
    last = Math.max(last, column[i]!);
  }
  if (last < 0) return { rows: NO_ROWS, from: new Int32Array(1), first: 0 };
  const from = new Int32Array(last - first + 2);
  for (let i = 0; i < column.length; i += 1) if (column[i]! >= 0) from[column[i]! - first + 1]! += 1;
  for (let l = 1; l < from.length; l += 1) from[l]! += from[l - 1]!;
  const [rows, next] = [new Int32Array(from.at(-1)!), from.slice()];
  for (let i = 0; i < column.length; i += 1) {
    if (column[i]! < 0) continue;
    const at = column[i]! - first;
    rows[next[at]!] = i;
    next[at]! += 1;
  }
  return { rows, from, first };
}

/** Where the castings of a part with a level stand, in their order. */
export function rowsWith(part: LogPart, factor: Factor, place: number): Int32Array {
  const { rows, from, first } = kept(part, `by ${factor}`, '', () => byLevel(part.levelOf[factor]));
  const at = place - first;
  return at < 0 || at + 1 >= from.length ? NO_ROWS : rows.subarray(from[at], from[at + 1]);
}

/**
 * A part's share of a sum, worked out once: of a long log only the part that changed is gone through again.
 * @param name of the sum: one share is kept under each
 * @param of what it depends on beside the part: where that is another, it is worked out anew
 */
export function kept<V>(part: LogPart, name: string, of: string, work: () => V): V {
  const known = keptOfPart(part);
  const before = known.get(name);
  if (before?.of === of) return before.value as V;
  const value = work();
  known.set(name, { of, value });
  return value;
}

import { memoize } from '../numeric/memoize';
import type { CastFacts } from './castFacts';
import { logOf, type Castings, type Log, type LogPart } from './logColumns';
import { totalOf } from './logTotals';

/** Whether a casting has what is asked about; where that is an outcome, which. */
type Outcome = ((facts: CastFacts) => boolean) & { readonly outcome?: string };

export const shows = (outcome: string): Outcome =>
  Object.assign((f: CastFacts) => f.seen.includes(outcome), { outcome });

const count = (counts: Map<number, number>, key: number, times: number) => {
  counts.set(key, (counts.get(key) ?? 0) + times);
};
const inOrder = (counts: ReadonlyMap<number, number>) =>
  [...counts].filter(([, times]) => times > 0).sort(([a], [b]) => a - b);

/** What is seen on castings of a log, and how many show each. */
export const seenIn = memoize(
  (log: Log): ReadonlyMap<string, number> =>
    new Map(
      [
        ...totalOf(log, 'seen', '', {
          zero: () => new Map<string, number>(),
          add: (total, part, sign) => {
            for (const outcome of part.outcomes)
              total.set(outcome, (total.get(outcome) ?? 0) + sign * part.rows(outcome).length);
          },
        }),
      ].filter(([, castings]) => castings > 0),
    ),
);

/** How many mixes have so many castings, by that number. */
const mixCounts = memoize((log: Log) =>
  inOrder(
    totalOf(log, 'mixes', '', {
      zero: () => new Map<number, number>(),
      add: (total, { mixes }, sign) => {
        for (const size of mixes.sizes) count(total, size, sign);
      },
    }),
  ),
);

/** How many castings the largest mix has; 0 without any. */
export const largestMix = (log: Log): number => mixCounts(log).at(-1)?.[0] ?? 0;

/** No mix has more castings than this. */
const MOST = 65_536;

/** Mixes with any casting that has it: their size and how many of their castings have it, as one number, counted. */
function addAgreement(total: Map<number, number>, part: LogPart, rows: ArrayLike<number>, sign: number): void {
  const { of, sizes } = part.mixes;
  const yes = new Map<number, number>();
  for (let r = 0; r < rows.length; r += 1) count(yes, of[rows[r]!]!, 1);
  for (const [mix, k] of yes) count(total, sizes[mix]! * MOST + k, sign);
}

/** So many mixes of each kind, by a number. */
type Counts = readonly (readonly [number, number])[];

/** How castings of some mixes agree in what is asked about. */
interface Agreement {
  readonly castings: number;
  /** Mixes by how many castings they have. */
  readonly sizes: Counts;
  /** Mixes with any casting that has it, by size and how many have it as one number. */
  readonly having: Counts;
}

function ofLog(log: Log, outcome: string): Agreement {
  const having = totalOf(log, `mixes ${outcome}`, '', {
    zero: () => new Map<number, number>(),
    add: (total, part, sign) => {
      addAgreement(total, part, part.rows(outcome), sign);
    },
  });
  // In one order, so that the sums do not depend on how the log lies in parts.
  return { castings: log.size, sizes: mixCounts(log), having: inOrder(having) };
}

/** What tells of which mix a casting is. */
type Mixed = Pick<CastFacts, 'code' | 'casting'>;

/** Castings of one mix, and how many of them have it. */
interface Mix {
  size: number;
  yes: number;
}

/** The same of a list; what tells no castings apart is a mix by itself. */
function ofList<T extends Mixed>(castings: readonly T[], has: (casting: T) => boolean): Agreement {
  const mixes = new Map<string, Mix>();
  let last: { readonly code: string; readonly mix: Mix } | null = null;
  const singles: [number, number] = [0, 0];
  for (const f of castings) {
    const yes = has(f) ? 1 : 0;
    if (f.casting === undefined) {
      singles[yes] += 1;
      continue;
    }
    // Castings of one mix stand together mostly.
    const mix: Mix = last?.code === f.code ? last.mix : (mixes.get(f.code) ?? { size: 0, yes: 0 });
    if (mix.size === 0) mixes.set(f.code, mix);
    last = { code: f.code, mix };
    mix.size += 1;
    mix.yes += yes;
  }
  const [sizes, having] = [new Map<number, number>(), new Map<number, number>()];
  const add = ({ size, yes }: Readonly<Mix>, times: number) => {
    count(sizes, size, times);
    if (yes > 0) count(having, size * MOST + yes, times);
  };
  for (const mix of mixes.values()) add(mix, 1);
  for (const yes of [0, 1] as const) add({ size: 1, yes }, singles[yes]);
  return { castings: castings.length, sizes: inOrder(sizes), having: inOrder(having) };
}

function agreementOf(castings: Castings, has: Outcome): Agreement {
  if (!('parts' in castings)) return ofList(castings, has);
  if (has.outcome === undefined) throw new TypeError('A log holds what is seen alone: ask it by an outcome.');
  return ofLog(logOf(castings), has.outcome);
}

/**
 * How much more castings of one mix are alike in an outcome than castings of different mixes: the intraclass
 * correlation by analysis of variance. Source: Donner and Klar 2000, for clusters of unequal size.
 * @returns 0 to 1; 0 where no mix has several castings
 */
export function withinMix(castings: Castings, has: Outcome): number {
  return isMixed(castings) ? correlation(agreementOf(castings, has)) : 0;
}

/** Whether castings of a mix are told apart anywhere. */
const isMixed = (castings: Castings): boolean =>
  'parts' in castings ? castings.isMixed : castings.some((f) => f.casting !== undefined);

function correlation({ castings: N, sizes, having }: Agreement): number {
  let [K, squares] = [0, 0];
  for (const [size, mixes] of sizes) {
    K += mixes;
    squares += mixes * size * size;
  }
  if (K < 2 || N <= K) return 0;
  const agreement = having.map(([key, mixes]) => [Math.floor(key / MOST), key % MOST, mixes] as const);
  const rate = agreement.reduce((sum, [, k, mixes]) => sum + k * mixes, 0) / N;
  // Mixes without one lie `rate` from it, each with all of its castings.
  let [between, within, without] = [0, 0, N];
  for (const [n, k, mixes] of agreement) {
    const off = k / n - rate;
    between += mixes * n * off * off;
    within += mixes * k * (1 - k / n);
    without -= mixes * n;
  }
  between = (between + without * rate * rate) / (K - 1);
  within /= N - K;
  const size = (N - squares / N) / (K - 1);
  const total = between + (size - 1) * within;
  return total <= 0 ? 0 : Math.min(1, Math.max(0, (between - within) / total));
}

/** What a casting counts for, by how many castings its mix has. */
export type WeightOf = (mixSize: number) => number;

/** What was worked out of a log by outcome. */
const weightsByOutcome = memoize<Log, Map<string, WeightOf>>(() => new Map());

/**
 * What a casting counts for, for one outcome: `1/(1 + (m − 1)ρ)` of `m` castings of its mix with correlation ρ. A mix
 * whose castings always agree counts as one; castings that know nothing of each other count each.
 * @returns null where every mix has one casting, and each counts for one
 */
export function weightBySize(castings: Castings, has: Outcome): WeightOf | null {
  if (!isMixed(castings)) return null;
  if (!('parts' in castings)) return weightOf(ofList(castings, has));
  const known = has.outcome === undefined ? null : weightsByOutcome(castings);
  const before = known?.get(has.outcome!);
  if (before) return before;
  const weight = weightOf(agreementOf(castings, has));
  known?.set(has.outcome!, weight);
  return weight;
}

function weightOf(agreement: Agreement): WeightOf {
  const rho = correlation(agreement);
  return (m) => 1 / (1 + (m - 1) * rho);
}

/** By how much the castings looked at are fewer than they seem, for one outcome; 1 where every mix has one casting. */
export function designEffect(castings: Castings, has: Outcome): number {
  if (!('parts' in castings)) return designEffectOf(castings, has);
  return castings.isMixed ? effectOf(castings.size, mixCounts(castings), weightBySize(castings, has)!) : 1;
}

/** The same of a list that tells of each casting which mix it is of. */
export function designEffectOf<T extends Mixed>(castings: readonly T[], has: (casting: T) => boolean): number {
  if (castings.every((f) => f.casting === undefined)) return 1;
  const agreement = ofList(castings, has);
  return effectOf(agreement.castings, agreement.sizes, weightOf(agreement));
}

function effectOf(castings: number, sizes: Counts, weight: WeightOf): number {
  let sum = 0;
  for (const [m, mixes] of sizes) sum += mixes * m * weight(m);
  return castings === 0 ? 1 : castings / sum;
}

/** Nearer to a whole number than this is one: weights of a third add up to one but for the machine's rounding. */
const WHOLE = 1e-6;

/** Weighted counts as whole ones, never surer for the rounding. */
export function wholeTable([a, b, c, d]: readonly [number, number, number, number]): [number, number, number, number] {
  const [n, m] = [Math.floor(a + b + WHOLE), Math.floor(c + d + WHOLE)];
  const [k, l] = [Math.min(n, Math.floor(a + WHOLE)), Math.max(0, Math.min(m, Math.ceil(c - WHOLE)))];
  return [k, n - k, l, m - l];
}

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

/** Castings of a list that have what is asked about. */
function rowsWith(castings: Castings, has: Outcome): number[] {
  if ('parts' in castings) throw new TypeError('A log holds what is seen alone: ask it by an outcome.');
  return castings.flatMap((f, i) => (has(f) ? [i] : []));
}

/** How mixes agree in what is asked about: castings of a mix, those of them that have it, and how many such mixes. */
function agreementOf(castings: Castings, has: Outcome): (readonly [number, number, number])[] {
  const log = logOf(castings);
  const { outcome } = has;
  const counted =
    outcome === undefined
      ? new Map<number, number>()
      : totalOf(log, `mixes ${outcome}`, '', {
          zero: () => new Map<number, number>(),
          add: (total, part, sign) => {
            addAgreement(total, part, part.rows(outcome), sign);
          },
        });
  // A list lies in one part.
  if (outcome === undefined) for (const part of log.parts) addAgreement(counted, part, rowsWith(castings, has), 1);
  // In one order, so that the sums do not depend on how the log lies in parts.
  return inOrder(counted).map(([key, mixes]) => [Math.floor(key / MOST), key % MOST, mixes] as const);
}

/**
 * How much more castings of one mix are alike in an outcome than castings of different mixes: the intraclass
 * correlation by analysis of variance. Source: Donner and Klar 2000, for clusters of unequal size.
 * @returns 0 to 1; 0 where no mix has several castings
 */
export function withinMix(castings: Castings, has: Outcome): number {
  return logOf(castings).isMixed ? correlation(castings, has) : 0;
}

function correlation(castings: Castings, has: Outcome): number {
  const log = logOf(castings);
  const N = log.size;
  let [K, squares] = [0, 0];
  for (const [size, mixes] of mixCounts(log)) {
    K += mixes;
    squares += mixes * size * size;
  }
  if (K < 2 || N <= K) return 0;
  const agreement = agreementOf(castings, has);
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
  const log = logOf(castings);
  if (!log.isMixed) return null;
  const known = has.outcome === undefined ? null : weightsByOutcome(log);
  const before = known?.get(has.outcome!);
  if (before) return before;
  const rho = correlation(castings, has);
  const weight: WeightOf = (m) => 1 / (1 + (m - 1) * rho);
  known?.set(has.outcome!, weight);
  return weight;
}

/** By how much the castings looked at are fewer than they seem, for one outcome; 1 where every mix has one casting. */
export function designEffect(castings: Castings, has: Outcome): number {
  const log = logOf(castings);
  const weight = weightBySize(castings, has);
  if (weight === null || log.size === 0) return 1;
  let sum = 0;
  for (const [m, mixes] of mixCounts(log)) sum += mixes * m * weight(m);
  return log.size / sum;
}

/** Nearer to a whole number than this is one: weights of a third add up to one but for the machine's rounding. */
const WHOLE = 1e-6;

/** Weighted counts as whole ones, never surer for the rounding. */
export function wholeTable([a, b, c, d]: readonly [number, number, number, number]): [number, number, number, number] {
  const [n, m] = [Math.floor(a + b + WHOLE), Math.floor(c + d + WHOLE)];
  const [k, l] = [Math.min(n, Math.floor(a + WHOLE)), Math.max(0, Math.min(m, Math.ceil(c - WHOLE)))];
  return [k, n - k, l, m - l];
}

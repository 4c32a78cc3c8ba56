import type { CastFacts } from './castFacts';
import { memoize } from '../numeric/memoize';
import { columnsOf, type LogColumns, type Mixes } from './logColumns';

/** Whether a casting has what is asked about; where that is an outcome, which. */
type Outcome = ((facts: CastFacts) => boolean) & { readonly outcome?: string };

export const shows = (outcome: string): Outcome =>
  Object.assign((f: CastFacts) => f.seen.includes(outcome), { outcome });

/** Where the castings that have it stand. */
const rowsOf = (facts: readonly CastFacts[], has: Outcome): ArrayLike<number> =>
  has.outcome === undefined ? facts.flatMap((f, i) => (has(f) ? [i] : [])) : columnsOf(facts).rows(has.outcome);

/** How many castings of each mix have it. */
function yesByMix({ of, sizes }: Mixes, rows: ArrayLike<number>): Int32Array {
  const yes = new Int32Array(sizes.length);
  for (let r = 0; r < rows.length; r += 1) yes[of[rows[r]!]!]! += 1;
  return yes;
}

/**
 * How much more castings of one mix are alike in an outcome than castings of different mixes: the intraclass
 * correlation by analysis of variance. Source: Donner and Klar 2000, for clusters of unequal size.
 * @returns 0 to 1; 0 where no mix has several castings
 */
export function withinMix(facts: readonly CastFacts[], has: Outcome): number {
  const { mixes } = columnsOf(facts);
  return mixes === null ? 0 : correlation(mixes, rowsOf(facts, has), facts.length);
}

/** @param rows where the castings that have it stand, and @param casts how many castings there are */
function correlation(mixes: Mixes, rows: ArrayLike<number>, casts: number): number {
  const { of, sizes, squares } = mixes;
  const [N, K] = [casts, sizes.length];
  if (K < 2 || N <= K) return 0;
  const rate = rows.length / N;
  const yes = yesByMix(mixes, rows);
  // Mixes without one lie `rate` from it, each with all of its castings.
  let [between, within, without] = [0, 0, N];
  for (let r = 0; r < rows.length; r += 1) {
    const mix = of[rows[r]!]!;
    const [n, k] = [sizes[mix]!, yes[mix]!];
    // A mix is counted at the first of its castings.
    if (k === 0) continue;
    yes[mix] = 0;
    const off = k / n - rate;
    between += n * off * off;
    within += k * (1 - k / n);
    without -= n;
  }
  between = (between + without * rate * rate) / (K - 1);
  within /= N - K;
  const size = (N - squares / N) / (K - 1);
  const total = between + (size - 1) * within;
  return total <= 0 ? 0 : Math.min(1, Math.max(0, (between - within) / total));
}

/**
 * What each casting counts for, for one outcome: `1/(1 + (m − 1)ρ)` of `m` castings of its mix with correlation ρ. A
 * mix whose castings always agree counts as one; castings that know nothing of each other count each.
 * @returns null where every mix has one casting, and each counts for one
 */
export function castingWeights(facts: readonly CastFacts[], has: Outcome): Float64Array | null {
  const bySize = weightBySize(facts, has);
  if (bySize === null) return null;
  const { of, sizes } = columnsOf(facts).mixes!;
  const weights = new Float64Array(facts.length);
  for (let i = 0; i < weights.length; i += 1) weights[i] = bySize[sizes[of[i]!]!]!;
  return weights;
}

/** What was worked out of a log by outcome. */
const weightsByOutcome = memoize<LogColumns, Map<string, Float64Array | null>>(() => new Map());

/**
 * What a casting counts for, for one outcome, by how many castings its mix has; at 0 nothing.
 * @returns null where every mix has one casting, and each counts for one
 */
export function weightBySize(facts: readonly CastFacts[], has: Outcome): Float64Array | null {
  if (has.outcome === undefined) return workWeights(facts, has);
  const known = weightsByOutcome(columnsOf(facts));
  const before = known.get(has.outcome);
  if (before !== undefined) return before;
  const weights = workWeights(facts, has);
  known.set(has.outcome, weights);
  return weights;
}

function workWeights(facts: readonly CastFacts[], has: Outcome): Float64Array | null {
  const { mixes } = columnsOf(facts);
  if (mixes === null) return null;
  const rho = correlation(mixes, rowsOf(facts, has), facts.length);
  return Float64Array.from({ length: mixes.largest + 1 }, (_, m) => (m === 0 ? 0 : 1 / (1 + (m - 1) * rho)));
}

/** By how much the castings looked at are fewer than they seem, for one outcome; 1 where every mix has one casting. */
export function designEffect(facts: readonly CastFacts[], has: Outcome): number {
  const bySize = weightBySize(facts, has);
  if (bySize === null || facts.length === 0) return 1;
  let sum = 0;
  columnsOf(facts).mixes!.counts.forEach((mixes, m) => {
    sum += mixes * m * bySize[m]!;
  });
  return facts.length / sum;
}

/** Nearer to a whole number than this is one: weights of a third add up to one but for the machine's rounding. */
const WHOLE = 1e-6;

/** Weighted counts as whole ones, never surer for the rounding. */
export function wholeTable([a, b, c, d]: readonly [number, number, number, number]): [number, number, number, number] {
  const [n, m] = [Math.floor(a + b + WHOLE), Math.floor(c + d + WHOLE)];
  const [k, l] = [Math.min(n, Math.floor(a + WHOLE)), Math.max(0, Math.min(m, Math.ceil(c - WHOLE)))];
  return [k, n - k, l, m - l];
}

import type { CastFacts } from './castFacts';
import { memoize } from '../numeric/memoize';
import { columnsOf, type LogColumns, type Mixes } from './logColumns';

/** Whether a casting has what is asked about; where that is an outcome, which. */
type Outcome = ((facts: CastFacts) => boolean) & { readonly outcome?: string };

export const shows = (outcome: string): Outcome =>
  Object.assign((f: CastFacts) => f.seen.includes(outcome), { outcome });

/** 1 for each casting that has it. */
const flagsOf = (facts: readonly CastFacts[], has: Outcome): Uint8Array =>
  has.outcome === undefined ? Uint8Array.from(facts, (f) => (has(f) ? 1 : 0)) : columnsOf(facts).shows(has.outcome);

/** How many castings of each mix have it. */
function yesByMix({ of, sizes }: Mixes, flags: Uint8Array): Int32Array {
  const yes = new Int32Array(sizes.length);
  for (let i = 0; i < flags.length; i += 1) yes[of[i]!]! += flags[i]!;
  return yes;
}

/**
 * How much more castings of one mix are alike in an outcome than castings of different mixes: the intraclass
 * correlation by analysis of variance. Source: Donner and Klar 2000, for clusters of unequal size.
 * @returns 0 to 1; 0 where no mix has several castings
 */
export function withinMix(facts: readonly CastFacts[], has: Outcome): number {
  const { mixes } = columnsOf(facts);
  return mixes === null ? 0 : correlation(mixes.sizes, yesByMix(mixes, flagsOf(facts, has)), facts.length);
}

/** @param sizes castings of each mix, and @param yes how many of them have it */
function correlation(sizes: Int32Array, yes: Int32Array, casts: number): number {
  const [N, K] = [casts, sizes.length];
  if (K < 2 || N <= K) return 0;
  const rate = yes.reduce((s, k) => s + k, 0) / N;
  let [between, within, squares] = [0, 0, 0];
  for (let m = 0; m < K; m += 1) {
    const [n, k] = [sizes[m]!, yes[m]!];
    between += n * (k / n - rate) ** 2;
    within += k * (1 - k / n);
    squares += n ** 2;
  }
  between /= K - 1;
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
  if (has.outcome === undefined) return weightsOf(facts, has);
  const known = weightsByOutcome(columnsOf(facts));
  const before = known.get(has.outcome);
  if (before !== undefined) return before;
  const weights = weightsOf(facts, has);
  known.set(has.outcome, weights);
  return weights;
}

/** What was worked out of a log by outcome. */
const weightsByOutcome = memoize<LogColumns, Map<string, Float64Array | null>>(() => new Map());

function weightsOf(facts: readonly CastFacts[], has: Outcome): Float64Array | null {
  const { mixes } = columnsOf(facts);
  if (mixes === null) return null;
  const rho = correlation(mixes.sizes, yesByMix(mixes, flagsOf(facts, has)), facts.length);
  const weights = new Float64Array(facts.length);
  for (let i = 0; i < weights.length; i += 1) weights[i] = 1 / (1 + (mixes.sizes[mixes.of[i]!]! - 1) * rho);
  return weights;
}

/** By how much the castings looked at are fewer than they seem, for one outcome; 1 where every mix has one casting. */
export function designEffect(facts: readonly CastFacts[], has: Outcome): number {
  const weights = castingWeights(facts, has);
  if (weights === null || facts.length === 0) return 1;
  let sum = 0;
  for (let i = 0; i < weights.length; i += 1) sum += weights[i]!;
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

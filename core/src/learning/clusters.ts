import type { CastFacts } from './castFacts';

/** Whether a casting has what is asked about. */
type Outcome = (facts: CastFacts) => boolean;

export const shows =
  (outcome: string): Outcome =>
  (f) =>
    f.seen.includes(outcome);

/** The mix that each casting came from; one whose batch tells none apart stands for itself. */
const mixOf = (f: CastFacts, i: number) => (f.casting === undefined ? `${i}` : `mix ${f.code}`);

/** Castings by the mix they came from: those of one mix share its faults, and are not independent. */
function byMix(facts: readonly CastFacts[], has: Outcome): Map<string, { n: number; k: number }> {
  const mixes = new Map<string, { n: number; k: number }>();
  facts.forEach((f, i) => {
    const key = mixOf(f, i);
    const mix = mixes.get(key) ?? { n: 0, k: 0 };
    mix.n += 1;
    if (has(f)) mix.k += 1;
    mixes.set(key, mix);
  });
  return mixes;
}

/**
 * How much more castings of one mix are alike in an outcome than castings of different mixes: the intraclass
 * correlation by analysis of variance. Source: Donner and Klar 2000, for clusters of unequal size.
 * @returns 0 to 1; 0 where no mix has several castings
 */
export function withinMix(facts: readonly CastFacts[], has: Outcome): number {
  return correlation([...byMix(facts, has).values()], facts.length);
}

function correlation(mixes: readonly { readonly n: number; readonly k: number }[], casts: number): number {
  const [N, K] = [casts, mixes.length];
  if (K < 2 || N <= K) return 0;
  const rate = mixes.reduce((s, m) => s + m.k, 0) / N;
  const between = mixes.reduce((s, m) => s + m.n * (m.k / m.n - rate) ** 2, 0) / (K - 1);
  const within = mixes.reduce((s, m) => s + m.k * (1 - m.k / m.n), 0) / (N - K);
  const size = (N - mixes.reduce((s, m) => s + m.n ** 2, 0) / N) / (K - 1);
  const total = between + (size - 1) * within;
  return total <= 0 ? 0 : Math.min(1, Math.max(0, (between - within) / total));
}

/**
 * What each casting counts for, for one outcome: `1/(1 + (m − 1)ρ)` of `m` castings of its mix with correlation ρ. A
 * mix whose castings always agree counts as one; castings that know nothing of each other count each.
 * @returns null where every mix has one casting, and each counts for one
 */
export function castingWeights(facts: readonly CastFacts[], has: Outcome): readonly number[] | null {
  if (facts.every((f) => f.casting === undefined)) return null;
  const mixes = byMix(facts, has);
  const rho = correlation([...mixes.values()], facts.length);
  return facts.map((f, i) => 1 / (1 + (mixes.get(mixOf(f, i))!.n - 1) * rho));
}

/** By how much the castings looked at are fewer than they seem, for one outcome; 1 where every mix has one casting. */
export function designEffect(facts: readonly CastFacts[], has: Outcome): number {
  const weights = castingWeights(facts, has);
  return weights === null || facts.length === 0 ? 1 : facts.length / weights.reduce((a, b) => a + b, 0);
}

/** Nearer to a whole number than this is one: weights of a third add up to one but for the machine's rounding. */
const WHOLE = 1e-6;

/** Weighted counts as whole ones, never surer for the rounding. */
export function wholeTable([a, b, c, d]: readonly [number, number, number, number]): [number, number, number, number] {
  const [n, m] = [Math.floor(a + b + WHOLE), Math.floor(c + d + WHOLE)];
  const [k, l] = [Math.min(n, Math.floor(a + WHOLE)), Math.max(0, Math.min(m, Math.ceil(c - WHOLE)))];
  return [k, n - k, l, m - l];
}

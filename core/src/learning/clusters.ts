import type { CastFacts } from './castFacts';

/** Whether a casting has what is asked about. */
type Outcome = (facts: CastFacts) => boolean;

export const shows =
  (outcome: string): Outcome =>
  (f) =>
    f.seen.includes(outcome);

/** Castings by the mix they came from: those of one mix share its faults, and are not independent. */
function byMix(facts: readonly CastFacts[], has: Outcome): { n: number; k: number }[] {
  const mixes = new Map<string, { n: number; k: number }>();
  facts.forEach((f, i) => {
    // A casting without a code of its batch stands for itself.
    const key = f.casting === undefined ? `${i}` : `mix ${f.code}`;
    const mix = mixes.get(key) ?? { n: 0, k: 0 };
    mix.n += 1;
    if (has(f)) mix.k += 1;
    mixes.set(key, mix);
  });
  return [...mixes.values()];
}

/**
 * How much more castings of one mix are alike in an outcome than castings of different mixes: the intraclass
 * correlation by analysis of variance. Source: Donner and Klar 2000, for clusters of unequal size.
 * @returns 0 to 1; 0 where no mix has several castings
 */
export function withinMix(facts: readonly CastFacts[], has: Outcome): number {
  const mixes = byMix(facts, has);
  const [N, K] = [facts.length, mixes.length];
  if (K < 2 || N <= K) return 0;
  const rate = mixes.reduce((s, m) => s + m.k, 0) / N;
  const between = mixes.reduce((s, m) => s + m.n * (m.k / m.n - rate) ** 2, 0) / (K - 1);
  const within = mixes.reduce((s, m) => s + m.k * (1 - m.k / m.n), 0) / (N - K);
  const size = (N - mixes.reduce((s, m) => s + m.n ** 2, 0) / N) / (K - 1);
  const total = between + (size - 1) * within;
  return total <= 0 ? 0 : Math.min(1, Math.max(0, (between - within) / total));
}

/**
 * By how much the castings looked at are fewer than they seem, for one outcome: `1 + (m − 1)ρ`, with `m` the castings
 * of a mix (weighted by themselves) and ρ their correlation. 1 where every mix has one casting.
 */
export function designEffect(facts: readonly CastFacts[], has: Outcome): number {
  if (facts.every((f) => f.casting === undefined)) return 1;
  const rho = withinMix(facts, has);
  if (rho === 0) return 1;
  const mixes = byMix(facts, has);
  const m = mixes.reduce((s, x) => s + x.n ** 2, 0) / facts.length;
  return 1 + (m - 1) * rho;
}

/** A count as that of so many independent castings: fewer by the design effect, and never more sure for rounding. */
export function effectiveTable(
  [a, b, c, d]: readonly [number, number, number, number],
  effect: number,
): [number, number, number, number] {
  if (effect <= 1) return [a, b, c, d];
  const [n, m] = [Math.max(1, Math.floor((a + b) / effect)), Math.max(1, Math.floor((c + d) / effect))];
  const [k, l] = [Math.floor((n * a) / Math.max(1, a + b)), Math.ceil((m * c) / Math.max(1, c + d))];
  return [k, n - k, l, m - l];
}

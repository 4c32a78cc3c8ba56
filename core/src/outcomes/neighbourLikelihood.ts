import { lnBeta } from '../numeric/lnGamma';

/** Castings with a fault, of those that share something, and of the others of the product. */
export interface NeighbourCounts {
  readonly with: number;
  readonly of: number;
  readonly otherwise: number;
  readonly ofOthers: number;
  /** By how much the castings are fewer than they seem, several being of one mix; 1 where each is its own. */
  readonly effect?: number | null | undefined;
}

/**
 * How often a thing that is at fault spoils a casting: about every other one, oftener where the others fail often
 * too; and nobody knows it closely (what a beta distribution counts as tries).
 */
const [AT_FAULT_RATE, AT_FAULT_TRIES] = [0.5, 3];
/** What is known of the others before any was seen: nothing (Laplace). */
const NOTHING_KNOWN = 1;

/** ln of the chance of `k` of `n`, in this order, where the rate is spread as a beta distribution. */
const lnChanceOf = (k: number, n: number, a: number, b: number): number => lnBeta(a + k, b + n - k) - lnBeta(a, b);

/**
 * How much better the neighbours are explained by the thing they share being at fault than by the rate of all others,
 * each rate as uncertain as the few castings leave it (beta–binomial marginal likelihoods). One casting tells little,
 * three of three against one of twenty much.
 * @returns the likelihood ratio; 1 where there is no neighbour
 */
export function neighbourLikelihoodRatio(counts: NeighbourCounts): number {
  const effect = counts.effect ?? 1;
  const [k, n, K, N] = [counts.with, counts.of, counts.otherwise, counts.ofOthers].map((v) => v / effect) as [
    number,
    number,
    number,
    number,
  ];
  if (n <= 0) return 1;
  const rate = Math.max(AT_FAULT_RATE, (1 + (K + NOTHING_KNOWN) / (N + 2 * NOTHING_KNOWN)) / 2);
  const elsewhere = lnChanceOf(k, n, K + NOTHING_KNOWN, Math.max(0, N - K) + NOTHING_KNOWN);
  return Math.exp(lnChanceOf(k, n, AT_FAULT_TRIES * rate, AT_FAULT_TRIES * (1 - rate)) - elsewhere);
}

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

/** The likelihood ratio of `k` of `n` against `K` of `N`, as it comes out. */
function ratioOf(k: number, n: number, K: number, N: number): number {
  const rate = Math.max(AT_FAULT_RATE, (1 + (K + NOTHING_KNOWN) / (N + 2 * NOTHING_KNOWN)) / 2);
  const elsewhere = lnChanceOf(k, n, K + NOTHING_KNOWN, Math.max(0, N - K) + NOTHING_KNOWN);
  return Math.exp(lnChanceOf(k, n, AT_FAULT_TRIES * rate, AT_FAULT_TRIES * (1 - rate)) - elsewhere);
}

/** Counts below the one seen are looked at in so many steps at the most. */
const STEPS = 200;

/**
 * How much better the neighbours are explained by the thing they share being at fault than by the rate of all others,
 * each rate as uncertain as the few castings leave it (beta–binomial marginal likelihoods). One casting tells little,
 * three of three against one of twenty much. One more that has the fault never speaks less for it: a wide guess of
 * the rate alone would have none of twenty tell less against it than one of twenty.
 * @returns the likelihood ratio; 1 where there is no neighbour
 */
export function neighbourLikelihoodRatio(counts: NeighbourCounts): number {
  if (counts.of <= 0) return 1;
  const effect = counts.effect ?? 1;
  const [n, K, N] = [counts.of / effect, counts.otherwise / effect, counts.ofOthers / effect];
  const step = Math.max(1, counts.with / STEPS);
  let most = ratioOf(counts.with / effect, n, K, N);
  for (let k = 0; k < counts.with; k += step) most = Math.max(most, ratioOf(k / effect, n, K, N));
  return most;
}

import { requireNumber } from '../formats/errors';
import { lnGamma } from '../numeric/lnGamma';

/** Factorials of counts up to this are remembered: tests of a log ask for the same ones again and again. */
const MOST_KNOWN = 200_000;
let known: Float64Array | null = null;

/** ln of `n` factorial. @param n a whole number from 0 */
function lnFactorial(n: number): number {
  if (n >= MOST_KNOWN) return lnGamma(n + 1);
  known ??= new Float64Array(MOST_KNOWN).fill(NaN);
  const before = known[n]!;
  if (!Number.isNaN(before)) return before;
  const value = lnGamma(n + 1);
  known[n] = value;
  return value;
}

/** ln of the number of ways to choose `k` of `n`, both whole numbers. */
export const lnChoose = (n: number, k: number): number => lnFactorial(n) - lnFactorial(k) - lnFactorial(n - k);

/**
 * Chance of `k` or more in `n` tries, each with chance `p`.
 * @throws CoreError `out-of-range`
 * @example binomialAtLeast(2, 3, 0.5) // 0.5
 */
export function binomialAtLeast(k: number, n: number, p: number): number {
  requireNumber(n, 'n', 0, 1e7);
  requireNumber(k, 'k', 0, n);
  requireNumber(p, 'p', 0, 1);
  if (k === 0 || p === 1) return 1;
  if (p === 0) return 0;
  let sum = 0;
  for (let i = k; i <= n; i += 1) sum += Math.exp(lnChoose(n, i) + i * Math.log(p) + (n - i) * Math.log1p(-p));
  return Math.min(1, sum);
}

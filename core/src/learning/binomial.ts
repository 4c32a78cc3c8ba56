import { requireNumber } from '../formats/errors';
import { lnGamma } from '../numeric/lnGamma';

/** ln of the number of ways to choose `k` of `n`. */
export const lnChoose = (n: number, k: number): number => lnGamma(n + 1) - lnGamma(k + 1) - lnGamma(n - k + 1);

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

import { requireNumber } from '../formats/errors';

/** ln Γ by Lanczos' series (g = 7, n = 9); right to 1e-13 for what is counted here. */
const LANCZOS = [
  0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059,
  12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
];
function lnGamma(x: number): number {
  const z = x - 1;
  const t = z + 7.5;
  const series = LANCZOS.reduce((sum, c, i) => (i === 0 ? c : sum + c / (z + i)), 0);
  return 0.5 * Math.log(2 * Math.PI) + (z + 0.5) * Math.log(t) - t + Math.log(series);
}

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

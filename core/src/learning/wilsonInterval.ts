import { requireNumber } from '../formats/errors';

/** Standard deviations either side that hold 95 % of a normal spread. */
const Z_95 = 1.959963984540054;

/** A rate with the interval it may lie in. */
export interface RateInterval {
  readonly rate: number;
  readonly low: number;
  readonly high: number;
}

/**
 * Wilson's score interval (95 %) for a rate of `k` in `n`. Source: Wilson 1927.
 * @returns shares 0 to 1; the whole range for n = 0
 * @throws CoreError `out-of-range`
 * @example wilsonInterval(5, 10) // { rate: 0.5, low: 0.2366, high: 0.7634 }
 */
export function wilsonInterval(k: number, n: number): RateInterval {
  requireNumber(n, 'n', 0, 1e12);
  requireNumber(k, 'k', 0, n);
  if (n === 0) return { rate: 0, low: 0, high: 1 };
  const rate = k / n;
  const z2 = Z_95 ** 2;
  const centre = (rate + z2 / (2 * n)) / (1 + z2 / n);
  const half = (Z_95 / (1 + z2 / n)) * Math.sqrt((rate * (1 - rate)) / n + z2 / (4 * n * n));
  return { rate, low: k === 0 ? 0 : Math.max(0, centre - half), high: k === n ? 1 : Math.min(1, centre + half) };
}

import { requireNumber } from '../formats/errors';

/**
 * Adjusts chances for how many questions were asked, so that of what is called found, at most that share is false.
 * Source:
 * Benjamini and Hochberg 1995.
 * @param p 0 to 1, in any order
 * @returns adjusted, in the same order; never below `p`
 * @throws CoreError `out-of-range`
 * @example benjaminiHochberg([0.25, 0.125, 0.5]) // [0.375, 0.375, 0.5]
 */
export function benjaminiHochberg(p: readonly number[]): number[] {
  p.forEach((v, i) => requireNumber(v, `p[${i}]`, 0, 1));
  const order = p.map((_, i) => i).sort((a, b) => p[b]! - p[a]!);
  const adjusted = new Array<number>(p.length);
  let least = 1;
  order.forEach((i, rank) => {
    // The quotient first: where it is one, nothing is lost to rounding.
    least = Math.min(least, p[i]! * (p.length / (p.length - rank)));
    adjusted[i] = least;
  });
  return adjusted;
}

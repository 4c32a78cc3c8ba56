import { requireNumber } from '../formats/errors';
import { lnChoose } from './binomial';

/** Tables this little likelier than the one seen still count as no likelier: rounding alone tells them apart. */
const ROUNDING = 1 + 1e-7;
/** A table this much rarer than the one seen adds nothing to the sum. */
const NOTHING = 1e-12;

/**
 * Fisher's exact test, two-sided: the chance of a table no likelier than this one, its margins held. Source: Fisher
 * 1935; two-sided by the sum of small probabilities, as statistical packages have it.
 *
 * |          | fault | none |
 * |----------|-------|------|
 * | with     | a     | b    |
 * | without  | c     | d    |
 * @param a counts, whole numbers from 0
 * @returns p, 0 to 1; 1 where a margin is empty
 * @throws CoreError `out-of-range`
 * @example fisherExact(3, 1, 1, 3) // 0.4857
 */
export function fisherExact(a: number, b: number, c: number, d: number): number {
  for (const [name, value] of Object.entries({ a, b, c, d })) requireNumber(value, name, 0, 1e9);
  const [row, column, all] = [a + b, a + c, a + b + c + d];
  const [from, to] = [Math.max(0, row + column - all), Math.min(row, column)];
  if (from === to) return 1;
  const lnOf = (k: number) => lnChoose(column, k) + lnChoose(all - column, row - k) - lnChoose(all, row);
  const seen = Math.exp(lnOf(a)) * ROUNDING;
  // Each probability from its neighbour, outward from the likeliest, until nothing is left to add.
  const mode = Math.min(to, Math.max(from, Math.floor(((row + 1) * (column + 1)) / (all + 2))));
  const top = Math.exp(lnOf(mode));
  let p = top <= seen ? top : 0;
  for (const step of [1, -1]) {
    let at = top;
    for (let k = mode; k !== (step > 0 ? to : from); k += step) {
      at *=
        step > 0
          ? ((column - k) * (row - k)) / ((k + 1) * (all - column - row + k + 1))
          : (k * (all - column - row + k)) / ((column - k + 1) * (row - k + 1));
      if (at <= seen) p += at;
      if (at < seen * NOTHING) break;
    }
  }
  return Math.min(1, p);
}

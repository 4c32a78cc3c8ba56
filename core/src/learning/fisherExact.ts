import { requireNumber } from '../formats/errors';
import { lnChoose } from './binomial';

/** Tables this little likelier than the one seen still count as no likelier: rounding alone tells them apart. */
const ROUNDING = Math.log1p(1e-7);
/** A table this much rarer than the first that counts adds nothing to the sum. */
const NOTHING = 1e-17;

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
  const lnWays = lnChoose(all, row);
  const lnOf = (k: number) => lnChoose(column, k) + lnChoose(all - column, row - k) - lnWays;
  const lnSeen = lnOf(a) + ROUNDING;
  const mode = Math.min(to, Math.max(from, Math.floor(((row + 1) * (column + 1)) / (all + 2))));
  // On each side of the likeliest table probabilities only fall: from the first that is no likelier they are added up.
  let p = 0;
  for (const side of [-1, 1] as const) {
    const last = side < 0 ? from : to;
    let k = firstUnlikely(side < 0 ? mode - 1 : mode, last, side, (at) => lnOf(at) <= lnSeen);
    if (k === null) continue;
    let at = Math.exp(lnOf(k));
    const least = at * NOTHING;
    for (; ; k += side) {
      p += at;
      if (k === last || at <= least) break;
      at *=
        side > 0
          ? ((column - k) * (row - k)) / ((k + 1) * (all - column - row + k + 1))
          : (k * (all - column - row + k)) / ((column - k + 1) * (row - k + 1));
    }
  }
  return Math.min(1, p);
}

/** The first count from one towards another from which on a question is answered yes; null where none is. */
function firstUnlikely(start: number, last: number, side: 1 | -1, isUnlikely: (at: number) => boolean): number | null {
  if ((last - start) * side < 0 || !isUnlikely(last)) return null;
  let [low, high] = [0, Math.abs(last - start)];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (isUnlikely(start + side * middle)) high = middle;
    else low = middle + 1;
  }
  return start + side * low;
}

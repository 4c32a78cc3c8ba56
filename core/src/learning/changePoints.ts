/** Defects counted over a stretch of time. */
export interface Counted {
  readonly k: number;
  readonly n: number;
}
/** A stretch with one rate: from bucket `from` up to, not with, `to`. */
export interface Segment extends Counted {
  readonly from: number;
  readonly to: number;
  readonly rate: number;
}

/** A stretch shorter than this many buckets is a bad week, not a change. */
const MIN_BUCKETS = 3;
/**
 * What a change must gain in log likelihood, beside ln of the places it could have been: of years without a change,
 * about one in twenty shows one.
 */
const CHANGE_PENALTY = 3.5;

const lnLikelihood = (k: number, n: number) =>
  k === 0 || k === n ? 0 : k * Math.log(k / n) + (n - k) * Math.log(1 - k / n);

/**
 * Splits a series of counts where its rate changed, by optimal partitioning of the binomial likelihood with a penalty
 * for each change. Source: Jackson and others 2005.
 * @param counts defects `k` among `n` in each bucket, oldest first; `n` may be 0
 * @returns stretches that cover the series; one where nothing changed
 */
export function changePoints(counts: readonly Counted[]): Segment[] {
  const size = counts.length;
  if (size === 0) return [];
  const [sumK, sumN] = [[0], [0]];
  counts.forEach(({ k, n }, i) => {
    sumK.push(sumK[i]! + k);
    sumN.push(sumN[i]! + n);
  });
  const gain = (from: number, to: number) => lnLikelihood(sumK[to]! - sumK[from]!, sumN[to]! - sumN[from]!);
  const penalty = CHANGE_PENALTY + Math.log(size);
  const best: number[] = [penalty];
  const cameFrom: number[] = [0];
  for (let to = 1; to <= size; to += 1) {
    best[to] = -Infinity;
    for (let from = 0; from <= to - 1; from += 1) {
      if (to - from < MIN_BUCKETS && !(from === 0 && to === size)) continue;
      const value = best[from]! + gain(from, to) - penalty;
      if (value > best[to]!) {
        best[to] = value;
        cameFrom[to] = from;
      }
    }
  }
  const segments: Segment[] = [];
  for (let to = size; to > 0;) {
    const from = best[to] === -Infinity ? 0 : cameFrom[to]!;
    const [k, n] = [sumK[to]! - sumK[from]!, sumN[to]! - sumN[from]!];
    segments.unshift({ from, to, k, n, rate: n === 0 ? 0 : k / n });
    to = from;
  }
  return segments;
}

/** Normal quantiles of 0.8, and of half a chance by bisection below. */
const Z_POWER = 0.8416212335729143;

/** Upper tail of the normal distribution. Source: Abramowitz and Stegun 26.2.17, right to 7.5e-8. */
function upperTail(z: number): number {
  const t = 1 / (1 + 0.2316419 * z);
  const series = t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)) * series;
}

/** A function that remembers its latest answer. */
function latestOf(work: (asked: number) => number): (asked: number) => number {
  let [last, answer] = [NaN, NaN];
  return (asked) => {
    if (asked !== last) [last, answer] = [asked, work(asked)];
    return answer;
  };
}

const STEPS = 60;
/** Where a falling function meets nothing, between `low` and `high`. */
function bisect(low: number, high: number, f: (x: number) => number): number {
  let [from, to] = [low, high];
  for (let i = 0; i < STEPS; i += 1) {
    const middle = (from + to) / 2;
    if (f(middle) > 0) from = middle;
    else to = middle;
  }
  return (from + to) / 2;
}

/** The two-sided normal quantile of a chance, the latest remembered: all questions to a log have one. */
const quantileOf = latestOf((chance: number) => bisect(0, 12, (z) => upperTail(z) - chance / 2));

/** Castings in the group and outside of it, as many as they are worth, and how often the others show the fault. */
export interface Sizes {
  readonly with: number;
  readonly without: number;
  readonly rate: number;
}

/**
 * The smallest rate in the group that a log of this size would have found four times in five.
 * Source: Casagrande, Pike and Smith 1978, for Fisher's exact test.
 * @param chance from which on an answer counts as found, 0 to 1
 * @returns 0 to 1; null where not even every casting failing would have been found
 */
export function smallestFound({ with: n, without: m, rate }: Sizes, chance: number): number | null {
  if (n < 1 || m < 1 || !(chance > 0)) return null;
  const zAlpha = quantileOf(chance);
  const ratio = m / n;
  const missing = (p: number) => {
    const difference = p - rate;
    if (difference <= 0) return 1;
    const mean = (p + ratio * rate) / (1 + ratio);
    const spread =
      zAlpha * Math.sqrt((1 + ratio) * mean * (1 - mean)) +
      Z_POWER * Math.sqrt(ratio * p * (1 - p) + rate * (1 - rate));
    const plain = spread ** 2 / (ratio * difference ** 2);
    // The exact test is less sharp than the normal one by so much.
    const needed = (plain / 4) * (1 + Math.sqrt(1 + (2 * (1 + ratio)) / (plain * ratio * difference))) ** 2;
    return needed - n;
  };
  if (missing(1 - 1e-9) > 0) return null;
  return bisect(rate, 1, missing);
}

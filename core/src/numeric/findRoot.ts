/** A root found by bracketing: the value, whether it met the tolerance, how many evaluations, and what is left. */
export interface RootResult {
  readonly value: number;
  readonly status: 'converged' | 'not-bracketed' | 'too-many-iterations';
  readonly iterations: number;
  readonly residual: number;
}

/**
 * A root of a continuous function between two points of opposite sign, by regula falsi with the Illinois step
 * (Dowell & Jarratt 1971): never leaves the bracket, superlinear on smooth functions.
 * @param relTol stop when the bracket is this fraction of its upper end
 */
export function findRoot(f: (x: number) => number, low: number, high: number, relTol = 1e-7, most = 100): RootResult {
  let [a, b, fa, fb] = [low, high, f(low), f(high)];
  if (fa === 0) return { value: a, status: 'converged', iterations: 1, residual: 0 };
  if (Math.sign(fa) === Math.sign(fb)) {
    const nearer = Math.abs(fa) < Math.abs(fb) ? [a, fa] : [b, fb];
    return { value: nearer[0]!, status: 'not-bracketed', iterations: 2, residual: nearer[1]! };
  }
  let iterations = 2;
  while (iterations < most) {
    const c = (fa * b - fb * a) / (fa - fb);
    const fc = f(c);
    iterations += 1;
    if (fc === 0 || Math.abs(b - a) <= relTol * Math.abs(c))
      return { value: c, status: 'converged', iterations, residual: fc };
    if (Math.sign(fc) !== Math.sign(fb)) {
      [a, fa] = [b, fb];
    } else {
      fa /= 2;
    }
    if (Math.abs(c - b) <= relTol * Math.abs(c) * 0.1)
      return { value: c, status: 'converged', iterations, residual: fc };
    [b, fb] = [c, fc];
  }
  return { value: b, status: 'too-many-iterations', iterations, residual: fb };
}

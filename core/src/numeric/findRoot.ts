/** A root found by bracketing: the value, whether it met the tolerance, how many evaluations, and what is left. */
export interface RootResult {
  readonly value: number;
  /**
   * `jump`: the bracket closed, but what is left is too large for a root: a step or a pole lies there. `not-a-number`:
   * the function had no value somewhere, and the search ended before it.
   */
  readonly status: 'converged' | 'not-bracketed' | 'too-many-iterations' | 'jump' | 'not-a-number';
  readonly iterations: number;
  readonly residual: number;
}

/** What may be left at a root, as a share of the larger of the ends. */
const RESIDUAL_SHARE = 0.02;
/** A root at nought is found to this share of the bracket: relative to itself it never would be. */
const NOUGHT_SHARE = 1e-12;

interface Bracket {
  readonly a: number;
  readonly b: number;
  readonly fa: number;
  readonly fb: number;
}

/** The bracket after a look at `c`, by the Illinois rule: an end that stays is counted half. */
function narrowed({ a, b, fa, fb }: Bracket, c: number, fc: number): Bracket {
  return Math.sign(fc) === Math.sign(fb) ? { a, fa: fa / 2, b: c, fb: fc } : { a: b, fa: fb, b: c, fb: fc };
}

/** What the two ends alone tell: no values, a root at once, or no change of sign. */
function resultOfEnds({ a, b, fa, fb }: Bracket): RootResult | null {
  if (Number.isNaN(fa)) return { value: a, status: 'not-a-number', iterations: 2, residual: fa };
  if (Number.isNaN(fb)) return { value: b, status: 'not-a-number', iterations: 2, residual: fb };
  if (fa === 0) return { value: a, status: 'converged', iterations: 2, residual: 0 };
  if (fb === 0) return { value: b, status: 'converged', iterations: 2, residual: 0 };
  if (Math.sign(fa) !== Math.sign(fb)) return null;
  const [value, residual] = Math.abs(fa) < Math.abs(fb) ? [a, fa] : [b, fb];
  return { value, status: 'not-bracketed', iterations: 2, residual };
}

/**
 * A root of a continuous function between two points of opposite sign, by regula falsi with the Illinois step
 * (Dowell & Jarratt 1971): never leaves the bracket, superlinear on smooth functions.
 * @param relTol stop when the bracket is this fraction of its upper end
 * @returns `converged` only where what is left is small beside the ends: a change of sign over a pole is no root
 */
export function findRoot(
  f: (x: number) => number,
  low: number,
  high: number,
  relTol = 1e-7,
  maxIterations = 100,
): RootResult {
  let bracket: Bracket = { a: low, b: high, fa: f(low), fb: f(high) };
  const known = resultOfEnds(bracket);
  if (known) return known;
  const small = RESIDUAL_SHARE * Math.max(Math.abs(bracket.fa), Math.abs(bracket.fb));
  const widthAt = (x: number) => Math.max(relTol * Math.abs(x), NOUGHT_SHARE * Math.abs(high - low));
  for (let iterations = 3; iterations <= maxIterations; iterations += 1) {
    const { a, b, fa, fb } = bracket;
    const secant = (fa * b - fb * a) / (fa - fb);
    // Ends without bound leave no chord.
    const c = Number.isFinite(secant) ? secant : (a + b) / 2;
    const fc = f(c);
    if (Number.isNaN(fc)) return { value: b, status: 'not-a-number', iterations, residual: fb };
    const next = narrowed(bracket, c, fc);
    const closed = Math.abs(b - a) <= widthAt(c) || Math.abs(c - b) <= 0.1 * widthAt(c);
    if (fc === 0 || closed) {
      const status = Math.abs(fc) <= small ? 'converged' : 'jump';
      if (status === 'converged' || Math.abs(next.b - next.a) <= 10 * widthAt(c))
        return { value: c, status, iterations, residual: fc };
    }
    bracket = next;
  }
  return { value: bracket.b, status: 'too-many-iterations', iterations: maxIterations, residual: bracket.fb };
}

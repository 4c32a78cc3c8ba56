/** One embedded step: the third-order end, the slope there, and the error against second order. */
export interface Step {
  readonly y: number[];
  readonly slope: number[];
  readonly error: number[];
}

const along = (y: number[], h: number, terms: [number, number[]][]) =>
  y.map((v, i) => v + h * terms.reduce((s, [w, k]) => s + w * k[i]!, 0));

/**
 * One Bogacki–Shampine 3(2) step (1989) from `y` with slope `k1` at its start. First same as last: the returned
 * slope starts the next step.
 */
export function bogackiShampineStep(f: (y: number[]) => number[], y: number[], k1: number[], h: number): Step {
  const k2 = f(along(y, h, [[1 / 2, k1]]));
  const k3 = f(along(y, h, [[3 / 4, k2]]));
  const end = along(y, h, [
    [2 / 9, k1],
    [1 / 3, k2],
    [4 / 9, k3],
  ]);
  const k4 = f(end);
  const error = y.map((_, i) => h * ((-5 / 72) * k1[i]! + (1 / 12) * k2[i]! + (1 / 9) * k3[i]! - (1 / 8) * k4[i]!));
  return { y: end, slope: k4, error };
}

/** The next step's length from this one's scaled error (1 is just accepted), never more than five times longer. */
export function nextStep(h: number, scaledError: number): number {
  return h * Math.min(5, Math.max(0.2, 0.9 * Math.cbrt(1 / Math.max(scaledError, 1e-8))));
}

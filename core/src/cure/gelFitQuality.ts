import type { GelParameters, GelPoint, LnGel } from './gelModel';

/** Steps of the numeric gradient: kJ/mol and ln(1/min). */
const GRADIENT_STEP = [0.1, 0.01] as const;
/** Below this determinant the points cannot part the two parameters. */
const MIN_DETERMINANT = 1e-12;

function gradient(model: LnGel, [e, lnK]: GelParameters, point: GelPoint): [number, number] {
  const [de, dk] = GRADIENT_STEP;
  return [
    (model([e + de, lnK], point) - model([e - de, lnK], point)) / (2 * de),
    (model([e, lnK + dk], point) - model([e, lnK - dk], point)) / (2 * dk),
  ];
}

/** The normal matrix of the two parameters, `[[a, b], [b, c]]`, and the gradients that it is made of. */
function normalMatrix(model: LnGel, parameters: GelParameters, points: readonly GelPoint[]) {
  const gradients = points.map((p) => gradient(model, parameters, p));
  let [a, b, c] = [0, 0, 0];
  for (const [x, y] of gradients) {
    a += x * x;
    b += x * y;
    c += y * y;
  }
  return { gradients, a, b, c, determinant: a * c - b * b };
}

/**
 * Variance of ln(gel) at one point, by the inverse of the normal matrix.
 * @param sigma2 variance of one logged ln(gel)
 */
export function gelVariance(
  model: LnGel,
  parameters: GelParameters,
  points: readonly GelPoint[],
  at: GelPoint,
  sigma2: number,
): number {
  const { a, b, c, determinant } = normalMatrix(model, parameters, points);
  if (determinant <= MIN_DETERMINANT) return Infinity;
  const [x, y] = gradient(model, parameters, at);
  return (sigma2 * (c * x * x - 2 * b * x * y + a * y * y)) / determinant;
}

/**
 * How far one more Gauss-Newton step would go: near nothing at a minimum.
 * @param residuals ln(model/logged) at the parameters
 * @returns kJ/mol and ln(1/min); without bound where the points cannot part the two
 */
export function nextGaussNewtonStep(
  model: LnGel,
  parameters: GelParameters,
  points: readonly GelPoint[],
  residuals: readonly number[],
): readonly [number, number] {
  const { gradients, a, b, c, determinant } = normalMatrix(model, parameters, points);
  if (determinant <= MIN_DETERMINANT) return [Infinity, Infinity];
  let [u, v] = [0, 0];
  gradients.forEach(([x, y], i) => {
    u -= x * residuals[i]!;
    v -= y * residuals[i]!;
  });
  return [(c * u - b * v) / determinant, (a * v - b * u) / determinant];
}

/** A reading is odd when it lies this far from where the others put it, as a factor of its minutes. */
const ODD_FACTOR = 1.5;

/**
 * The reading that lies furthest from the card's own curve beside what the others do, by the median of their distances:
 * a lot that is faster as a whole makes none of its readings odd.
 * @param distances ln(logged/card) of each reading
 * @returns its place, or null where none stands apart
 */
export function oddReading(distances: readonly number[]): number | null {
  const sorted = [...distances].sort((x, y) => x - y);
  const middle = sorted.length / 2;
  const median = (sorted[Math.ceil(middle) - 1]! + sorted[Math.floor(middle)]!) / 2;
  const away = distances.map((d) => Math.abs(d - median));
  const furthest = Math.max(...away);
  return furthest > Math.log(ODD_FACTOR) ? away.indexOf(furthest) : null;
}

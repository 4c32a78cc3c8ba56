import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { requireNumber } from '../formats/errors';
import type { Product } from '../formats/product';
import { tQuantile } from '../numeric/studentT';
import { calibrate, isCalibrated } from './calibration';
import { gelVariance, nextGaussNewtonStep, oddReading } from './gelFitQuality';
import { gelModel, rememberedModel, type GelParameters, type GelPoint, type LnGel } from './gelModel';

export type { GelPoint } from './gelModel';

/** A product's kinetics by the studio's own gel times, beside the card's; never in their place. */
export type GelFit =
  | {
      readonly status: 'no-kinetics' | 'no-pot-life' | 'too-few' | 'too-close';
      readonly points: number;
    }
  | {
      /** `at-bound`: no activation energy that a resin can have explains them. */
      readonly status: 'did-not-converge' | 'at-bound';
      readonly points: number;
      /** Place of the reading that lies apart from the others, in the order given; null where none does. */
      readonly odd: number | null;
    }
  | {
      readonly status: 'fitted';
      readonly points: number;
      readonly activationKJPerMol: number;
      readonly kPerMin: number;
      /** Gel time at the card's mass and temperature by this fit, min, and the card's own. */
      readonly gelMin: number;
      readonly cardGelMin: number;
      /** Fitted over the card's, less one, %. */
      readonly offPct: number;
      /** Where the gel time at the card's point lies 19 times of 20, min (linearised). */
      readonly interval: readonly [number, number];
      readonly iterations: number;
      /** Root mean square of ln(model/logged). */
      readonly residual: number;
      readonly odd: number | null;
    };

/** Fewer points, or a narrower spread, cannot part the rate from its temperature (domain's rule). */
const MIN_POINTS = 3;
const MIN_SPREAD_K = 5;
/** Activation energies that a curing resin can have, kJ/mol, with room to spare. */
const E_RANGE_KJ_PER_MOL = [5, 160] as const;
/** The rate may leave the card's by so much either way, ln(1/min). */
const LN_K_RANGE = 6;
/** At the bound within this, kJ/mol; and a step from a minimum no longer than this. */
const AT_BOUND_KJ_PER_MOL = 0.5;
const SETTLED = [0.5, 0.05] as const;
const PARAMETERS = 2;

const sumOfSquares = (values: readonly number[]) => values.reduce((sum, v) => sum + v * v, 0);

/** Why the points cannot be fitted at all; null where they can. */
function refusal(points: readonly GelPoint[]): 'too-few' | 'too-close' | null {
  if (points.length < MIN_POINTS) return 'too-few';
  const warmth = points.map((p) => p.resinC);
  return Math.max(...warmth) - Math.min(...warmth) < MIN_SPREAD_K ? 'too-close' : null;
}

/** Steps of Gauss and Newton tried first, each at most so often halved; and a step so short is the last. */
const [STEPS, HALVINGS] = [12, 6];
const LAST_STEP = [1e-4, 1e-6] as const;
/** A step this short that makes nothing better is lost in the rounding of the cup's own steps: it is at its end. */
const LOST_STEP = [5e-3, 1e-4] as const;

/** Where a search ended. */
interface Searched {
  readonly parameters: GelParameters;
  readonly residuals: readonly number[];
  readonly iterations: number;
}

/**
 * The least squares by Gauss and Newton's own steps, halved where they go too far: a few, where the model is nearly a
 * straight line in its parameters, as it is near the card.
 * @returns null where it does not settle inside the range; then the general search is asked
 */
function quickSearch(model: LnGel, points: readonly GelPoint[], start: GelParameters): Searched | null {
  const residualsAt = (at: GelParameters) => points.map((p) => model(at, p) - Math.log(p.minutes));
  const isInside = ([e, lnK]: GelParameters) =>
    e > E_RANGE_KJ_PER_MOL[0] && e < E_RANGE_KJ_PER_MOL[1] && Math.abs(lnK - start[1]) < LN_K_RANGE;
  let at = { parameters: start, residuals: residualsAt(start) };
  for (let iterations = 1; iterations <= STEPS; iterations += 1) {
    const { parameters, residuals } = at;
    const [u, v] = nextGaussNewtonStep(model, parameters, points, residuals);
    if (Math.abs(u) <= LAST_STEP[0] && Math.abs(v) <= LAST_STEP[1]) return { parameters, residuals, iterations };
    const before = sumOfSquares(residuals);
    const tried = (share: number) => {
      const next: GelParameters = [parameters[0] + share * u, parameters[1] + share * v];
      if (!isInside(next)) return null;
      const there = residualsAt(next);
      return sumOfSquares(there) <= before ? { parameters: next, residuals: there } : null;
    };
    let found = tried(1);
    for (let halving = 1; found === null && halving <= HALVINGS; halving += 1) found = tried(0.5 ** halving);
    if (found === null) {
      const isLost = Math.abs(u) <= LOST_STEP[0] && Math.abs(v) <= LOST_STEP[1];
      return isLost ? { parameters, residuals, iterations } : null;
    }
    at = found;
  }
  return null;
}

function search(model: LnGel, points: readonly GelPoint[], start: GelParameters): Searched {
  return quickSearch(model, points, start) ?? fullSearch(model, points, start);
}

function fullSearch(model: LnGel, points: readonly GelPoint[], start: GelParameters): Searched {
  const data = { x: points.map((_, i) => i), y: points.map((p) => Math.log(p.minutes)) };
  const found = levenbergMarquardt(
    data,
    ([e, lnK]: number[]) =>
      (i: number) =>
        model([e!, lnK!], points[i]!),
    {
      initialValues: [...start],
      gradientDifference: [0.05, 1e-3],
      maxIterations: 60,
      damping: 1e-2,
      errorTolerance: 1e-10,
      minValues: [E_RANGE_KJ_PER_MOL[0], start[1] - LN_K_RANGE],
      maxValues: [E_RANGE_KJ_PER_MOL[1], start[1] + LN_K_RANGE],
    },
  );
  const parameters = found.parameterValues as unknown as GelParameters;
  const residuals = points.map((p) => model(parameters, p) - Math.log(p.minutes));
  return { parameters, residuals, iterations: found.iterations };
}

/** Whether the search ended at a minimum inside the range, rather than at its edge or on the way. */
function ending(
  model: LnGel,
  points: readonly GelPoint[],
  { parameters, residuals }: Searched,
): 'fitted' | 'at-bound' | 'did-not-converge' {
  const [low, high] = E_RANGE_KJ_PER_MOL;
  const e = parameters[0];
  if (!Number.isFinite(sumOfSquares(residuals))) return 'did-not-converge';
  if (e < low + AT_BOUND_KJ_PER_MOL || e > high - AT_BOUND_KJ_PER_MOL) return 'at-bound';
  const step = nextGaussNewtonStep(model, parameters, points, residuals);
  return step.every((s, i) => Math.abs(s) <= SETTLED[i]!) ? 'fitted' : 'did-not-converge';
}

/**
 * Fits activation energy and rate to logged gel times, by nonlinear least squares (Levenberg–Marquardt) on the
 * logarithm of the minutes, through the same cup that heats itself.
 * @returns a status in place of figures where the points cannot tell, or where the search ended nowhere
 * @throws CoreError `out-of-range`
 */
export function fitGelTimes(product: Product, points: readonly GelPoint[]): GelFit {
  const fit = calibrate(product);
  if (!isCalibrated(fit)) {
    const none = { points: points.length, odd: null };
    return fit.status === 'did-not-converge' ? { status: fit.status, ...none } : { status: fit.status, ...none };
  }
  for (const p of points) {
    requireNumber(p.minutes, 'minutes', Number.MIN_VALUE, 1e6);
    requireNumber(p.resinC, 'resinC', -40, 200);
  }
  const cannot = refusal(points);
  if (cannot) return { status: cannot, points: points.length };

  const model = rememberedModel(gelModel(product, fit));
  const card: GelParameters = [fit.kinetics.activationKJPerMol, Math.log(fit.kPerMin)];
  const found = search(model, points, card);
  const odd = oddReading(points.map((p) => Math.log(p.minutes) - model(card, p)));
  const status = ending(model, points, found);
  if (status !== 'fitted') return { status, points: points.length, odd };

  const { parameters, residuals, iterations } = found;
  const cardGelMin = Math.exp(model(card, { minutes: 1e4, resinC: fit.referenceC }));
  const cardPoint: GelPoint = { minutes: cardGelMin, resinC: fit.referenceC };
  const ln = model(parameters, { ...cardPoint, minutes: cardGelMin * 5 });
  const freedom = Math.max(1, points.length - PARAMETERS);
  const sigma2 = sumOfSquares(residuals) / freedom;
  const spread = tQuantile(freedom) * Math.sqrt(gelVariance(model, parameters, points, cardPoint, sigma2));
  return {
    status,
    points: points.length,
    activationKJPerMol: parameters[0],
    kPerMin: Math.exp(parameters[1]),
    gelMin: Math.exp(ln),
    cardGelMin,
    offPct: 100 * (Math.exp(ln) / cardGelMin - 1),
    interval: [Math.exp(ln - spread), Math.exp(ln + spread)],
    iterations,
    residual: Math.sqrt(sumOfSquares(residuals) / points.length),
    odd,
  };
}

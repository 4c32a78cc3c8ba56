import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { requireNumber } from '../errors';
import type { Product } from '../formats/product';
import { calibrate, isCalibrated } from './calibration';
import { doseEffect } from './catalystDose';
import { integrateCup, minuteAtAlpha } from './cup';
import { SHEET_MASS_G } from './kineticsDefaults';

/** One gel time that the studio logged. */
export interface GelPoint {
  readonly minutes: number;
  readonly resinC: number;
  readonly roomC?: number | undefined;
  readonly massG?: number | undefined;
  /** Dose of catalyst, % of resin mass; the card's typical one where it is not given. */
  readonly catalystPct?: number | null | undefined;
}

/** A product's kinetics by the studio's own gel times, beside the card's; never in their place. */
export type GelFit =
  | {
      readonly status: 'no-kinetics' | 'no-pot-life' | 'too-few' | 'too-close' | 'did-not-converge';
      readonly points: number;
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
    };

const doseRate = (product: Product, point: GelPoint) => doseEffect(product, point.catalystPct)?.rate ?? 1;

/** Fewer points, or a narrower spread, cannot part the rate from its temperature (domain's rule). */
const FEWEST = 3;
const MIN_SPREAD_K = 5;
/** Two-sided 95 % quantiles of Student's t by degrees of freedom, then the normal one. */
const T95 = [12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228];
const t95 = (freedom: number) => T95[Math.max(0, freedom - 1)] ?? 1.96;

/**
 * Fits activation energy and rate to logged gel times, by nonlinear least squares (Levenberg–Marquardt) on the
 * logarithm of the minutes, through the same cup that heats itself.
 * @returns a status in place of figures where the points cannot tell
 * @throws CoreError `out-of-range`
 */
export function fitGelTimes(product: Product, points: readonly GelPoint[]): GelFit {
  const fit = calibrate(product);
  if (!isCalibrated(fit))
    return { status: fit.status === 'did-not-converge' ? 'did-not-converge' : fit.status, points: points.length };
  for (const p of points) {
    requireNumber(p.minutes, 'minutes', Number.MIN_VALUE, 1e6);
    requireNumber(p.resinC, 'resinC', -40, 200);
  }
  if (points.length < FEWEST) return { status: 'too-few', points: points.length };
  const warmth = points.map((p) => p.resinC);
  if (Math.max(...warmth) - Math.min(...warmth) < MIN_SPREAD_K) return { status: 'too-close', points: points.length };

  const lnGel = (e: number, lnK: number, p: GelPoint): number => {
    const chemistry = {
      ...fit,
      kinetics: { ...fit.kinetics, activationKJPerMol: e },
      kPerMin: Math.exp(lnK) * doseRate(product, p),
    };
    const massG = p.massG ?? product.gel?.massG ?? product.potLife?.massG ?? SHEET_MASS_G;
    const curve = integrateCup(chemistry, {
      massG,
      densityGPerML: fit.densityGPerML,
      resinC: p.resinC,
      roomC: p.roomC ?? p.resinC,
      untilAlpha: fit.alphaGel * 1.01,
      maxMinutes: p.minutes * 200,
    });
    return Math.log(minuteAtAlpha(curve, fit.alphaGel) ?? p.minutes * 200);
  };
  const model =
    ([e, lnK]: number[]) =>
    (i: number) =>
      lnGel(e!, lnK!, points[i]!);
  const start = [fit.kinetics.activationKJPerMol, Math.log(fit.kPerMin)];
  const data = { x: points.map((_, i) => i), y: points.map((p) => Math.log(p.minutes)) };
  const found = levenbergMarquardt(data, model, {
    initialValues: start,
    gradientDifference: [0.05, 1e-3],
    maxIterations: 60,
    damping: 1e-2,
    errorTolerance: 1e-10,
    minValues: [5, start[1]! - 6],
    maxValues: [160, start[1]! + 6],
  });
  const [e, lnK] = found.parameterValues as [number, number];
  const residuals = points.map((p) => lnGel(e, lnK, p) - Math.log(p.minutes));
  const sum = residuals.reduce((s, r) => s + r * r, 0);
  if (!Number.isFinite(sum)) return { status: 'did-not-converge', points: points.length };

  const card: GelPoint = { minutes: 1, resinC: fit.referenceC };
  const cardPoint = {
    ...card,
    minutes: Math.exp(lnGel(fit.kinetics.activationKJPerMol, Math.log(fit.kPerMin), { ...card, minutes: 1e4 })),
  };
  const ln = lnGel(e, lnK, { ...cardPoint, minutes: cardPoint.minutes * 5 });
  const spread =
    t95(points.length - 2) *
    Math.sqrt(variance(points, e, lnK, cardPoint, lnGel, sum / Math.max(1, points.length - 2)));
  return {
    status: 'fitted',
    points: points.length,
    activationKJPerMol: e,
    kPerMin: Math.exp(lnK),
    gelMin: Math.exp(ln),
    cardGelMin: cardPoint.minutes,
    offPct: 100 * (Math.exp(ln) / cardPoint.minutes - 1),
    interval: [Math.exp(ln - spread), Math.exp(ln + spread)],
    iterations: found.iterations,
    residual: Math.sqrt(sum / points.length),
  };
}

/** Variance of ln(gel) at one point, by the inverse of the normal matrix of two parameters. */
function variance(
  points: readonly GelPoint[],
  e: number,
  lnK: number,
  at: GelPoint,
  f: (e: number, lnK: number, p: GelPoint) => number,
  sigma2: number,
): number {
  const [de, dk] = [0.1, 0.01];
  const gradient = (p: GelPoint): [number, number] => [
    (f(e + de, lnK, p) - f(e - de, lnK, p)) / (2 * de),
    (f(e, lnK + dk, p) - f(e, lnK - dk, p)) / (2 * dk),
  ];
  let [a, b, c] = [0, 0, 0];
  for (const p of points) {
    const [x, y] = gradient(p);
    a += x * x;
    b += x * y;
    c += y * y;
  }
  const det = a * c - b * b;
  if (det <= 1e-12) return Infinity;
  const [x, y] = gradient(at);
  return (sigma2 * (c * x * x - 2 * b * x * y + a * y * y)) / det;
}

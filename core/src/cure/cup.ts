import { findRoot } from '../numeric/findRoot';
import type { Chemistry } from './chemistry';
import { heatCapacityOf, wholeRiseK } from './heatCapacity';
import { cupStep, nextStep, settledStep, startState } from './cupStep';
import { rateOf, type CupSystem } from './cupSystem';
import { CUP_CONVECTION_W_PER_M2K, HEAT_CAPACITY_J_PER_GK } from './kineticsDefaults';

export interface CupConditions {
  readonly massG: number;
  readonly densityGPerML: number;
  readonly resinC: number;
  readonly roomC: number;
  /** Inner diameter; a cylinder as tall as wide where it is not given. */
  readonly cupDiameterMm?: number | undefined;
  /** Conversion at the start; a fresh mix where it is not given. */
  readonly alpha?: number | undefined;
  /** Stop at this conversion; the whole cure where it is not given. */
  readonly untilAlpha?: number | undefined;
  readonly maxMinutes: number;
}

/** Conversion and temperature over time, at the solver's own steps. */
export interface CupCurve {
  readonly minutes: readonly number[];
  readonly alpha: readonly number[];
  /** dα/dt at each point, 1/min: lets values between points be read off a cubic. */
  readonly alphaPerMin: readonly number[];
  readonly temperatureC: readonly number[];
  readonly peakC: number;
  readonly peakMin: number;
  /**
   * Heat made less heat kept and lost, as a share of the heat made, where what was lost is summed from the curve
   * itself: a check on the integration that fails where a step was too long.
   */
  readonly energyError: number;
  readonly status: 'complete' | 'time-ran-out' | 'too-many-steps';
}

/** Conversion per minute at conversion `alpha` and temperature `temperatureC`. */
export const cureRatePerMin = (c: Chemistry, alpha: number, temperatureC: number): number =>
  rateOf(c)(alpha, temperatureC);

/** Rate at which the whole surface of the cup's liquid takes heat, 1/min: `h·A/(m·c)`. */
export function coolingPerMin(
  { massG, densityGPerML, cupDiameterMm }: Pick<CupConditions, 'massG' | 'densityGPerML' | 'cupDiameterMm'>,
  heatCapacityJPerGK: number = HEAT_CAPACITY_J_PER_GK,
): number {
  const volumeM3 = (massG / densityGPerML) * 1e-6;
  const diameterM = cupDiameterMm ? cupDiameterMm / 1000 : Math.cbrt((4 * volumeM3) / Math.PI);
  const heightM = volumeM3 / ((Math.PI * diameterM ** 2) / 4);
  const areaM2 = (Math.PI * diameterM ** 2) / 2 + Math.PI * diameterM * heightM;
  return (60 * CUP_CONVECTION_W_PER_M2K * areaM2) / (massG * heatCapacityJPerGK);
}

/** Absolute tolerances of a step: conversion, kelvin. */
const ALPHA_TOLERANCE = 2e-6;
const K_TOLERANCE = 0.005;
const MAX_STEPS = 20_000;
/** Steps longer than this share of the time that cooling takes are tried at balance; the longest that are not. */
const STIFF = 0.8;
const MAX_UNSETTLED = 2.5;
/** The whole cure is taken as over here; the tail carries no heat worth having. */
const CURED = 0.995;

/** Area under a cubic with these ends and slopes, K·min: independent of the steps' own sums. */
const excessOver = (h: number, from: number, to: number, slopeFrom: number, slopeTo: number): number =>
  (h / 2) * (from + to) + ((h * h) / 12) * (slopeFrom - slopeTo);

/** A cup's sums as they are laid down, step by step. */
interface Track {
  readonly minutes: number[];
  readonly alpha: number[];
  readonly alphaPerMin: number[];
  readonly temperatureC: number[];
}

/** The warmest point of a curve, its first where there are several. */
function warmest(temperatureC: readonly number[]): number {
  let best = 0;
  for (let i = 1; i < temperatureC.length; i += 1) if (temperatureC[i]! > temperatureC[best]!) best = i;
  return best;
}

/**
 * One cup of mixed resin heating itself: `c·dT/dt = ΔH·dα/dt − (h·A/m)(T − Troom)`, integrated with step control.
 * Whatever the step, the temperature stays under the adiabatic bound `max(T0, Troom) + ΔH/c`.
 */
export function integrateCup(chemistry: Chemistry, conditions: CupConditions): CupCurve {
  const { resinC, roomC, maxMinutes } = conditions;
  const cooling = coolingPerMin(conditions, heatCapacityOf(chemistry));
  const riseK = wholeRiseK(chemistry);
  const boundC = Math.max(resinC, roomC) + riseK;
  const cup: CupSystem = { rate: rateOf(chemistry, boundC), riseK, coolingPerMin: cooling, roomC };
  const end = Math.min(conditions.untilAlpha ?? CURED, CURED);
  const startAlpha = conditions.alpha ?? 0;
  let [now, next] = [startState(cup, startAlpha, resinC), startState(cup, startAlpha, resinC)];
  let lostK = 0;
  let h = Math.min(1e-3 / Math.max(now.alphaPerMin, 1e-9), maxMinutes / 50);
  let t = 0;
  const curve: Track = {
    minutes: [0],
    alpha: [startAlpha],
    alphaPerMin: [now.alphaPerMin],
    temperatureC: [resinC],
  };
  for (let steps = 0; now.alpha < end && t < maxMinutes && steps < MAX_STEPS; steps += 1) {
    h = Math.min(h, maxMinutes - t);
    const settled = h * cooling > STIFF && settledStep(cup, now, next, h);
    // Without the balance a step much longer than the cooling would only be refused.
    if (!settled && h * cooling > MAX_UNSETTLED) h = MAX_UNSETTLED / cooling;
    if (!settled) cupStep(cup, now, next, h);
    const scaled = Math.max(Math.abs(next.alphaError) / ALPHA_TOLERANCE, Math.abs(next.temperatureError) / K_TOLERANCE);
    if (scaled <= 1) {
      t = maxMinutes - t - h < 1e-9 ? maxMinutes : t + h;
      lostK += settled
        ? riseK * (next.alpha - now.alpha) - (next.temperatureC - now.temperatureC)
        : cooling *
          excessOver(h, now.temperatureC - roomC, next.temperatureC - roomC, now.warmingPerMin, next.warmingPerMin);
      const before = now;
      now = next;
      next = before;
      curve.minutes.push(t);
      curve.alpha.push(now.alpha);
      curve.alphaPerMin.push(now.alphaPerMin);
      curve.temperatureC.push(Math.min(now.temperatureC, boundC));
    }
    h = nextStep(h, scaled);
  }
  const peak = warmest(curve.temperatureC);
  const made = riseK * (now.alpha - startAlpha);
  return {
    ...curve,
    peakC: curve.temperatureC[peak]!,
    peakMin: curve.minutes[peak]!,
    energyError: made === 0 ? 0 : Math.abs(made - (now.temperatureC - resinC) - lostK) / made,
    status: statusOf(now.alpha >= end, t >= maxMinutes),
  };
}

function statusOf(isOver: boolean, ranOut: boolean): CupCurve['status'] {
  if (isOver) return 'complete';
  return ranOut ? 'time-ran-out' : 'too-many-steps';
}

/** Conversion within the step that ends at point `i`, by the cubic through both ends and their slopes (Hermite). */
function alphaWithin(curve: CupCurve, i: number, minute: number): number {
  const [t0, t1] = [curve.minutes[i - 1]!, curve.minutes[i]!];
  const h = t1 - t0;
  const s = (minute - t0) / h;
  const [a0, a1, r0, r1] = [curve.alpha[i - 1]!, curve.alpha[i]!, curve.alphaPerMin[i - 1]!, curve.alphaPerMin[i]!];
  return (
    (1 + 2 * s) * (1 - s) ** 2 * a0 + s * (1 - s) ** 2 * h * r0 + s ** 2 * (3 - 2 * s) * a1 + s ** 2 * (s - 1) * h * r1
  );
}

/** The minute at which the curve first reaches a conversion; null where it never does. */
export function minuteAtAlpha(curve: CupCurve, alpha: number): number | null {
  const i = curve.alpha.findIndex((a) => a >= alpha);
  if (i < 0) return null;
  if (i === 0) return 0;
  return findRoot((t) => alphaWithin(curve, i, t) - alpha, curve.minutes[i - 1]!, curve.minutes[i]!, 1e-9).value;
}

/** Conversion at a minute; the last value beyond the end. */
export function alphaAtMinute(curve: CupCurve, minute: number): number {
  const i = curve.minutes.findIndex((t) => t >= minute);
  if (i < 0) return curve.alpha.at(-1)!;
  return i === 0 ? curve.alpha[0]! : alphaWithin(curve, i, minute);
}

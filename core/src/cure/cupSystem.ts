import { GAS_CONSTANT, ZERO_C_IN_K } from './arrhenius';
import type { Chemistry } from './chemistry';

/** A power as the families have them, the usual ones without the general function. @param x at least 0 */
function power(x: number, exponent: number): number {
  if (exponent === 1) return x;
  if (exponent === 0.5) return Math.sqrt(x);
  if (exponent === 1.5) return x * Math.sqrt(x);
  return exponent === 2 ? x * x : x ** exponent;
}

/** A cup's two unknowns, conversion and temperature, and how fast each changes. */
export interface CupSystem {
  /** Conversion per minute. */
  readonly rate: (alpha: number, temperatureC: number) => number;
  /** Kelvin that a whole cure gives where none of its heat is lost. */
  readonly riseK: number;
  /** Rate at which the cup gives its heat to the room, 1/min. */
  readonly coolingPerMin: number;
  readonly roomC: number;
}

/** Conversion per minute by Kamal and Sourour, with all that does not change taken out of the sum. */
export function rateOf(c: Chemistry, boundC = Infinity): CupSystem['rate'] {
  const { activationKJPerMol, b, m, n } = c.kinetics;
  const overR = (-activationKJPerMol * 1000) / GAS_CONSTANT;
  const atReference = 1 / (c.referenceC + ZERO_C_IN_K);
  const k = c.kPerMin;
  return (alpha, temperatureC) => {
    const left = alpha > 1 ? 0 : 1 - alpha;
    const warm = temperatureC > boundC ? boundC : temperatureC;
    return (
      k *
      Math.exp(overR * (1 / (warm + ZERO_C_IN_K) - atReference)) *
      (b + power(alpha < 0 ? 0 : alpha, m)) *
      power(left, n)
    );
  };
}

/** How fast the cup warms, K/min, where it cures at `rate`. */
export const warmingPerMin = (cup: CupSystem, rate: number, temperatureC: number): number =>
  cup.riseK * rate - cup.coolingPerMin * (temperatureC - cup.roomC);

import type { Product } from '../formats/product';
import { CoreError, requireNumber } from '../formats/errors';

export interface Parts {
  readonly a: number;
  readonly b: number;
}

/**
 * Parts by weight as the card states them, or worked out from the
 * volumes and both densities; null where it cannot be.
 */
export function weightParts(product: Product): Parts | null {
  const { byWeight, byVolume, powder } = product.ratio;
  if (byWeight) return { a: byWeight.a, b: byWeight.b };
  if (powder) return { a: powder.liquid, b: powder.powder };
  if (byVolume && product.densityAGPerML != null && product.densityBGPerML != null) {
    return { a: byVolume.a * product.densityAGPerML, b: byVolume.b * product.densityBGPerML };
  }
  return null;
}

/**
 * Parts by volume as the card states them, or worked out from the
 * weights and both densities; null where it cannot be.
 */
export function volumeParts(product: Product): Parts | null {
  const { byWeight, byVolume } = product.ratio;
  if (byVolume) return { a: byVolume.a, b: byVolume.b };
  if (byWeight && product.densityAGPerML != null && product.densityBGPerML != null) {
    return { a: byWeight.a / product.densityAGPerML, b: byWeight.b / product.densityBGPerML };
  }
  return null;
}

/** `100·(b / (a·wB/wA) − 1)`: part B against what part A asked for, in per cent. */
export function errorAgainst(parts: Parts, amountA: number, amountB: number): number {
  requireNumber(amountA, 'amountA', Number.MIN_VALUE);
  requireNumber(amountB, 'amountB', 0);
  return 100 * (amountB / ((amountA * parts.b) / parts.a) - 1);
}

/**
 * Ratio error by weight: part B against what part A asked for.
 * @param massAG part A, g, above 0
 * @param massBG part B, g, 0 or more
 * @returns per cent; 0 is exact, −100 is a forgotten part B
 * @throws CoreError `ratio-not-stated` where the card gives no weight ratio and no way to one; `out-of-range`
 * @example ratioErrorPct(houseClear6, 150, 123) // 0
 */
export function ratioErrorPct(product: Product, massAG: number, massBG: number): number {
  const parts = weightParts(product);
  if (!parts)
    throw new CoreError(
      'ratio-not-stated',
      'The card states no ratio by weight. Add it, or both densities.',
      'ratio.byWeight',
    );
  return errorAgainst(parts, massAG, massBG);
}

/**
 * The most that a scale's resolution can put the ratio off: half a step on each part.
 * @returns per cent, `100·((d/2)/mA + (d/2)/mB)`
 * @throws CoreError `out-of-range`
 * @example scaleErrorPct(100, 50, 1) // 1.5
 */
export function scaleErrorPct(massAG: number, massBG: number, stepG: number): number {
  requireNumber(massAG, 'massAG', Number.MIN_VALUE);
  requireNumber(massBG, 'massBG', Number.MIN_VALUE);
  requireNumber(stepG, 'stepG', 0);
  return 100 * (stepG / 2 / massAG + stepG / 2 / massBG);
}

import { requireNumber } from '../formats/errors';
import type { Product } from '../formats/product';
import type { Family } from '../formats/vocabulary';
import { partsOrDose } from './overpourFix';

/** How exact a ratio must be where the card does not say, %, by family (studio practice). */
const TOLERANCE_PCT: Partial<Record<Family, number>> = { epoxy: 3, polyurethane: 5 };
/** For families that nobody names a tolerance for, %. */
const TOLERANCE_OTHERWISE_PCT = 5;

/** How exact the ratio of a family must be where nothing else says, %. */
export const familyTolerancePct = (family: Family): number => TOLERANCE_PCT[family] ?? TOLERANCE_OTHERWISE_PCT;

/** A tolerance on the ratio and whose it is. */
export interface Tolerance {
  readonly pct: number;
  readonly from: 'card' | 'catalyst band' | 'family';
}

/**
 * How far the ratio may be off: the card's tolerance; for a catalyst the narrower side of its band about the typical
 * dose; else the family's habit, which is no limit of the card.
 */
export function ratioTolerance(product: Product): Tolerance {
  if (product.ratio.tolerancePct != null && product.ratio.tolerancePct > 0)
    return { pct: product.ratio.tolerancePct, from: 'card' };
  const { minPct, typicalPct, maxPct } = product.ratio.catalyst ?? {};
  if (minPct != null && maxPct != null && maxPct > minPct) {
    const typical = typicalPct ?? (minPct + maxPct) / 2;
    return { pct: (100 * Math.min(typical - minPct, maxPct - typical)) / typical, from: 'catalyst band' };
  }
  return { pct: familyTolerancePct(product.family), from: 'family' };
}

/**
 * The smallest A + B that a scale can weigh within the ratio's tolerance: `(d/2)/mA + (d/2)/mB` solved for the total.
 * @param stepG resolution of the scale, g
 * @returns g; the smaller part decides
 * @throws CoreError `ratio-not-stated`, `out-of-range`
 * @example smallestSafeBatchG(houseClear6, 1) // 50.5
 */
export function smallestSafeBatchG(product: Product, stepG: number): number {
  requireNumber(stepG, 'stepG', 0, 1e6);
  const { a, b } = partsOrDose(product);
  const [shareA, shareB] = [a / (a + b), b / (a + b)];
  return (100 * (stepG / 2) * (1 / shareA + 1 / shareB)) / ratioTolerance(product).pct;
}

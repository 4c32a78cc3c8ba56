import { overpourFix, type OverpourFix } from '../mixing/overpourFix';
import { ratioTolerance, type Tolerance } from '../mixing/safeBatch';
import type { Product } from '../formats/product';

/** What to do about a part that came out too much. */
export interface OverpourAdvice {
  readonly fix: OverpourFix;
  readonly tolerance: Tolerance;
  /** Whether it is within tolerance as it is. */
  readonly withinTolerance: boolean;
  /** Whether the cup holds it after the addition, with the head-room it needs; null where the cup is not known. */
  readonly fits: boolean | null;
  /** Product made beyond what was wanted, g. */
  readonly surplusG: number;
  /** From here on throwing away what is in the cup costs less resin than bringing it back. */
  readonly restartCheaper: boolean;
}

/**
 * Brings an over-poured mix back, and says whether that is worth it: bringing back costs what is added, starting again
 * costs what is in the cup.
 * @param cupML what the cup holds; null where it is not known
 * @param wantedG A + B that was planned; null where nothing was
 * @param headroom how many times the liquid the cup must hold, 1 or more
 * @throws CoreError `ratio-not-stated`, `out-of-range`
 */
export function overpourAdvice(
  product: Product,
  massAG: number,
  massBG: number,
  cupML: number | null,
  wantedG: number | null,
  headroom = 1,
): OverpourAdvice {
  const fix = overpourFix(product, massAG, massBG);
  const tolerance = ratioTolerance(product);
  const volumeML = fix.totalG / (product.mixedDensityGPerML ?? 1);
  return {
    fix,
    tolerance,
    withinTolerance: Math.abs(fix.errorPct) <= tolerance.pct,
    fits: cupML === null ? null : volumeML * headroom <= cupML,
    surplusG: Math.max(0, fix.totalG - (wantedG ?? massAG + massBG)),
    restartCheaper: fix.addG > massAG + massBG,
  };
}

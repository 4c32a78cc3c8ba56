import type { Product } from '../formats/product';
import { cupLossG, coatVolumeML } from '../mixing/coat';
import { SHEET_DENSITY_G_PER_ML } from '../cure/kineticsDefaults';
import { plannedCatalystPct } from '../mixing/plannedCatalyst';
import { typicalDosePct } from '../cure/catalystDose';
import { partsForTotal } from '../mixing/partsForTotal';
import { mixedViscosityMPaS } from '../cure/viscosity';
import { SHEET_TEMPERATURE_C } from '../cure/kineticsDefaults';

/** Thickness of a brushed mending coat where none is said, mm (studio practice). */
export const MEND_COAT_MM = 1;

/** What to weigh for a mending coat. */
export interface MendCoat {
  readonly totalG: number;
  readonly massAG: number;
  readonly massBG: number | null;
}

/**
 * A fresh, measured coat for an area: what covers it, and what stays in the cup.
 * @param areaCM2 cm², above 0
 * @param thicknessMm mm, above 0
 * @param roomC a catalysed coat is dosed for it; the card's typical dose where it is not given
 * @throws CoreError `out-of-range`; `ratio-not-stated` where the card gives no ratio to weigh by
 */
export function mendCoat(
  product: Product,
  areaCM2: number,
  thicknessMm: number = MEND_COAT_MM,
  roomC?: number | null,
): MendCoat {
  const density = product.mixedDensityGPerML ?? product.densityAGPerML ?? SHEET_DENSITY_G_PER_ML;
  const onPiece = coatVolumeML({ areaCM2, thicknessMm }) * density;
  const totalG = onPiece + cupLossG(onPiece, mixedViscosityMPaS(product, SHEET_TEMPERATURE_C));
  if (product.family === 'uv-acrylate') return { totalG, massAG: totalG, massBG: null };
  if (product.ratio.catalyst) {
    const planned = roomC == null ? null : plannedCatalystPct(product, roomC, thicknessMm);
    const pct = planned?.pct ?? typicalDosePct(product) ?? product.ratio.catalyst.maxPct ?? 0;
    return { totalG, massAG: totalG / (1 + pct / 100), massBG: (totalG * pct) / (100 + pct) };
  }
  return { totalG, ...partsForTotal(product, totalG) };
}

import { CoreError, requireNumber } from '../formats/errors';
import type { Product } from '../formats/product';
import { weightParts } from './ratio';

/**
 * The parts of a batch of a given mixed mass, by the card's weight ratio, or by its typical catalyst dose.
 * @param totalG A + B, g, above 0
 * @returns grams of A and B; B is 0 for a light-cured product
 * @throws CoreError `ratio-not-stated`, `out-of-range`
 * @example partsForTotal(houseClear6, 182) // { massAG: 100, massBG: 82 }
 */
export function partsForTotal(product: Product, totalG: number): { massAG: number; massBG: number } {
  requireNumber(totalG, 'totalG', Number.MIN_VALUE);
  const dose = product.ratio.catalyst;
  if (dose) {
    const pct =
      dose.typicalPct ?? (dose.minPct != null && dose.maxPct != null ? (dose.minPct + dose.maxPct) / 2 : null);
    if (pct === null)
      throw new CoreError(
        'ratio-not-stated',
        'The card states no catalyst dose. Add the typical one.',
        'ratio.catalyst.typicalPct',
      );
    const massAG = totalG / (1 + pct / 100);
    return { massAG, massBG: totalG - massAG };
  }
  const parts = weightParts(product);
  if (!parts && product.family === 'uv-acrylate') return { massAG: totalG, massBG: 0 };
  if (!parts)
    throw new CoreError(
      'ratio-not-stated',
      'The card states no ratio by weight. Add it, or both densities.',
      'ratio.byWeight',
    );
  const massAG = (totalG * parts.a) / (parts.a + parts.b);
  return { massAG, massBG: totalG - massAG };
}

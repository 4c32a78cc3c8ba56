import type { Product } from '../formats/product';
import type { CupMix } from './cupMix';
import { simulateSlab } from './simulateSlab';

/** Nodes through the thickness: the peak is within half a kelvin of a fine grid's. */
const NODES = 20;

interface Pour {
  readonly depthMm: number;
  readonly resinC: number;
  readonly roomC: number;
  readonly mix?: CupMix | undefined;
}

const peaksByProduct = new WeakMap<Product, Map<string, number | null>>();

/**
 * The peak of a pour by the slab, °C, remembered for each card and pour: a diagnosis asks for the same one many times.
 * @returns null where the card or the family gives no kinetics, or the depth is outside what the slab takes
 */
export function pourPeakC(product: Product, pour: Pour): number | null {
  const known = peaksByProduct.get(product) ?? new Map<string, number | null>();
  peaksByProduct.set(product, known);
  const inertG = (pour.mix?.inert ?? []).reduce((sum, p) => sum + p.massG, 0);
  const key = [pour.depthMm, pour.resinC, pour.roomC, pour.mix?.catalystPct ?? -1, inertG / (pour.mix?.resinG || 1)]
    .map((v) => v.toFixed(2))
    .join(' ');
  const before = known.get(key);
  if (before !== undefined) return before;
  const slab = pour.depthMm > 0 && pour.depthMm <= 10_000 ? simulateSlab(product, { ...pour, nodes: NODES }) : null;
  const peak = slab && 'peakC' in slab ? slab.peakC : null;
  known.set(key, peak);
  return peak;
}

/**
 * The peak of the card's own deepest pour in the middle of its room
 * band, °C; null where the card lacks depth or room.
 */
export function deepestPourPeakC(product: Product): number | null {
  const { minC, maxC } = product.room ?? {};
  const depthMm = product.depth?.maxMm;
  if (depthMm == null || minC == null || maxC == null) return null;
  return pourPeakC(product, { depthMm, resinC: (minC + maxC) / 2, roomC: (minC + maxC) / 2 });
}

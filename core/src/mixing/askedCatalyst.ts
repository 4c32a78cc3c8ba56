import type { Product } from '../formats/product';

/**
 * Catalyst that the room asks for: the band's top at the card's coldest room, its typical value in the middle, its
 * bottom at the warmest; never outside the band. Null where the card or the room is missing.
 * @returns per cent of resin mass
 * @example askedCatalystPct(houseTide, 17) // 2.4
 */
export function askedCatalystPct(product: Product, roomC: number): number | null {
  const { minPct, typicalPct, maxPct } = product.ratio.catalyst ?? {};
  const { minC, maxC } = product.room ?? {};
  if (minPct == null || maxPct == null || minC == null || maxC == null || maxC <= minC) return null;
  const middle = typicalPct ?? (minPct + maxPct) / 2;
  const warm = Math.min(1, Math.max(0, (roomC - minC) / (maxC - minC)));
  return warm <= 0.5 ? maxPct + (middle - maxPct) * (warm / 0.5) : middle + (minPct - middle) * ((warm - 0.5) / 0.5);
}

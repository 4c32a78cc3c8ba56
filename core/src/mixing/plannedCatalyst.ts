import type { Product } from '../formats/product';
import { askedCatalystPct } from './askedCatalyst';

/** How far thickness moves the dose, as a share of the band's width each way (bench judgement): thick wants less. */
const THICKNESS_SHARE = 0.2;

/**
 * Catalyst for a room and a thickness: what the room asks for, more where it is thin, less where it is thick, never
 * outside the card's band.
 * @param depthMm of the pour; null leaves the thickness out
 * @returns per cent of resin mass, and what it was judged by; null where the card has no dose
 * @example plannedCatalystPct(houseTide, 22, 3).pct // 1.92
 */
export function plannedCatalystPct(
  product: Product,
  roomC: number,
  depthMm: number | null,
): { pct: number; by: string } | null {
  const { minPct, typicalPct, maxPct } = product.ratio.catalyst ?? {};
  const byRoom = askedCatalystPct(product, roomC);
  const base = byRoom ?? typicalPct ?? (minPct != null && maxPct != null ? (minPct + maxPct) / 2 : null);
  if (base == null) return null;
  const [least, most] = [product.depth?.minMm ?? 0, product.depth?.maxMm];
  if (minPct == null || maxPct == null) return { pct: base, by: "the card's typical dose" };
  const by = byRoom === null ? "the card's typical dose" : 'the room';
  if (depthMm === null || most == null || most <= least) return { pct: base, by };
  const thick = Math.min(1, Math.max(0, (depthMm - least) / (most - least)));
  const pct = base + (1 - 2 * thick) * THICKNESS_SHARE * (maxPct - minPct);
  return { pct: Math.min(maxPct, Math.max(minPct, pct)), by: `${by} and the thickness` };
}

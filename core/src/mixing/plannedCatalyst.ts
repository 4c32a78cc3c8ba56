import type { Product } from '../formats/product';
import { askedCatalystPct } from './askedCatalyst';

/** How far thickness moves the dose, as a share of the band's width each way (bench judgement): thick wants less. */
const THICKNESS_SHARE = 0.2;

const TYPICAL = "the card's typical dose";

/** Where a depth lies between the card's thinnest and deepest, 0 to 1; null where either is not known. */
function thickness(product: Product, depthMm: number | null): number | null {
  const { minMm, maxMm } = product.depth ?? {};
  const thinMm = minMm ?? 0;
  if (depthMm === null || maxMm == null || maxMm <= thinMm) return null;
  return Math.min(1, Math.max(0, (depthMm - thinMm) / (maxMm - thinMm)));
}

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
  const { minPct = null, typicalPct = null, maxPct = null } = product.ratio.catalyst ?? {};
  const byRoom = askedCatalystPct(product, roomC);
  if (minPct === null || maxPct === null) {
    const pct = byRoom ?? typicalPct;
    return pct === null ? null : { pct, by: TYPICAL };
  }
  const base = byRoom ?? typicalPct ?? (minPct + maxPct) / 2;
  const by = byRoom === null ? TYPICAL : 'the room';
  const thick = thickness(product, depthMm);
  if (thick === null) return { pct: base, by };
  const pct = base + (1 - 2 * thick) * THICKNESS_SHARE * (maxPct - minPct);
  return { pct: Math.min(maxPct, Math.max(minPct, pct)), by: `${by} and the thickness` };
}

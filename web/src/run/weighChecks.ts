import type { Product } from '@warm-jar/core';
import type { WeighTarget } from './benchNumber';

/** Less on the scale than this is nothing that was poured, g. */
const POURED_G = 1;
/** Further from its target than this share, a weight is asked about before it is taken. */
const FAR = 0.25;

/** What stops a weight from being taken as it is. */
export type WeighStop =
  | { readonly kind: 'nothing' }
  | { readonly kind: 'unsettled' }
  | { readonly kind: 'far'; readonly targetG: number }
  | { readonly kind: 'dose'; readonly pct: number; readonly minPct: number | null; readonly maxPct: number | null };

/** A catalyst outside its card's band; null for one inside it, and where the card states none. */
export function doseOutside(product: Product, resinG: number | null, catalystG: number): WeighStop | null {
  const band = product.ratio.catalyst;
  if (!band || resinG === null || resinG <= 0) return null;
  const pct = (100 * catalystG) / resinG;
  const [minPct, maxPct] = [band.minPct ?? null, band.maxPct ?? null];
  const outside = (minPct !== null && pct < minPct) || (maxPct !== null && pct > maxPct);
  return outside ? { kind: 'dose', pct, minPct, maxPct } : null;
}

/** A weight that is to be taken, and how it was come by. */
export interface Taken {
  readonly massG: number;
  /** Read by eye and typed: then nobody waits for a scale to settle. */
  readonly typed: boolean;
  readonly settled: boolean;
}

/** Why a weight is not simply taken: nothing was poured, the scale still moves, or it is far from its target. */
export function weighStop({ massG, typed, settled }: Taken, target: WeighTarget | null): WeighStop | null {
  if (massG <= 0 || (!typed && massG < POURED_G && (target?.targetG ?? POURED_G) >= POURED_G))
    return { kind: 'nothing' };
  if (!typed && !settled) return { kind: 'unsettled' };
  const targetG = target?.targetG ?? null;
  if (targetG !== null && targetG > 0 && Math.abs(massG / targetG - 1) > FAR) return { kind: 'far', targetG };
  return null;
}

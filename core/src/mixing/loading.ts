import type { Additive, Batch } from '../formats/batch';
import type { Product } from '../formats/product';
import type { AdditiveKind } from '../formats/vocabulary';
import { mixMasses } from './batchAmounts';

/** Loading in per cent of A + B alone; `complete` is false where some of it has no known amount. */
export interface Loading {
  readonly pct: number | null;
  readonly complete: boolean;
}

export interface Loadings {
  readonly total: Loading;
  readonly kinds: ReadonlyMap<AdditiveKind, Loading>;
}

/** What lies on the pour or in the mould is not in the mix. */
const isMixedIn = (a: Additive) => a.applied == null || a.applied === 'mixed';

function shareOf(
  additive: Additive,
  product: Product,
  base: { massG: number; volumeML: number | null },
): number | null {
  if (additive.massG == null) return null;
  if (product.additives?.basis !== 'volume') return (100 * additive.massG) / base.massG;
  const density = additive['densityGPerML'];
  if (typeof density !== 'number' || density <= 0 || base.volumeML == null) return null;
  return (100 * additive.massG) / density / base.volumeML;
}

function sum(shares: (number | null)[]): Loading {
  const known = shares.filter((s) => s !== null);
  const complete = known.length === shares.length;
  if (shares.length > 0 && known.length === 0) return { pct: null, complete };
  return { pct: known.reduce((a, b) => a + b, 0), complete };
}

/**
 * Additive loading of a batch, in total and for each kind that was used, against A + B alone. By weight, or by
 * volume where the card says so (then an additive needs its density). Null
 * where the mix or the additives were not recorded.
 */
export function loadings(product: Product, batch: Batch): Loadings | null {
  const { totalG } = mixMasses(product, batch);
  if (batch.additives == null) return null;
  const mixedIn = batch.additives.filter(isMixedIn);
  if (totalG == null || totalG <= 0)
    return mixedIn.length === 0 ? { total: { pct: 0, complete: true }, kinds: new Map() } : unknown(mixedIn);
  const density = product.mixedDensityGPerML;
  const base = { massG: totalG, volumeML: density == null ? null : totalG / density };
  const byKind = new Map<AdditiveKind, (number | null)[]>();
  for (const a of mixedIn) {
    const kind = a.kind ?? 'other';
    byKind.set(kind, [...(byKind.get(kind) ?? []), shareOf(a, product, base)]);
  }
  return {
    total: sum([...byKind.values()].flat()),
    kinds: new Map([...byKind].map(([kind, shares]) => [kind, sum(shares)])),
  };
}

function unknown(additives: Additive[]): Loadings {
  const nothing: Loading = { pct: null, complete: false };
  return { total: nothing, kinds: new Map(additives.map((a) => [a.kind ?? 'other', nothing])) };
}

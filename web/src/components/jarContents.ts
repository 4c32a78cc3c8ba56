import { loadings, mixMasses, type Batch, type Product } from '@warm-jar/core';

/** What stands in a jar, bottom first, in shares of the whole. */
export interface JarLayer {
  readonly part: 'a' | 'b' | 'additive';
  readonly share: number;
}

/** The contents of a batch's cup in true proportion by mass; empty where nothing was weighed yet. */
export function jarContents(product: Product | null, batch: Batch): JarLayer[] {
  if (!product) return [];
  const { massAG, massBG } = mixMasses(product, batch);
  const parts = (massAG ?? 0) + (massBG ?? 0);
  const pct = loadings(product, batch)?.total.pct ?? 0;
  const additive = (parts * pct) / 100;
  const all = parts + additive;
  if (all <= 0) return [];
  const layers: JarLayer[] = [
    { part: 'a', share: (massAG ?? 0) / all },
    { part: 'b', share: (massBG ?? 0) / all },
    { part: 'additive', share: additive / all },
  ];
  return layers.filter((l) => l.share > 0);
}

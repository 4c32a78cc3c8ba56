import { loadings, mixMasses, type Batch, type Product } from '@warm-jar/core';

/** What stands in a jar, bottom first, in shares of the whole. */
export interface JarLayer {
  readonly part: 'a' | 'b' | 'additive';
  readonly share: number;
}

const PART_WORDS = { a: 'A', b: 'B', additive: 'colour and fill' } as const;

/** What a drawn jar shows, in words: its parts by mass, what is left of its pot life, whether it has set. */
export function jarWords(layers: readonly JarLayer[], left: number | null | undefined, set: boolean): string {
  const parts = layers.map((l) => `${PART_WORDS[l.part]} ${Math.round(l.share * 100)} %`).join(', ');
  const pot = left == null || set ? '' : `${Math.round(left * 100)} % of pot life left`;
  return [parts, pot, set && layers.length > 0 ? 'set' : ''].filter(Boolean).join('; ');
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

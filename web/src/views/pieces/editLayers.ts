import type { Layer, Piece } from '@warm-jar/core';

/** Poured already: nothing moves it any more. */
export const isPoured = (layer: Layer): boolean => layer.batch != null || layer.pouredAt != null;

const withLayers = (piece: Piece, layers: Layer[]): Piece => ({ ...piece, layers });
const empty = (productSlug: string): Layer => ({ productSlug, depthMm: null });

/** A piece with one layer changed. */
export const withLayer = (piece: Piece, index: number, patch: Partial<Layer>): Piece =>
  withLayers(
    piece,
    piece.layers.map((l, i) => (i === index ? { ...l, ...patch } : l)),
  );

/** A piece with a layer put in before the one at `index`; at the end where there is none. */
export const insertedLayer = (piece: Piece, index: number, productSlug: string): Piece =>
  withLayers(piece, [...piece.layers.slice(0, index), empty(productSlug), ...piece.layers.slice(index)]);

export const withoutLayer = (piece: Piece, index: number): Piece =>
  withLayers(
    piece,
    piece.layers.filter((_, i) => i !== index),
  );

/**
 * A piece with a layer taken from one place to another. What is poured stays where it is, and nothing is put below it.
 * @returns null where that cannot be
 */
export function movedLayer(piece: Piece, from: number, to: number): Piece | null {
  const layer = piece.layers[from];
  const between = piece.layers.slice(Math.min(from, to), Math.max(from, to) + 1);
  if (!layer || from === to || !piece.layers[to] || between.some(isPoured)) return null;
  const others = piece.layers.filter((_, i) => i !== from);
  return withLayers(piece, [...others.slice(0, to), layer, ...others.slice(to)]);
}

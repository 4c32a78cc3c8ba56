import { pieceSchema, type Piece } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { insertedLayer, isPoured, movedLayer, withLayer, withoutLayer } from './editLayers';

const piece: Piece = pieceSchema.parse({
  format: 'warm-jar.piece/1',
  code: 'P-01',
  name: 'panel',
  layers: [
    { productSlug: 'house-chalk', depthMm: 12, batch: 'B-0001' },
    { productSlug: 'house-deep-40', depthMm: 20 },
    { productSlug: 'house-coat-9', depthMm: 2 },
    { productSlug: 'house-noon', depthMm: 1 },
  ],
});
const slugs = (p: Piece | null) => p?.layers.map((l) => l.productSlug.replace('house-', ''));

describe('layers of a piece', () => {
  it('are poured where a batch or a moment says so', () => {
    expect(piece.layers.map(isPoured)).toEqual([true, false, false, false]);
    expect(isPoured({ productSlug: 'x', pouredAt: '2026-03-14T09:20:00+00:00' })).toBe(true);
  });
  it('are changed, put in and taken out, one at a time, and the piece before stays as it was', () => {
    expect(withLayer(piece, 1, { depthMm: 8 }).layers[1]).toEqual({ productSlug: 'house-deep-40', depthMm: 8 });
    expect(slugs(insertedLayer(piece, 1, 'house-shell'))).toEqual(['chalk', 'shell', 'deep-40', 'coat-9', 'noon']);
    expect(slugs(insertedLayer(piece, 4, 'house-shell'))).toEqual(['chalk', 'deep-40', 'coat-9', 'noon', 'shell']);
    expect(slugs(withoutLayer(piece, 2))).toEqual(['chalk', 'deep-40', 'noon']);
    expect(slugs(piece)).toEqual(['chalk', 'deep-40', 'coat-9', 'noon']);
  });
  it.each([
    [1, 2, ['chalk', 'coat-9', 'deep-40', 'noon']],
    [3, 1, ['chalk', 'noon', 'deep-40', 'coat-9']],
    [1, 3, ['chalk', 'coat-9', 'noon', 'deep-40']],
  ])('move from %d to %d', (from, to, order) => {
    expect(slugs(movedLayer(piece, from, to))).toEqual(order);
  });
  it.each([
    [0, 1, 'what is poured'],
    [2, 0, 'below what is poured'],
    [1, 1, 'to where it is'],
    [1, 9, 'past the end'],
    [9, 1, 'one that is not there'],
  ])('do not move from %d to %d: %s', (from, to) => {
    expect(movedLayer(piece, from, to)).toBeNull();
  });
});

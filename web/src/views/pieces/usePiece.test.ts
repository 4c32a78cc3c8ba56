// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { pieceSchema, type Piece } from '@warm-jar/core';
import { ref } from 'vue';
import { refusal, used, type Answers, type Used } from '../../testing/mounted';
import { pretendStudio, sentTo } from '../../testing/pretendedStudio';
import { usePiece } from './usePiece';

let page: Used<ReturnType<typeof usePiece>> | null = null;
beforeEach(() => {
  window.localStorage.clear();
});
afterEach(() => {
  page?.unmount();
  page = null;
});
const piece: Piece = pieceSchema.parse({
  format: 'warm-jar.piece/1',
  code: 'P-01',
  name: 'panel',
  layers: [
    { productSlug: 'house-deep-40', depthMm: 20 },
    { productSlug: 'house-coat-9', depthMm: 2 },
  ],
});
async function open(more: Answers = () => undefined) {
  const asked = pretendStudio([], (a) => {
    const own = more(a);
    if (own) return own;
    if (a.path === '/pieces/P-01/plan') return { body: { layers: [], warnings: [], filledMm: 22 } };
    if (a.path === '/pieces/P-01' && a.method === 'GET') return { body: piece, version: 2 };
    if (a.path === '/pieces/P-01' && a.method === 'PUT') return { body: a.body, version: 3 };
    if (a.path === '/pieces/P-01') return { status: 204 };
    return undefined;
  });
  page = await used(() => usePiece(ref('P-01')));
  await page.settle();
  return { made: page.result, asked };
}
/** Waits until a condition holds: what is typed is stored a moment after the last key. */
async function until(holds: () => boolean) {
  const end = Date.now() + 4000;
  while (!holds() && Date.now() < end) await page!.settle();
  expect(holds()).toBe(true);
}
const saved = (asked: Parameters<typeof sentTo>[0]) => sentTo(asked, 'PUT', '/pieces/P-01') as Piece[];

describe('a piece', () => {
  it('is stored as it is changed, with several keys in one go', async () => {
    const { made, asked } = await open();
    made.changeLayer(1, { depthMm: 3 });
    made.changeLayer(1, { depthMm: 4 });
    await until(() => saved(asked).length > 0);
    expect(saved(asked)).toHaveLength(1);
    expect(saved(asked)[0]!.layers[1]!.depthMm).toBe(4);
    expect(asked.find((a) => a.method === 'PUT')!.headers.get('if-match')).toBe('"2"');
  });
  it('gets layers at its end and in between, moves them, and loses them', async () => {
    const { made, asked } = await open();
    const slugs = () => made.piece.value!.layers.map((l) => l.productSlug);
    made.addLayer('house-noon');
    made.insertLayer(1, 'house-shell');
    expect(slugs()).toEqual(['house-deep-40', 'house-shell', 'house-coat-9', 'house-noon']);
    made.moveLayer(1, 1);
    made.moveLayerTo(3, 0);
    expect(slugs()).toEqual(['house-noon', 'house-deep-40', 'house-coat-9', 'house-shell']);
    made.removeLayer(0);
    expect(slugs()).toEqual(['house-deep-40', 'house-coat-9', 'house-shell']);
    await until(() => saved(asked).length > 0);
    expect(saved(asked).at(-1)!.layers).toHaveLength(3);
  });
  it('keeps what could not be stored, and takes theirs only when asked', async () => {
    let refuse = true;
    const { made, asked } = await open(({ path, method }) =>
      method === 'PUT' && path === '/pieces/P-01' && refuse
        ? { status: 409, body: refusal('version-conflict', 'Changed meanwhile.') }
        : undefined,
    );
    made.changeLayer(0, { depthMm: 25 });
    await until(() => made.problem.value !== null);
    expect(made.problem.value).toBe('Changed meanwhile.');
    expect(made.piece.value!.layers[0]!.depthMm).toBe(25);
    refuse = false;
    await made.again();
    expect(made.piece.value!.layers[0]!.depthMm).toBe(20);
    expect(saved(asked)).toHaveLength(1);
  });
  it('tries again what only failed', async () => {
    let refuse = true;
    const { made, asked } = await open(({ path, method }) =>
      method === 'PUT' && path === '/pieces/P-01' && refuse
        ? { status: 503, body: refusal('disk', 'The disk is full.') }
        : undefined,
    );
    made.changeLayer(0, { depthMm: 25 });
    await until(() => made.problem.value !== null);
    refuse = false;
    await made.again();
    await until(() => made.problem.value === null);
    expect(saved(asked).at(-1)!.layers[0]!.depthMm).toBe(25);
  });
  it('is taken off the list, or says why it is not', async () => {
    const { made } = await open();
    expect(await made.remove()).toBe(true);
    page!.unmount();
    const { made: kept } = await open(({ method }) =>
      method === 'DELETE' ? { status: 409, body: refusal('version-conflict', 'Changed meanwhile.') } : undefined,
    );
    expect(await kept.remove()).toBe(false);
    expect(kept.problem.value).toBe('Changed meanwhile.');
  });
});

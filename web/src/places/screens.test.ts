// @vitest-environment happy-dom
import { diagnose, layerPlan, saltmarshCard, saltmarshPieces, SALTMARSH_CARDS, type Batch } from '@warm-jar/core';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Answers } from '../testing/mounted';
import { closeScreens, noWorkers, screen } from '../testing/screen';
import { EMPTY_SHELF, pretendStudio, SHELF_DAY, storedBatch } from '../testing/pretendedStudio';

/** A record with much in it: a long note, additives, looks with several symptoms, a mend. */
const FULL = storedBatch('B-0007', {
  note: 'the second of the harbour lights, poured while the kiln next door was on',
  by: 'KO',
  additives: [
    { kind: 'dye', name: 'sea green', massG: 0.4, into: 'B' },
    { kind: 'filler', name: 'glass beads', massG: 12, into: 'A' },
  ],
  checks: [
    { afterH: 20, symptoms: [{ kind: 'tacky', pattern: 'tacky-all-over', severity: 3 }], grade: null },
    {
      afterH: 44,
      symptoms: [
        { kind: 'bubbles', pattern: 'micro-throughout', severity: 2 },
        { kind: 'soft', pattern: 'unspecified', severity: 2 },
      ],
      grade: 'mend',
    },
  ],
});
/** A record with nothing in it but its product. */
const BARE: Batch = { format: 'warm-jar.batch/1', code: 'B-0008', product: { slug: 'house-clear-6', revision: 1 } };
const card = saltmarshCard('house-clear-6');
const piece = saltmarshPieces(SHELF_DAY).find(({ layers }) => layers.some((l) => l.batch) && layers.length > 2)!;
const cards = Object.fromEntries(SALTMARSH_CARDS.map((c) => [c.slug, c]));

const answers: Answers = ({ path }) => {
  const of = [FULL, BARE].find((b) => path.startsWith(`/batches/${b.code}/`));
  if (of && path.includes('/diagnosis')) return { body: diagnose(card, of) };
  if (of && path.endsWith('/history')) return { body: { items: [] } };
  if (of && path.endsWith('/pieces')) return { body: { items: [] } };
  if (path === `/pieces/${piece.code}`) return { body: piece, version: 2 };
  if (path === `/pieces/${piece.code}/plan`)
    return { body: layerPlan(piece, { cards, startedAt: {}, now: SHELF_DAY }) };
  if (path === '/pieces') return { body: { items: [{ item: piece, version: 2 }] } };
  return undefined;
};
beforeEach(noWorkers);
afterEach(closeScreens);

const OF_A_BATCH = ['batch', 'check', 'diagnosis', 'mend', 'sheet', 'edit-batch', 'bench'];
describe('the screens of a batch', () => {
  it.each(OF_A_BATCH)('%s shows a full record under its code', async (name) => {
    pretendStudio([FULL, BARE], answers);
    const page = await screen(name, { code: 'B-0007' });
    expect(page.text()).toContain('B-0007');
    expect(page.text()).not.toMatch(/undefined|NaN|\[object/);
  });
  it.each(OF_A_BATCH)('%s shows a bare record, and invents no figure for it', async (name) => {
    pretendStudio([FULL, BARE], answers);
    const page = await screen(name, { code: 'B-0008' });
    expect(page.text()).toContain('B-0008');
    expect(page.text()).not.toMatch(/undefined|NaN|Infinity|\[object/);
  });
  it.each(OF_A_BATCH)('%s says so where there is no such batch', async (name) => {
    pretendStudio([], answers);
    const page = await screen(name, { code: 'B-0999' });
    expect(page.text()).toMatch(/Not there/);
  });
});

const POURED = { pour: { startedMin: 6, finishedMin: 7 } };
const NO_PRESSURE = { gaugeKPa: null, startedMin: null, reachedMin: null, releasedMin: null };
const UNDONE = {
  startedAt: SHELF_DAY.toISOString(),
  mix: { amountA: null, amountB: null, stirMin: null, measuredBy: 'weight' },
  degas: { method: null, minutes: null },
  pour: { startedMin: null, finishedMin: null },
  pressure: NO_PRESSURE,
  cure: { demouldedMin: null },
  checks: [],
};
const WEIGHED = { ...UNDONE.mix, amountA: 150, amountB: 123 };
const STIRRED = { mix: { ...WEIGHED, stirMin: 1.5 } };
const CLEARED = { ...STIRRED, degas: { method: 'vacuum', minutes: 3 } };

describe('the bench', () => {
  it.each([
    ['Weigh A', {}],
    ['Weigh B', { mix: { ...UNDONE.mix, amountA: 150 } }],
    ['Bring it back', { mix: { ...WEIGHED, amountB: 140 } }],
    ['Stir', { mix: WEIGHED }],
    ['Pour', STIRRED],
    ['Pour', CLEARED],
    ['Close the vessel', { ...CLEARED, ...POURED }],
    ['Bring to pressure', { ...CLEARED, ...POURED, pressure: { ...NO_PRESSURE, startedMin: 8 } }],
    ['Hold', { ...CLEARED, ...POURED, pressure: { ...NO_PRESSURE, gaugeKPa: 300, startedMin: 8, reachedMin: 9 } }],
    ['Watch', { ...CLEARED, ...POURED, pressure: { gaugeKPa: 300, startedMin: 8, reachedMin: 9, releasedMin: 70 } }],
  ])('is at "%s" where the record says so, and writes nothing by itself', async (words, record) => {
    const batch = storedBatch('B-0011', { ...UNDONE, ...record });
    const asked = pretendStudio([batch], answers);
    const page = await screen('bench', { code: 'B-0011' });
    expect(page.root.querySelector('h2')?.textContent).toContain(words);
    expect(asked.filter(({ method }) => method !== 'GET')).toEqual([]);
  });
});

/** Screens of the studio that need no batch, with what their address says. */
const OF_THE_STUDIO: readonly (readonly [string, object])[] = [
  ['today', {}],
  ['plan', {}],
  ['log', {}],
  ['import-batches', {}],
  ['import-table', {}],
  ['pieces', {}],
  ['patterns', {}],
  ['trials', {}],
  ['figures', {}],
  ['month', {}],
  ['compare', {}],
  ['products', {}],
  ['products', { slug: 'house-clear-6' }],
  ['new-product', {}],
  ['sheet-card', {}],
  ['edit-product', { slug: 'house-coat-9' }],
  ['import-products', {}],
  ['shelf', { place: 'lots' }],
  ['shelf', { place: 'moulds', code: 'M-08' }],
  ['shelf', { place: 'inclusions' }],
  ['shelf', { place: 'additives' }],
  ['shelf', { place: 'gear' }],
  ['settings', {}],
  ['labels', {}],
  ['guide', {}],
  ['guide', { part: 'causes', id: 'ratio-off' }],
  ['guide', { part: 'families', id: 'epoxy' }],
  ['guide', { part: 'schools', id: 'air' }],
  ['guide', { part: 'schools', id: 'nonsense' }],
  ['drill', {}],
  ['drill', { what: 'diagnosis', id: 'none' }],
  ['drill', { what: 'quick', id: 'none' }],
  ['drill', { what: 'bench', id: 'none' }],
  ['drill', { what: 'nonsense', id: 'none' }],
  ['help', {}],
  ['help', { term: 'pot-life' }],
  ['start-page', {}],
  ['scan', {}],
  ['opening', {}],
  ['opening', { step: 'product' }],
  ['backup', {}],
  ['people', {}],
  ['sign-in', {}],
  ['pair', {}],
  ['new-batch', {}],
  ['board', {}],
];
const EMPTY_STUDIO: Answers = ({ method, path }) => {
  if (method !== 'GET') return undefined;
  const list = ['/products', '/pieces', '/trials', '/filters'];
  if (path === '/shelf') return { body: EMPTY_SHELF };
  if (list.includes(path)) return { body: { items: [] } };
  return path.startsWith('/batches?') ? { body: { items: [], total: 0 } } : undefined;
};
const named = ([name, props]: readonly [string, object]) =>
  [[name, ...Object.values(props)].join(' '), name, props] as const;

describe('the screens of the studio', () => {
  it.each(OF_THE_STUDIO.map(named))('%s is drawn whole', async (_says, name, props) => {
    pretendStudio([FULL], answers);
    const page = await screen(name, props);
    expect(page.root.querySelector('h1, h2, table, form, .card, .idle')).not.toBeNull();
    expect(page.text()).not.toMatch(/undefined|NaN|Infinity|\[object/);
  });
  it.each(OF_THE_STUDIO.filter(([, props]) => !('slug' in props) && !('code' in props)).map(named))(
    '%s is drawn for a studio that has nothing yet',
    async (_says, name, props) => {
      pretendStudio([], EMPTY_STUDIO);
      const page = await screen(name, props);
      expect(page.text().length).toBeGreaterThan(10);
      expect(page.text()).not.toMatch(/undefined|NaN|Infinity|\[object/);
    },
  );
  it('piece shows its layers from the bottom of the mould, and a grip only on what still moves', async () => {
    pretendStudio([], answers);
    const page = await screen('piece', { code: piece.code });
    expect(page.root.querySelectorAll('[data-layer]')).toHaveLength(piece.layers.length);
    expect(page.root.querySelectorAll('.poured .grip')).toHaveLength(0);
  });
});

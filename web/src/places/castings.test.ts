// @vitest-environment happy-dom
import {
  SALTMARSH_CARDS,
  batchSummarySchema,
  commonBatch,
  diagnose,
  gradeCount,
  layerPlan,
  saltmarshBatches,
  saltmarshCard,
  saltmarshPieces,
  type Batch,
} from '@warm-jar/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Answers, Mounted } from '../testing/mounted';
import { closeScreens, noWorkers, screen } from '../testing/screen';
import { SHELF_DAY, pretendStudio, sentTo, storedBatch } from '../testing/pretendedStudio';

const MIX = saltmarshBatches(SHELF_DAY).find((b) => b.code === 'B-0414')!;
const card = saltmarshCard('house-clear-6');
const answers: Answers = ({ path, method }) => {
  if (method === 'POST' && path.endsWith('/entries')) return { body: MIX, version: 4 };
  if (path.includes('/diagnosis')) return { body: diagnose(card, MIX) };
  if (path.endsWith('/history') || path.endsWith('/pieces')) return { body: { items: [] } };
  return undefined;
};
const entries = (asked: Parameters<typeof sentTo>[0], code = 'B-0414') =>
  sentTo(asked, 'POST', `/batches/${code}/entries`) as {
    set: { path: string; value: unknown }[];
    add: { path: string; value: Record<string, unknown> }[];
  }[];
const click = async (page: Mounted, css: string) => {
  const found = page.root.querySelector<HTMLElement>(css);
  if (!found) throw new Error(`Nothing at ${css}: ${page.text()}`);
  found.click();
  await page.settle();
};
const shown = async (page: Mounted, words: string) => {
  page.button(words).click();
  await page.settle();
};
const graded = async (page: Mounted, grade: string) => {
  const buttons = [...page.root.querySelectorAll<HTMLElement>('[aria-label="Grade"] button')];
  buttons.find((b) => b.textContent?.trim() === grade)!.click();
  await page.settle();
};
beforeEach(() => {
  window.localStorage.clear();
  noWorkers();
  HTMLElement.prototype.scrollIntoView = () => undefined;
});
afterEach(closeScreens);

describe('the page of a mix with several castings', () => {
  it('shows each with its end, what it came to, and opens one', async () => {
    const asked = pretendStudio([MIX], answers);
    const page = await screen('batch', { code: 'B-0414' });
    expect(gradeCount(MIX)).toMatchObject({ pass: 3, second: 1, scrap: 1 });
    expect(page.text()).toMatch(/3 pass\s48\.00.*1 second\s12\.00, 1 scrap/);
    await click(page, '[data-casting="k2"] button');
    expect(page.root.querySelector('[data-test="casting-panel"]')?.textContent).toContain('B-0414/k2');
    await click(page, '#do-trim');
    expect(entries(asked).at(-1)!.set).toMatchObject([{ path: 'castings[1].finish', value: [{ step: 'trim' }] }]);
    await page.type('[data-test="reason"]', 'pimples');
    page.root.querySelector('[data-test="reason"]')!.dispatchEvent(new Event('blur'));
    await page.settle();
    expect(entries(asked).at(-1)!.set).toMatchObject([{ path: 'castings[1].reason', value: 'pimples' }]);
    expect(page.text()).not.toMatch(/undefined|NaN|\[object/);
  });
  it('takes out a casting that there never was, unless it was looked at, and one more', async () => {
    const asked = pretendStudio([MIX], answers);
    const page = await screen('batch', { code: 'B-0414' });
    await click(page, '[data-casting="k2"] button');
    expect(page.root.querySelector('[data-test="no-casting"]')).toBeNull();
    await click(page, '[data-casting="k4"] button');
    await click(page, '[data-test="no-casting"]');
    const ids = (e: ReturnType<typeof entries>[number]) => (e.set[0]!.value as { id: string }[]).map((k) => k.id);
    expect(ids(entries(asked).at(-1)!)).toEqual(['k1', 'k2', 'k3', 'k5']);
    await click(page, '[data-test="one-more"]');
    expect(ids(entries(asked).at(-1)!)).toEqual(['k1', 'k2', 'k3', 'k4', 'k5', 'k6']);
  });
  it('tells a mix apart by the cavities of its mould', async () => {
    const one = storedBatch('B-0005', { mould: { code: 'M-08' }, castings: null });
    const asked = pretendStudio([one], answers);
    const page = await screen('batch', { code: 'B-0005' });
    await click(page, '[data-test="tell-apart"]');
    await click(page, '[data-test="tell-apart-now"]');
    expect(entries(asked, 'B-0005')[0]!.set[0]).toMatchObject({
      path: 'castings',
      value: [{ id: 'k1' }, {}, {}, { mould: { code: 'M-08', cavity: 4 } }],
    });
  });
});

describe('looking at castings', () => {
  it('stores one look for each that was named, and comes to those that are left', async () => {
    const unlooked = { ...MIX, checks: [] };
    const asked = pretendStudio([unlooked], answers);
    const page = await screen('check', { code: 'B-0414' });
    for (const id of ['k1', 'k3']) await click(page, `[data-casting="${id}"]`);
    await click(page, '[data-symptom="bubbles"]');
    await click(page, '[data-test="draw-0"]');
    const outline = page.root.querySelector<SVGElement>('svg.area')!;
    outline.dispatchEvent(new FocusEvent('focus'));
    for (const key of [
      'ArrowDown',
      'ArrowDown',
      'ArrowDown',
      'ArrowDown',
      'ArrowDown',
      'ArrowDown',
      'ArrowRight',
      'ArrowRight',
      'ArrowRight',
      'ArrowRight',
      'ArrowRight',
      ' ',
    ])
      outline.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
    await page.settle();
    expect(page.text()).toMatch(/1 % of the face/);
    await page.type('#bubbleCount', '7');
    await graded(page, 'second');
    await page.type('[data-test="reason"]', 'pinholes');
    await page.type('#price', '9');
    page.root.querySelector('form')!.dispatchEvent(new Event('submit', { cancelable: true }));
    await page.settle();
    const [entry] = entries(asked);
    expect(entry!.add.map((a) => [a.value['casting'], a.value['bubbleCount'], a.value['grade']])).toEqual([
      ['k1', 7, 'second'],
      ['k3', 7, 'second'],
    ]);
    expect(entry!.set.map((s) => s.path)).toEqual([
      'castings[0].reason',
      'castings[0].price',
      'castings[2].reason',
      'castings[2].price',
    ]);
    expect(page.root.querySelector('[data-casting="k2"]')!.getAttribute('aria-pressed')).toBe('true');
  });
});

describe('a diagnosis of castings', () => {
  it('names the casting, holds its own limits, and mends those alike together', async () => {
    const symptoms = [{ kind: 'tacky' as const, pattern: 'sticky-spots' }];
    const two: Batch = { ...MIX, checks: ['k1', 'k3'].map((casting) => ({ afterH: 24, casting, symptoms })) };
    const asked = pretendStudio([two], (a) =>
      a.path.includes('/diagnosis') ? { body: diagnose(card, two) } : answers(a),
    );
    const page = await screen('diagnosis', { code: 'B-0414' }, '/?casting=k1');
    expect(page.text()).toContain('k1: tacky, sticky spots');
    expect(page.text()).toContain('Mend k1');
    await click(page, '[data-test="mend-together"]');
    expect(entries(asked)[0]!.add[0]).toMatchObject({ path: 'mends', value: { castings: ['k3', 'k1'].sort() } });
  });
});

describe('the log, the recall and the labels', () => {
  const row = batchSummarySchema.parse({
    ...{
      code: 'B-0414',
      version: 1,
      productSlug: card.slug,
      productName: card.name,
      productRevision: 1,
      startedAt: MIX.startedAt,
      dayOnly: false,
      by: 'MT',
      mould: null,
      stage: 'done',
      grade: null,
      symptoms: [],
      outside: 0,
      lotA: null,
      lotB: null,
      massG: 273,
      note: null,
      updatedAt: '',
    },
    castings: MIX.castings!.map((k) => ({
      casting: k.id,
      mould: k.mould!.code,
      cavity: k.mould!.cavity,
      grade: 'pass',
      reason: null,
      price: 18,
    })),
  });
  it('opens a row to its castings', async () => {
    pretendStudio([MIX], ({ path }) => {
      if (path.startsWith('/batches?')) return { body: { items: [row], page: 1, pageSize: 50, total: 1 } };
      return path === '/filters' ? { body: { items: [] } } : undefined;
    });
    const page = await screen('log', {}, '/batches');
    await vi.waitFor(
      () => {
        expect(page.text()).toContain('B-0414');
      },
      { timeout: 10_000 },
    );
    expect(page.text()).toContain('M-12, M-17, M-08');
    expect(page.text()).toContain('5 pass');
    await click(page, '[aria-label="Castings of B-0414"]');
    expect(page.root.querySelector('[data-castings-of="B-0414"]')?.textContent).toContain('M-08, cavity 4');
    await click(page, '[data-castings-of="B-0414"] input');
    expect(page.text()).toContain('Compare its castings');
  });
  it('says where each casting of a lot is, and narrows to one place', async () => {
    const item = {
      startedAt: MIX.startedAt,
      productSlug: card.slug,
      part: 'B',
      mould: 'M-12',
      cavity: 1,
      soldOn: null,
      price: 18,
      reason: null,
    };
    const items = [
      { ...item, batch: 'B-0414', casting: 'k1', grade: 'pass', where: 'in stock', seen: [] },
      {
        ...item,
        batch: 'B-0414',
        casting: 'k5',
        grade: 'scrap',
        where: 'scrapped',
        seen: ['bubbles/large-voids'],
        reason: 'void',
      },
      { ...item, batch: 'B-0300', casting: null, grade: null, where: 'in work', seen: [] },
    ];
    const asked = pretendStudio([], ({ path }) =>
      path.startsWith('/lots/B-31/') ? { body: { lot: 'B-31', items } } : undefined,
    );
    const page = await screen('recall', { lot: 'B-31' }, '/?product=house-clear-6&part=B');
    expect(asked.map((a) => a.path)).toContain('/lots/B-31/castings?product=house-clear-6&part=B');
    expect(page.text()).toContain('3 castings out of 2 batches, House Clear 6, part B');
    expect(page.text()).toContain('bubbles, large voids; void');
    await shown(page, 'scrapped');
    expect(page.root.querySelectorAll('tbody tr')).toHaveLength(1);
  });
  it('prints a label for each casting, or for one', async () => {
    pretendStudio([MIX], answers);
    const labels = (page: Mounted) =>
      [...page.root.querySelectorAll('[data-label]')].map((l) => l.getAttribute('data-label'));
    expect(labels(await screen('sheet', { code: 'B-0414' }))).toEqual([
      'B-0414',
      'B-0414/k1',
      'B-0414/k2',
      'B-0414/k3',
      'B-0414/k4',
      'B-0414/k5',
    ]);
    expect(labels(await screen('sheet', { code: 'B-0414' }, '/?casting=k5'))).toEqual(['B-0414/k5']);
  });
});

describe('castings joined into a piece', () => {
  it('are asked for by name and resin, and stored with what its card says', async () => {
    const piece = { ...saltmarshPieces(SHELF_DAY)[0]!, roomC: 21, joins: [] };
    const cards = Object.fromEntries(SALTMARSH_CARDS.map((c) => [c.slug, c]));
    pretendStudio([], ({ path, method }) => {
      if (method === 'PUT') return { body: piece, version: 3 };
      if (path === `/pieces/${piece.code}`) return { body: piece, version: 2 };
      return path.endsWith('/plan') ? { body: layerPlan(piece, { cards, startedAt: {}, now: SHELF_DAY }) } : undefined;
    });
    const page = await screen('piece', { code: piece.code });
    await click(page, '[data-test="join"]');
    expect(page.text()).toContain('Name two castings or more');
    await page.type('[data-test="join-parts"]', 'B-0414/k1, B-0414/k4');
    await click(page, '[data-test="join"]');
    expect(page.text()).toContain('Choose the resin that bonds them.');
  });
});

describe('the bench with several castings', () => {
  const begun = {
    startedAt: new Date(Date.now() - 4 * 60_000).toISOString(),
    checks: [],
    cure: { demouldedMin: null },
    additives: [],
  };
  const open = async (record: Record<string, unknown>) => {
    const batch = storedBatch('B-0011', { ...begun, ...record });
    pretendStudio([batch], (a) => (a.path.endsWith('/entries') ? { body: batch, version: 4 } : answers(a)));
    return screen('bench', { code: 'B-0011' });
  };
  const PRESSURE = { gaugeKPa: null, startedMin: null, reachedMin: null, releasedMin: null };
  const STIRRED = {
    mix: { amountA: 150, amountB: 123, unit: 'g', measuredBy: 'weight', stirMin: 1.5 },
    pressure: PRESSURE,
  };
  it('tells new targets before a mix is made more', async () => {
    const page = await open({
      mix: { amountA: 150, amountB: 123, stirMin: null },
      degas: null,
      pour: null,
      pressure: PRESSURE,
    });
    await shown(page, 'Make it more');
    await page.type('#bench-more', '100');
    await page.settle();
    expect(page.text()).toContain('373 g in all');
    expect(page.text()).toContain('No cup was planned: does yours hold');
    await shown(page, 'Leave it');
    expect(page.text()).not.toContain('in all');
  });
  it('asks what is in each cup, and refuses more than was mixed', async () => {
    const page = await open({ ...STIRRED, degas: { method: 'none', minutes: 0 }, pour: null });
    await shown(page, 'Split into cups');
    await page.type('#bench-cup-1', '200');
    await page.type('#bench-cup-2', '200');
    await page.settle();
    await shown(page, 'They are in their cups');
    expect(page.text()).toContain('The cups hold 400 g together; 273 g were mixed.');
  });
  it('shows each cup with its own pot life, and the cavities with their clocks', async () => {
    const cups = [
      { id: 'c1', massG: 180, splitMin: 2 },
      {
        id: 'c2',
        massG: 90,
        splitMin: 2,
        additives: [{ name: 'bottle green dye', massG: 0.5, kind: 'dye', drops: 5 }],
      },
    ];
    const split = await open({ ...STIRRED, degas: { method: 'none', minutes: 0 }, pour: null, cups });
    expect(split.text()).toContain('Cup 2, bottle green dye');
    expect(split.text()).toMatch(/of pot life/);
    const castings = [{ id: 'k1', cup: 'c1', mould: { code: 'M-08', cavity: 1 }, pouredMin: 3 }];
    const pouring = await open({
      ...STIRRED,
      degas: { method: 'none', minutes: 0 },
      cups,
      castings,
      mould: { code: 'M-08' },
      pour: { startedMin: 3, finishedMin: null },
    });
    expect(pouring.root.querySelector('[data-cavity="M-08/1"]')!.getAttribute('aria-pressed')).toBe('true');
    expect(pouring.root.querySelector<HTMLButtonElement>('[data-cavity="M-08/2"]')!.disabled).toBe(true);
    await shown(pouring, 'Take cup 2');
    expect(pouring.root.querySelector<HTMLButtonElement>('[data-cavity="M-08/2"]')!.disabled).toBe(false);
  });
});

it('a scrapped casting keeps no price that was typed before', async () => {
  const asked = pretendStudio([{ ...MIX, checks: [] }], answers);
  const page = await screen('check', { code: 'B-0414' });
  await click(page, '[data-casting="k1"]');
  await graded(page, 'second');
  await page.type('#price', '9');
  await graded(page, 'scrap');
  page.root.querySelector('form')!.dispatchEvent(new Event('submit', { cancelable: true }));
  await page.settle();
  expect(entries(asked)[0]!.add[0]!.value['grade']).toBe('scrap');
  expect(entries(asked)[0]!.set).toEqual([]);
});

it('what the whole mix has in common is what its page holds against the card', () => {
  expect(commonBatch(card, MIX).mould).not.toHaveProperty('code');
});

// @vitest-environment happy-dom
import {
  SALTMARSH_CARDS,
  diagnose,
  monthReport,
  batchFacts,
  saltmarshBatches,
  saltmarshCard,
  type Batch,
} from '@warm-jar/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { closeScreens, noWorkers, screen } from '../testing/screen';
import { SHELF_DAY, pretendStudio, sentTo, storedBatch } from '../testing/pretendedStudio';
import type { Answers, Mounted } from '../testing/mounted';

const SPOILED = saltmarshBatches(SHELF_DAY).find((b) => b.code === 'B-0397')!;
const COPY = saltmarshBatches(SHELF_DAY).find((b) => b.code === 'B-0409')!;
const card = saltmarshCard('house-coat-9');
const PROPOSED = {
  batch: 'B-0397',
  by: 'B-0409',
  outcome: { symptom: 'tacky', cause: 'under-mixed', how: 'next-batch' },
  says: 'B-0409 was made with this one change, and the fault did not come again.',
};
const answering =
  (batch: Batch, proposed: readonly object[] = [PROPOSED]): Answers =>
  ({ path, method }) => {
    if (method === 'POST' && path.endsWith('/entries')) return { body: batch, version: 4 };
    if (path.endsWith('/outcomes')) return { body: { items: batch.outcome ?? [], proposed } };
    if (path.includes('/diagnosis')) return { body: diagnose(card, batch) };
    if (path.endsWith('/history') || path.endsWith('/pieces')) return { body: { items: [] } };
    return undefined;
  };
interface Sent {
  readonly set: { path: string; was: unknown; value: unknown }[];
  readonly add: { path: string; value: Record<string, unknown> }[];
}
const entries = (asked: Parameters<typeof sentTo>[0], code = 'B-0397') =>
  sentTo(asked, 'POST', `/batches/${code}/entries`) as unknown as Sent[];
const tap = async (page: Mounted, css: string) => {
  page.root.querySelector<HTMLElement>(css)!.click();
  await page.settle();
};
beforeEach(() => {
  window.localStorage.clear();
  noWorkers();
  HTMLElement.prototype.scrollIntoView = () => undefined;
});
afterEach(() => {
  closeScreens();
  vi.unstubAllGlobals();
});

describe('what a fault turned out to be', () => {
  it('is proposed by the next batch, and kept with one key', async () => {
    const asked = pretendStudio([SPOILED], answering(SPOILED));
    const page = await screen('diagnosis', { code: 'B-0397' });
    expect(page.root.querySelector('[data-test="proposal"]')!.textContent).toContain(
      'came from this: not mixed through',
    );
    document.dispatchEvent(new KeyboardEvent('keydown', { key: 'y', bubbles: true }));
    await page.settle();
    expect(entries(asked)[0]!.add[0]).toMatchObject({ path: 'outcome', value: PROPOSED.outcome });
    expect(entries(asked)[0]!.add[0]!.value['at']).toMatch(/^\d{4}-/);
  });
  it('can be taken back, and asks for both a cause and how it is known', async () => {
    const outcome = [{ symptom: 'tacky', cause: 'under-mixed', how: 'test', by: 'KO' }] as Batch['outcome'];
    const known = storedBatch('B-0397', { ...SPOILED, outcome });
    const asked = pretendStudio([known], answering(known, []));
    const page = await screen('diagnosis', { code: 'B-0397' });
    expect(page.root.querySelector('[data-test="outcome"]')!.textContent).toContain('not mixed through (tested it)');
    expect(page.root.querySelector<HTMLButtonElement>('[data-test="confirm"]')!.disabled).toBe(true);
    await tap(page, '[data-test="take-back"]');
    expect(entries(asked)[0]!.set[0]).toMatchObject({ path: 'outcome', value: [] });
  });
  it('stands on the batch, and the copy says what it means for the first', async () => {
    const outcome = [{ symptom: 'tacky', cause: 'under-mixed', how: 'judged' }] as Batch['outcome'];
    const known = storedBatch('B-0397', { ...SPOILED, outcome });
    pretendStudio([known], answering(known, []));
    const page = await screen('batch', { code: 'B-0397' });
    expect(page.root.querySelector('[data-test="known-causes"]')!.textContent).toContain('moves no rates');
    closeScreens();
    const asked = pretendStudio([COPY, SPOILED], answering(COPY));
    const copy = await screen('batch', { code: 'B-0409' });
    await tap(copy, '[data-test="accept"]');
    expect(entries(asked)[0]!.add[0]!.value).toMatchObject({ cause: 'under-mixed', how: 'next-batch' });
  });
});

describe('a figure that is hardly likely', () => {
  const odd = storedBatch('B-0397', {
    ...SPOILED,
    mix: { ...SPOILED.mix, stirMin: 36 },
  });
  it('is marked in the record, asked first, and either put right or left standing', async () => {
    const asked = pretendStudio([odd], answering(odd, []));
    const page = await screen('diagnosis', { code: 'B-0397' });
    expect(page.text()).toContain('Was 3.6 min meant?');
    await tap(page, '[data-ask="mix.stirMin"] .question');
    await tap(page, '[data-test="meant"]');
    expect(entries(asked)[0]!.set[0]).toMatchObject({ path: 'mix.stirMin', was: 36, value: 3.6 });
    await tap(page, '[data-test="stands"]');
    expect(entries(asked)[1]!.add[0]).toEqual({ path: 'readAgain', value: { field: 'mix.stirMin', value: 36 } });
  });
  it('is marked on the page of its batch', async () => {
    pretendStudio([odd], answering(odd, []));
    const page = await screen('batch', { code: 'B-0397' });
    expect(page.root.querySelector('[data-test="doubt"]')!.textContent).toContain('Was 3.6 min meant?');
  });
});

describe('the month', () => {
  const facts = saltmarshBatches(SHELF_DAY).map((b) =>
    batchFacts(
      SALTMARSH_CARDS.find((c) => c.slug === b.product.slug)!,
      b,
    ),
  );
  const report = monthReport(facts, SHELF_DAY.toISOString().slice(0, 7), []);
  const asLines = (result: object) => () =>
    Promise.resolve(new Response(`${JSON.stringify({ share: 0.5 })}\n${JSON.stringify({ result })}\n`));
  it('tells what went wrong, what it was, and what it cost', async () => {
    pretendStudio([], () => undefined);
    const before = globalThis.fetch;
    vi.stubGlobal('fetch', (address: string, ...rest: unknown[]) =>
      address.includes('/learning?') ? asLines(report)() : (before as (...a: unknown[]) => unknown)(address, ...rest),
    );
    const page = await screen('month', { month: report.month });
    await page.settle();
    expect(page.root.querySelectorAll('[data-fault]').length).toBe(
      report.faults.filter((f) => f.pattern === null).length,
    );
    expect(page.text()).toContain('Yield and cost');
    expect(page.text()).toContain(`${report.yield.castings}`);
    expect(page.text()).not.toMatch(/undefined|NaN|Infinity/);
  });
});

// @vitest-environment happy-dom
import type { Batch } from '@warm-jar/core';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { nextTick } from 'vue';
import type { Answers, Mounted } from '../testing/mounted';
import { pretendStudio, sentTo, storedBatch } from '../testing/pretendedStudio';
import { closeScreens, noWorkers, screen } from '../testing/screen';

beforeEach(noWorkers);
afterEach(closeScreens);

const takes =
  (batch: Batch): Answers =>
  ({ method }) =>
    method === 'GET' ? undefined : { body: batch, version: 4 };
async function press(page: Mounted, css: string) {
  const found = page.root.querySelector<HTMLElement>(css);
  if (!found) throw new Error(`Nothing at ${css}.`);
  found.click();
  await page.settle();
}
type Entry = { set: { path: string; value: unknown }[]; add?: { list: string; item: Record<string, unknown> }[] };
const entries = (asked: Parameters<typeof sentTo>[0], code: string) =>
  sentTo(asked, 'POST', `/batches/${code}/entries`) as Entry[];

describe('a look at the piece', () => {
  it('offers the ways a symptom shows once it is tapped, and none before', async () => {
    const batch = storedBatch('B-0021', { checks: [] });
    pretendStudio([batch], takes(batch));
    const page = await screen('check', { code: 'B-0021' });
    expect(page.root.querySelectorAll('[data-pattern]')).toHaveLength(0);
    await press(page, '[data-symptom="tacky"]');
    expect(page.root.querySelector('[data-pattern="sticky-spots"]')).not.toBeNull();
    await press(page, '[data-pattern="sticky-spots"]');
    expect(page.root.querySelector('[data-pattern="sticky-spots"]')?.getAttribute('aria-checked')).toBe('true');
    await press(page, '[data-symptom="tacky"]');
    expect(page.root.querySelectorAll('[data-pattern]')).toHaveLength(0);
  });
  it('says that nothing tapped is recorded as sound', async () => {
    const batch = storedBatch('B-0022', { checks: [] });
    pretendStudio([batch], takes(batch));
    const page = await screen('check', { code: 'B-0022' });
    expect(page.text()).toContain('Nothing tapped: it is recorded as sound.');
    await press(page, '[data-symptom="bubbles"]');
    expect(page.text()).not.toContain('Nothing tapped');
  });
});

describe('a mend', () => {
  const mend = {
    atH: 26,
    kind: 'tacky',
    pattern: 'sticky-spots',
    steps: [
      { says: 'Scrape it.', done: false },
      { says: 'Coat it afresh.', done: false },
    ],
    recheckAfterH: 24,
  };
  const record = {
    checks: [{ afterH: 20, symptoms: [{ kind: 'tacky', pattern: 'sticky-spots' }] }],
    mends: [mend],
  };
  it('writes a ticked step down, and only that one', async () => {
    const batch = storedBatch('B-0023', record, 'house-coat-9');
    const asked = pretendStudio([batch], takes(batch));
    const page = await screen('mend', { code: 'B-0023' });
    expect(page.text()).toContain('Finished, with 2 left out');
    await press(page, '#step-0');
    const set = entries(asked, 'B-0023').flatMap((e) => e.set);
    expect(set).toEqual([expect.objectContaining({ path: 'mends[0].steps[0].done', value: true })]);
  });
  it('shows the coat to weigh where it coats, and none where it only waits', async () => {
    const coats = storedBatch('B-0024', record, 'house-coat-9');
    const waits = storedBatch(
      'B-0025',
      { ...record, mends: [{ ...mend, steps: [{ says: 'Leave it in the warm.', done: false }] }] },
      'house-coat-9',
    );
    pretendStudio([coats, waits]);
    expect((await screen('mend', { code: 'B-0024' })).text()).toContain('Fresh coat');
    expect((await screen('mend', { code: 'B-0025' })).text()).not.toContain('Fresh coat');
  });
});

describe('a plan', () => {
  const at = (look: string) => `/plan?product=house-clear-6&mould=M-08&look=${look}`;
  it('tells what to weigh and how long there is as soon as product and mould are named', async () => {
    const asked = pretendStudio();
    const page = await screen('plan', {}, at('mould'));
    expect(page.text()).toMatch(/\d+\.\d g/);
    expect(page.text()).toContain('House Clear 6');
    expect(asked.every(({ method }) => method === 'GET')).toBe(true);
  });
  it.each(['air', 'warm', 'mixes', 'which'])('looks at it by %s, and shows no figure that is none', async (look) => {
    pretendStudio();
    const page = await screen('plan', {}, at(look));
    expect(page.root.querySelector('.tabs [aria-current="page"], .tabs .router-link-active')).not.toBeNull();
    expect(page.text()).not.toMatch(/undefined|NaN|Infinity|\[object/);
  });
});

describe('the volume of a cavity', () => {
  it('is the water that fills it, by the density of water at its temperature', async () => {
    pretendStudio();
    const page = await screen('shelf', { place: 'moulds', code: 'M-08' });
    await page.type('#v-waterG', '62');
    await page.type('#v-waterC', '20');
    await nextTick();
    const says = page.root.querySelector('.tool')?.textContent ?? '';
    // 62 g / 0.9982 g/mL
    expect(says).toMatch(/62\.1/);
  });
});

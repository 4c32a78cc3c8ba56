// @vitest-environment happy-dom
import { saltmarshCard } from '@warm-jar/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { refusal, used, type Answers, type Used } from '../../testing/mounted';
import { pretendStudio, sentTo } from '../../testing/pretendedStudio';
import { useCardForm } from './useCardForm';

class NoWorker {
  postMessage(): void {
    // The slab is not worked out here.
  }
  terminate(): void {
    // Nothing runs.
  }
}
let page: Used<ReturnType<typeof useCardForm>> | null = null;
beforeEach(() => {
  window.localStorage.clear();
  vi.stubGlobal('Worker', NoWorker);
});
afterEach(() => {
  page?.unmount();
  page = null;
});
async function open(slug: string | null, more: Answers = () => undefined) {
  const asked = pretendStudio([], more);
  page = await used(() => useCardForm(slug));
  await page.settle();
  return { card: page.result, asked };
}
const fill = ({ form }: Awaited<ReturnType<typeof open>>['card'], fields: Record<string, unknown>) => {
  for (const [path, value] of Object.entries(fields)) form.set(path, value);
};
const NEW = { name: 'House Pier', slug: 'house-pier', family: 'epoxy', source: 'data sheet, rev. C' };

describe('a card being filled in', () => {
  it('is stored as its first revision', async () => {
    const { card, asked } = await open(null, ({ method, path, body }) =>
      method === 'POST' && path === '/products' ? { status: 201, body } : undefined,
    );
    fill(card, { ...NEW, 'ratio.byWeight.a': 100, 'ratio.byWeight.b': 30 });
    await card.save();
    expect(sentTo(asked, 'POST', '/products')).toMatchObject([{ slug: 'house-pier', revision: 1 }]);
  });
  it('that was stored goes on from its newest revision', async () => {
    const stored = saltmarshCard('house-clear-6');
    const { card, asked } = await open('house-clear-6', ({ method, body }) =>
      method === 'POST' ? { status: 201, body } : undefined,
    );
    expect([card.ready.value, card.family.value]).toEqual([true, 'polyurethane']);
    card.form.set('mix.minMin', 4);
    await card.save();
    expect(sentTo(asked, 'POST', '/products')).toMatchObject([{ revision: stored.revision + 1, mix: { minMin: 4 } }]);
  });
  it('is not stored without saying where its figures come from', async () => {
    const { card, asked } = await open(null);
    fill(card, { ...NEW, source: null });
    await card.save();
    expect(card.form.issues.value['source']).toContain('Say where the figures come from');
    expect(sentTo(asked, 'POST', '/products')).toEqual([]);
  });
  it('has the other ratio worked out by its densities, and takes it when asked', async () => {
    const { card } = await open(null);
    fill(card, { ...NEW, 'ratio.byVolume.a': 2, 'ratio.byVolume.b': 1, densityAGPerML: 1.1, densityBGPerML: 1 });
    expect(card.computedRatio.value).toMatchObject({ what: 'weight', a: 2 });
    expect(card.computedRatio.value!.b).toBeCloseTo((2 * 1) / 2.2, 3);
    card.takeRatio();
    expect(card.form.value('ratio.byWeight')).toEqual({ a: 2, b: card.form.value('ratio.byWeight.b') });
    expect(card.computedRatio.value).toBeNull();
  });
  it('whose two ratios cannot both be true is stopped at the field', async () => {
    const { card, asked } = await open(null);
    fill(card, {
      ...NEW,
      'ratio.byWeight.a': 100,
      'ratio.byWeight.b': 90,
      'ratio.byVolume.a': 2,
      'ratio.byVolume.b': 1,
      densityAGPerML: 1.1,
      densityBGPerML: 1,
    });
    await card.save();
    expect(card.problem.value).toBeTruthy();
    expect(sentTo(asked, 'POST', '/products')).toEqual([]);
    expect(card.conflicts.value.length).toBeGreaterThan(0);
  });
  it('that another screen was quicker with is put on top of theirs at the next save', async () => {
    let tries = 0;
    const { card, asked } = await open('house-clear-6', ({ method, body }) => {
      if (method !== 'POST') return undefined;
      tries += 1;
      return tries === 1 ? { status: 409, body: refusal('revision-conflict', 'Not the next.') } : { status: 201, body };
    });
    card.form.set('mix.minMin', 4);
    await card.save();
    expect(card.problem.value).toBe('Not the next.');
    expect(card.form.value('mix.minMin')).toBe(4);
    await card.save();
    expect(sentTo(asked, 'POST', '/products')).toHaveLength(2);
  });
  it('says what it leaves unsaid, and what that costs', async () => {
    const { card } = await open(null);
    fill(card, { ...NEW, 'ratio.byWeight.a': 100, 'ratio.byWeight.b': 30 });
    expect(card.gaps.value.length).toBeGreaterThan(3);
  });
  it('that is not there says so', async () => {
    const { card } = await open('house-gone');
    expect([card.ready.value, card.problem.value]).toEqual([false, 'Not there.']);
  });
});

// @vitest-environment happy-dom
import { causePage, isGuidedCause, type CausePage } from '@warm-jar/core';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { pretendStudio } from '../../testing/pretendedStudio';
import { closeScreens, noWorkers, screen } from '../../testing/screen';

beforeEach(noWorkers);
afterEach(closeScreens);

/** The guide of a studio in which some batches turned out to be spoiled by a cause. */
async function cause(id: string, { known = 0, page = isGuidedCause(id) ? causePage(id) : null } = {}) {
  const asked = pretendStudio([], ({ path }) => {
    if (path.startsWith(`/guide/causes/${id}?`)) return page ? { body: page } : undefined;
    return path.includes(`outcome=${id}`) ? { body: { items: [], page: 1, pageSize: 1, total: known } } : undefined;
  });
  return { asked, shown: await screen('guide', { part: 'causes', id }) };
}
const lines = (root: HTMLElement, css: string) => [...root.querySelectorAll(css)].map((e) => e.textContent!.trim());

describe('a page on a cause', () => {
  const page: CausePage = causePage('ratio-off');
  it('says all that was worked out of it, and asks in the units that are chosen', async () => {
    const { shown, asked } = await cause('ratio-off');
    expect(shown.root.querySelector('h1')?.textContent).toBe(page.title);
    for (const said of [page.looks, page.how, ...page.mend.steps, ...page.prevention, ...page.tests.map((t) => t.how)])
      expect(shown.text()).toContain(said);
    expect(lines(shown.root, '.speaks dt')).toEqual(page.speaks.map((s) => s.label));
    expect(lines(shown.root, '[data-neighbour] h3')).toEqual(page.neighbours.map((n) => n.title));
    expect(asked.some(({ path }) => path.includes('temperature='))).toBe(true);
    expect(shown.root.querySelector('.drawn .cast')?.getAttribute('aria-label')).toMatch(/cast, \w+: /);
  });
  it('says how often it was that here only where it is known', async () => {
    expect((await cause('ratio-off', { known: 3 })).shown.text()).toContain('3 batches');
    expect((await cause('ratio-off', { known: 1 })).shown.text()).toContain('1 batch.');
    expect((await cause('ratio-off')).shown.text()).toContain('No batch here is known');
  });
  it('draws no pattern that nobody named', async () => {
    const { shown } = await cause('pressure-late');
    expect(lines(shown.root, '.pictures li:not(.drawn)')).toEqual([
      'bubbles, micro throughout',
      'bubbles, top foam',
      'bubbles, large voids',
    ]);
  });
  it('says so where there is none', async () => {
    const { shown } = await cause('nonsense');
    expect(shown.root.querySelector('[role="alert"]')).not.toBeNull();
  });
});

describe('the other pages', () => {
  it('of the guide are narrowed by what is typed', async () => {
    pretendStudio([], () => undefined);
    const page = await screen('guide', {});
    expect(page.root.querySelectorAll('[data-guide]').length).toBeGreaterThan(80);
    const box = page.root.querySelector<HTMLInputElement>('#guide-find')!;
    box.value = 'blush';
    box.dispatchEvent(new Event('input', { bubbles: true }));
    await page.settle();
    expect(page.root.querySelector('[data-guide="causes/amine-blush"]')).not.toBeNull();
    expect(page.root.querySelector('[data-guide="causes/mould-flaw"]')).toBeNull();
  });
  it('say of a family what it never does; no word of its parts can be read as a ratio', async () => {
    pretendStudio([], () => undefined);
    const page = await screen('guide', { part: 'families', id: 'epoxy' });
    expect(page.text()).toContain('never catches up on a wrong ratio');
    expect(page.text()).not.toMatch(/one to one|1 ?: ?1/);
  });
});

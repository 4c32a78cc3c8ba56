// @vitest-environment happy-dom
import { afterEach, describe, expect, it, vi } from 'vitest';
import { defineComponent, h } from 'vue';
import { mounted, type Mounted } from '../testing/mounted';
import { InTurn } from './InTurn';

let page: Mounted | null = null;
afterEach(() => {
  page?.unmount();
  page = null;
  vi.unstubAllGlobals();
});
const Page = defineComponent(() => () => [
  h('h1', 'Log'),
  h(InTurn, () => h('p', 'filters')),
  h(InTurn, () => h('p', 'rows')),
]);

describe('parts of a page that are made in their turn', () => {
  it('come one after another, each when the browser had a chance in between', async () => {
    const turns: (() => void)[] = [];
    vi.stubGlobal('scheduler', { yield: () => new Promise<void>((go) => turns.push(go)) });
    page = await mounted(Page);
    expect(page.text()).toBe('Log');
    turns.shift()!();
    await page.settle();
    expect(page.text()).toBe('Logfilters');
    turns.shift()!();
    await page.settle();
    expect(page.text()).toBe('Logfiltersrows');
    expect(turns).toEqual([]);
  });
  it('come though one before them could not be made', async () => {
    vi.stubGlobal('scheduler', { yield: () => Promise.resolve() });
    vi.spyOn(console, 'error').mockImplementation(() => undefined);
    vi.spyOn(console, 'warn').mockImplementation(() => undefined);
    const broken = defineComponent({
      setup: () => () => {
        throw new Error('cannot be made');
      },
    });
    page = await mounted(defineComponent(() => () => [h(InTurn, () => h(broken)), h(InTurn, () => h('p', 'rows'))]));
    expect(page.text()).toContain('rows');
    vi.restoreAllMocks();
    // What was never whole cannot be taken down either.
    page.root.remove();
    page = null;
  });
  it('are there at once where a browser cannot let others go first', async () => {
    vi.stubGlobal('scheduler', undefined);
    page = await mounted(Page);
    expect(page.text()).toBe('Logfiltersrows');
  });
});

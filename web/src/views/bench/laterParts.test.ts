// @vitest-environment happy-dom
import { afterEach, describe, expect, it, vi } from 'vitest';
import { mounted, type Mounted } from '../../testing/mounted';
import { h } from 'vue';
import { later } from './laterParts';

let page: Mounted | null = null;
afterEach(() => {
  page?.unmount();
  page = null;
  vi.restoreAllMocks();
});

describe('a part of the bench that comes after the page', () => {
  it('says so where it cannot be fetched, and is asked for again by the next that has it', async () => {
    vi.spyOn(console, 'error').mockImplementation(() => undefined);
    vi.spyOn(console, 'warn').mockImplementation(() => undefined);
    let isAway = true;
    const Part = later(() =>
      isAway
        ? Promise.reject(new Error('away'))
        : Promise.resolve({ __esModule: true, default: { render: () => h('b', 'Gasket seated') } }),
    );
    page = await mounted(Part);
    expect(page.root.querySelector('[role="alert"]')?.textContent).toContain('What you entered is kept');
    page.unmount();
    isAway = false;
    page = await mounted(Part);
    expect(page.text()).toBe('Gasket seated');
  });
});

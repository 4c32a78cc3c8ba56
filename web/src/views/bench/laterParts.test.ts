// @vitest-environment happy-dom
import { afterEach, describe, expect, it, vi } from 'vitest';
import { mounted, type Mounted } from '../../testing/mounted';
import { h, type Component } from 'vue';
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
  it('comes by the button beside that, with what it was given', async () => {
    vi.spyOn(console, 'error').mockImplementation(() => undefined);
    vi.spyOn(console, 'warn').mockImplementation(() => undefined);
    let isAway = true;
    const Vessel = { props: { name: String }, render: ({ name }: { name: string }) => h('b', `Gasket of ${name}`) };
    const Part = later(() =>
      isAway ? Promise.reject(new Error('away')) : Promise.resolve({ __esModule: true, default: Vessel }),
    );
    page = await mounted({ render: () => h(Part as Component, { name: 'G-04' }) });
    const again = () => page!.root.querySelector('button')!;
    again().click();
    await new Promise((done) => setTimeout(done));
    expect(page.text()).toContain('the clock runs on');
    isAway = false;
    again().click();
    await new Promise((done) => setTimeout(done));
    expect(page.text()).toBe('Gasket of G-04');
  });
});

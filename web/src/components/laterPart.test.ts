// @vitest-environment happy-dom
import { afterEach, describe, expect, it, vi } from 'vitest';
import { mounted, type Mounted } from '../testing/mounted';
import { h, type Component } from 'vue';
import { laterPart, wholePart } from './laterPart';
import { missingSheets } from './missingSheets';

const SAYS = 'The gasket cannot be fetched now. It is in the drawer. Try again;';
const GASKET = ['The gasket', { also: 'It is in the drawer.' }] as const;

let page: Mounted | null = null;
afterEach(() => {
  page?.unmount();
  page = null;
  vi.restoreAllMocks();
});

describe('a part that comes after the page', () => {
  it('says so where it cannot be fetched, and is asked for again by the next that has it', async () => {
    vi.spyOn(console, 'error').mockImplementation(() => undefined);
    vi.spyOn(console, 'warn').mockImplementation(() => undefined);
    let isAway = true;
    const Part = laterPart(
      () =>
        isAway
          ? Promise.reject(new Error('away'))
          : Promise.resolve({ __esModule: true, default: { render: () => h('b', 'Gasket seated') } }),
      ...GASKET,
    );
    page = await mounted(Part);
    expect(page.root.querySelector('[role="alert"]')?.textContent).toContain(SAYS);
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
    const Part = laterPart(
      () => (isAway ? Promise.reject(new Error('away')) : Promise.resolve({ __esModule: true, default: Vessel })),
      ...GASKET,
    );
    page = await mounted({ render: () => h(Part as Component, { name: 'G-04' }) });
    const again = () => page!.root.querySelector('button')!;
    again().click();
    await new Promise((done) => setTimeout(done));
    expect(page.text()).toContain(SAYS);
    isAway = false;
    again().click();
    await new Promise((done) => setTimeout(done));
    expect(page.text()).toBe('Gasket of G-04');
  });
});

describe('a style sheet that could not be fetched', () => {
  /** Links of the page, each told once whether it could be fetched. */
  const links = () => [...document.querySelectorAll<HTMLLinkElement>('link')];
  const asked = (title: string) => {
    const link = document.createElement('link');
    Object.assign(link, { title, rel: 'stylesheet' });
    document.head.append(link);
    return link;
  };
  it('holds up the part that missed it alone', async () => {
    const link = asked('close');
    try {
      link.dispatchEvent(new Event('error'));
      const Seal = { render: () => null };
      const there = () => Promise.resolve({ default: Seal });
      expect((await wholePart(there)).default).toBe(Seal);
      expect(links()).toContain(link);
      let isAway = true;
      const missed = () => (isAway ? Promise.reject(new Error('away')) : there());
      await expect(wholePart(missed)).rejects.toThrow('away');
      isAway = false;
      const again = wholePart(missed);
      await vi.waitFor(() => {
        expect(links()).not.toContain(link);
      });
      links()[0]!.dispatchEvent(new Event('load'));
      expect((await again).default).toBe(Seal);
    } finally {
      links().forEach((l) => {
        l.remove();
      });
    }
  });
  it('is asked for again until it is there, and those that are there are left alone', async () => {
    const [lost, there] = [asked('close'), asked('step')];
    try {
      lost.dispatchEvent(new Event('error'));
      for (const [event, said] of [
        ['error', 'still away'],
        ['load', 'there'],
      ] as const) {
        const told = missingSheets().then(
          () => 'there',
          () => 'still away',
        );
        const anew = links().find((l) => l.title === 'close')!;
        expect(anew).not.toBe(lost);
        anew.dispatchEvent(new Event(event));
        expect(await told).toBe(said);
        expect(links()).toHaveLength(2);
        expect(links()).toContain(there);
      }
      const before = links();
      await missingSheets();
      expect(links()).toEqual(before);
    } finally {
      links().forEach((l) => {
        l.remove();
      });
    }
  });
});

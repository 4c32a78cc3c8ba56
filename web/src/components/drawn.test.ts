// @vitest-environment happy-dom
import { limitReadings, saltmarshCard, soundBatch, type LimitReading } from '@warm-jar/core';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { useUnits } from '../stores/units';
import { mounted, type Mounted } from '../testing/mounted';
import JarGlass from './JarGlass.vue';
import LimitStrip from './LimitStrip.vue';
import ReasonBox from './ReasonBox.vue';

let page: Mounted | null = null;
beforeEach(() => {
  window.localStorage.clear();
});
afterEach(() => {
  page?.unmount();
  page = null;
});
const open = async (component: Parameters<typeof mounted>[0], props: object) =>
  (page = await mounted(component, props));

const readingOf = (field: string, record: Record<string, unknown> = {}): LimitReading =>
  limitReadings(saltmarshCard('house-clear-6'), soundBatch('house-clear-6', record)).find((r) => r.field === field)!;
const part = (css: string) => page!.root.querySelector(css);
const share = (css: string, attribute: string) => Number(part(css)!.getAttribute(attribute)!.replace('%', ''));

describe('the limit strip', () => {
  it('tells a value inside its band by place and by words', async () => {
    await open(LimitStrip, { reading: readingOf('room.temperatureC', { room: { temperatureC: 22 } }) });
    expect(part('.strip')!.getAttribute('data-state')).toBe('inside');
    expect(page!.text()).toContain('Room');
    expect(page!.text()).toContain('22 °C');
    expect(page!.text()).toContain('inside');
    const [from, width] = [share('.band', 'x'), share('.band', 'width')];
    const mark = share('svg svg', 'x');
    expect(mark).toBeGreaterThan(from);
    expect(mark).toBeLessThan(from + width);
  });
  it('sets what is below to the left of the band, and says so', async () => {
    await open(LimitStrip, { reading: readingOf('room.temperatureC', { room: { temperatureC: 12 } }) });
    expect(part('.strip')!.classList.contains('outside')).toBe(true);
    expect(page!.text()).toContain('below');
    expect(share('svg svg', 'x')).toBeLessThan(share('.band', 'x'));
  });
  it('looks otherwise where nothing was recorded than where all is well', async () => {
    await open(LimitStrip, { reading: readingOf('room.temperatureC', { room: { temperatureC: null } }) });
    expect(part('svg svg')).toBeNull();
    expect(part('.value')).toBeNull();
    expect(page!.text()).toContain('not recorded');
  });
  it('has no band where the card states no limit', async () => {
    const silent: LimitReading = { ...readingOf('room.temperatureC'), low: null, high: null, state: 'not-stated' };
    await open(LimitStrip, { reading: silent });
    expect(part('.band')).toBeNull();
    expect(page!.text()).toContain('card does not say');
  });
  it('speaks the units that people chose', async () => {
    await open(LimitStrip, { reading: readingOf('room.temperatureC', { room: { temperatureC: 20 } }) });
    useUnits().choose('temperature', '°F');
    await page!.settle();
    expect(page!.text()).toContain('68 °F');
  });
  it.each([
    [3, '3 days past'],
    [-12, '12 days left'],
  ])('says a use-by date by the days on either side of it (%d)', async (measured, words) => {
    const state = measured > 0 ? 'above' : 'inside';
    await open(LimitStrip, { reading: { ...readingOf('lotA.useBy'), measured, state } });
    expect(page!.text()).toContain(words);
    expect(page!.text()).toContain("the bottle's label");
  });
  it('is told whole to who does not see it', async () => {
    const reading = readingOf('mix.stirMin', { mix: { stirMin: 0.4 } });
    await open(LimitStrip, { reading, bare: true });
    expect(part('svg[role="img"]')!.getAttribute('aria-label')).toBe(reading.says);
    expect(part('.name')).toBeNull();
  });
});

describe('the jar', () => {
  const layers = [
    { part: 'a', share: 0.5 },
    { part: 'b', share: 0.4 },
    { part: 'additive', share: 0.1 },
  ];
  const heights = () => [...page!.root.querySelectorAll('g rect')].map((r) => Number(r.getAttribute('height')));
  const level = () => Number(part('.surface')!.getAttribute('y1'));
  it('holds its parts in true proportion, one on the other', async () => {
    await open(JarGlass, { layers, label: 'B-0001' });
    const [a, b, additive] = heights().map((h) => h - 0.3);
    expect(a! / b!).toBeCloseTo(0.5 / 0.4, 6);
    expect(additive! / a!).toBeCloseTo(0.2, 6);
    expect(page!.root.querySelector('svg')!.getAttribute('aria-label')).toBe(
      'B-0001: A 50 %, B 40 %, colour and fill 10 %',
    );
  });
  it('falls as pot life goes, and never looks empty while something is in it', async () => {
    await open(JarGlass, { layers, left: 1, label: 'x' });
    const full = level();
    page!.unmount();
    await open(JarGlass, { layers, left: 0.5, label: 'x' });
    const half = level();
    page!.unmount();
    await open(JarGlass, { layers, left: 0, label: 'x' });
    expect(half).toBeGreaterThan(full);
    expect(level()).toBeGreaterThan(half);
    expect(Math.max(...heights())).toBeGreaterThan(0);
  });
  it('is hatched once it has set, and has no surface then', async () => {
    await open(JarGlass, { layers, left: 0.2, set: true, label: 'x' });
    expect(part('.surface')).toBeNull();
    expect([...page!.root.querySelectorAll('g rect')].at(-1)!.getAttribute('fill')).toMatch(/^url\(#/);
  });
  it('is empty glass where nothing is known to be in it', async () => {
    await open(JarGlass, { layers: [], label: 'x', set: true });
    expect(heights()).toEqual([]);
  });
});

describe('the box for a reason', () => {
  it('lets nobody on without one, and keeps what was said', async () => {
    const said: string[] = [];
    await open(ReasonBox, { what: 'The ratio is off by 9 %.', onReason: (words: string) => said.push(words) });
    expect(page!.text()).toContain('The ratio is off by 9 %. To go on, say why');
    expect(page!.button('Go on').disabled).toBe(true);
    await page!.type('input', '  a test piece ');
    await page!.settle();
    page!.button('Go on').click();
    expect(said).toEqual(['a test piece']);
  });
  it('goes back without a word', async () => {
    let back = 0;
    await open(ReasonBox, { what: 'Stop.', onCancel: () => (back += 1) });
    page!.button('Back').click();
    expect(back).toBe(1);
  });
});

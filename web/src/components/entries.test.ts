// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { nextTick, reactive } from 'vue';
import { useUnits } from '../stores/units';
import { mounted, type Mounted } from '../testing/mounted';
import ChoiceEntry from './ChoiceEntry.vue';
import DateEntry from './DateEntry.vue';
import MomentEntry from './MomentEntry.vue';
import NumberEntry from './NumberEntry.vue';
import YesNoEntry from './YesNoEntry.vue';

let page: Mounted | null = null;
let changes: unknown[][] = [];
beforeEach(() => {
  window.localStorage.clear();
  changes = [];
});
afterEach(() => {
  page?.unmount();
  page = null;
});
/** An entry whose changes are kept, with props that can be changed. */
async function open(component: Parameters<typeof mounted>[0], props: object) {
  const given = reactive({ ...props }) as Record<string, unknown>;
  page = await mounted(
    {
      components: { entry: component },
      setup: () => ({ given, keep: (...values: unknown[]) => changes.push(values) }),
      template: '<entry v-bind="given" @change="keep" />',
    },
    {},
  );
  return { page, given };
}
const input = () => page!.root.querySelector('input')!;
const press = async (words: string) => {
  page!.button(words).click();
  await nextTick();
};

describe('a number', () => {
  const amount = { id: 'n', value: null, unit: 'g', label: 'Amount of A' };
  it('is taken with a point, a comma, and a true minus', async () => {
    await open(NumberEntry, amount);
    await page!.type('input', '147.2');
    await page!.type('input', '147,2');
    await page!.type('input', '−3');
    expect(changes).toEqual([
      [147.2, undefined],
      [147.2, undefined],
      [-3, undefined],
    ]);
  });
  it('that is none yet stays as it was typed, and is no number', async () => {
    await open(NumberEntry, amount);
    await page!.type('input', '14o');
    expect(changes).toEqual([[null, '14o']]);
    expect(input().value).toBe('14o');
  });
  it('emptied is not recorded', async () => {
    await open(NumberEntry, { ...amount, value: 3 });
    await page!.type('input', '');
    expect(changes).toEqual([[null, undefined]]);
  });
  it('is read aloud with its unit, and tied to what is wrong with it', async () => {
    await open(NumberEntry, { ...amount, error: 'Too much.' });
    expect(input().getAttribute('aria-label')).toBe('Amount of A, g');
    expect(input().getAttribute('aria-describedby')).toBe('n-error');
    expect(page!.text()).toContain('g');
  });
  it('is shown and taken in the units that people chose', async () => {
    await open(NumberEntry, { ...amount, unit: '°C', value: 20 });
    useUnits().choose('temperature', '°F');
    await page!.settle();
    expect(input().value).toBe('68');
    await page!.type('input', '50');
    expect(changes.at(-1)![0]).toBeCloseTo(10, 9);
  });
  it('follows what another screen wrote, but not while it is typed in', async () => {
    const { given } = await open(NumberEntry, { ...amount, value: 3 });
    given['value'] = 4;
    await page!.settle();
    expect(input().value).toBe('4');
    input().dispatchEvent(new Event('focus'));
    given['value'] = 5;
    await page!.settle();
    expect(input().value).toBe('4');
  });
});

describe('a choice', () => {
  it('of a few lies beside each other, and a second tap takes it back', async () => {
    await open(ChoiceEntry, { id: 'c', value: null, options: ['gentle', 'brisk'], label: 'How it was stirred' });
    await press('brisk');
    expect(changes).toEqual([['brisk']]);
    const { given } = await open(ChoiceEntry, { id: 'c', value: 'brisk', options: ['gentle', 'brisk'], label: 'How' });
    expect(given['value']).toBe('brisk');
    await press('brisk');
    expect(changes.at(-1)).toEqual([null]);
  });
  it('of many is a list that says "not recorded"', async () => {
    await open(ChoiceEntry, { id: 'c', value: null, options: ['a', 'b', 'c', 'd', 'e'], label: 'Flame' });
    expect(page!.text()).toContain('not recorded');
    expect(page!.root.querySelectorAll('button')).toHaveLength(0);
  });
  it('of a few may be asked for as a list', async () => {
    await open(ChoiceEntry, { id: 'c', value: 'a', options: ['a', 'b'], label: 'Flame', list: true });
    expect(page!.root.querySelector('[role="combobox"]')).not.toBeNull();
  });
});

describe('yes or no', () => {
  it('is neither until somebody says', async () => {
    await open(YesNoEntry, { value: null, label: 'Shaken' });
    const pressed = [...page!.root.querySelectorAll('button')].map((b) => b.getAttribute('aria-pressed'));
    expect(pressed).toEqual(['false', 'false']);
    await press('No');
    expect(changes).toEqual([[false]]);
  });
  it('is taken back by a second tap', async () => {
    await open(YesNoEntry, { value: true, label: 'Shaken' });
    await press('Yes');
    expect(changes).toEqual([[null]]);
  });
});

describe('a day', () => {
  it('is shown as it is kept', async () => {
    await open(DateEntry, { id: 'd', value: '2026-03-14', label: 'Lot A, use by' });
    expect(input().value).toBe('2026-03-14');
  });
  it('is taken as it is typed, and not before it is whole', async () => {
    await open(DateEntry, { id: 'd', value: null, label: 'Lot A, use by' });
    for (const text of ['2027', '2027-12', '2027-12-2']) await page!.type('input', text);
    expect(changes).toEqual([]);
    await page!.type('input', '2027-12-25');
    expect(changes).toEqual([['2027-12-25']]);
  });
  it.each([
    ['25.12.2027', '2027-12-25'],
    ['25 Dec 2027', '2027-12-25'],
    ['2027-12-2', '2027-12-02'],
  ])('typed as %s is %s once the field is left', async (text, day) => {
    await open(DateEntry, { id: 'd', value: null, label: 'Lot A, use by' });
    await page!.type('input', text);
    expect(changes).toEqual([]);
    input().dispatchEvent(new Event('blur'));
    expect(changes).toEqual([[day]]);
  });
  it('that cannot be read is told and changes nothing; emptied, it is not recorded', async () => {
    await open(DateEntry, { id: 'd', value: '2026-03-14', label: 'Lot A, use by' });
    await page!.type('input', 'end of May');
    input().dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    await page!.settle();
    expect(page!.text()).toContain('"end of May" was not read. Write it as 2027-12-25');
    expect(changes).toEqual([]);
    await page!.type('input', '');
    input().dispatchEvent(new Event('blur'));
    expect(changes).toEqual([[null]]);
  });
  it.each(['', '14.3.2026', 'soon'])('that is none (%s) is not shown as another', async (value) => {
    await open(DateEntry, { id: 'd', value, label: 'Lot A, use by' });
    expect(input().value).toBe('');
    expect(input().placeholder).toBe('not recorded');
  });
});

describe('a moment', () => {
  const moment = { id: 'm', value: null, label: 'The parts met' };
  it('is taken as it is typed, with this machine\u2019s offset', async () => {
    await open(MomentEntry, moment);
    await page!.type('input', '2026-03-14 09:20');
    expect(changes.at(-1)![0]).toMatch(/^2026-03-14T09:20:00[+-]\d\d:\d\d$/);
  });
  it('that cannot be read is said when the field is left, and stores nothing', async () => {
    await open(MomentEntry, moment);
    await page!.type('input', 'half past nine');
    expect(page!.text()).not.toContain('was not read');
    input().dispatchEvent(new Event('blur'));
    await page!.settle();
    expect(page!.text()).toContain('"half past nine" was not read. Write it as');
    expect(changes.flat().filter((v) => v !== null)).toEqual([]);
  });
  it('is now by one press', async () => {
    await open(MomentEntry, moment);
    const before = Date.now();
    await press('Now');
    const given = Date.parse(changes[0]![0] as string);
    expect(Math.abs(given - before)).toBeLessThan(2000);
  });
});

import { saltmarshCard } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { stepTitle } from './stepTitle';
import { stirCue } from './stirCue';
import { measuredBy, weighEntry, type Weighed } from './weighEntry';

describe('the title of a step', () => {
  it.each([
    ['weigh-a', 'house-clear-6', 'Weigh A'],
    ['weigh-b', 'house-clear-6', 'Weigh B'],
    ['weigh-b', 'house-tide', 'Weigh the catalyst'],
    ['weigh-a', 'house-chalk', 'Weigh the liquid'],
    ['weigh-b', 'house-chalk', 'Weigh the powder'],
    ['stir', 'house-chalk', 'Stir'],
  ] as const)('%s of %s is "%s"', (step, slug, words) => {
    expect(stepTitle(step, saltmarshCard(slug))).toBe(words);
  });
  it('has a word before the card is there', () => {
    expect(stepTitle('pour', null)).toBe('Pour');
  });
});

describe('the word for the stir', () => {
  it('goes from folding to long enough, by the card', () => {
    const at = (minutes: number | null) => stirCue(minutes, 3);
    expect(at(null)).toBe('Begin when both parts are in');
    expect([0, 1, 1.03, 2, 2.02, 2.9, 3, 30].map(at)).toEqual([
      'Fold, do not whip',
      'Fold, do not whip',
      'Scrape the wall',
      'Scrape the wall',
      'Scrape the bottom',
      'Scrape the bottom',
      'Stirred long enough',
      'Stirred long enough',
    ]);
  });
});

describe('a weighing', () => {
  const met = { startedAt: '2026-03-14T09:20:00+00:00' };
  const shown = (value: number, standIn = true) => ({
    value,
    settled: true,
    silent: false,
    says: null,
    device: { code: 'G-01', name: 'bench scale', kind: 'scale' as const, standIn, stepG: 0.1, holder: 'B-0001' },
  });
  const weighed = (more: Partial<Weighed>): Weighed => ({
    part: 'A',
    massG: 147.2,
    from: shown(147.2),
    standsG: 147.2,
    atMin: null,
    ...more,
  });
  it('of A says how it was measured, and never when the parts met', () => {
    const { set } = weighEntry(saltmarshCard('house-clear-6'), weighed({}), met);
    expect(set).toEqual({
      'mix.amountA': 147.2,
      'mix.unit': 'g',
      'mix.measuredBy': 'weight',
      'bench.tareG': 147.2,
    });
  });
  it('of B is the moment the parts met', () => {
    const { set } = weighEntry(saltmarshCard('house-clear-6'), weighed({ part: 'B', massG: 126 }), met);
    expect(set).toMatchObject({ 'mix.amountB': 126, ...met });
    expect(set).not.toHaveProperty('mix.amountA');
  });
  it('of a resin that light cures is the moment from which its clock counts', () => {
    expect(weighEntry(saltmarshCard('house-noon'), weighed({}), met).set).toMatchObject(met);
  });
  it('keeps what the scale showed and which it was, a stand-in as such, unless it was typed or there is none', () => {
    const card = saltmarshCard('house-clear-6');
    expect(weighEntry(card, weighed({ atMin: 1.5 }), {}).add).toEqual([
      {
        path: 'readings',
        value: { atMin: 1.5, what: 'scale', value: 147.2, unit: 'g', device: 'G-01', simulated: true },
      },
    ]);
    const real = weighEntry(card, weighed({ from: shown(147.2, false) }), {}).add[0]!.value;
    expect(real).toMatchObject({ device: 'G-01' });
    expect(real).not.toHaveProperty('simulated');
    expect(weighEntry(card, weighed({ from: null }), {}).add).toEqual([]);
    const none = weighEntry(card, weighed({ from: null, standsG: null }), {});
    expect(none.add).toEqual([]);
    expect(none.set).not.toHaveProperty('bench.tareG');
  });
  it.each([
    ['house-clear-6', 'weight'],
    ['house-tide', 'catalyst'],
    ['house-chalk', 'powder'],
    ['house-noon', 'light'],
  ])('%s is measured by %s', (slug, by) => {
    expect(measuredBy(saltmarshCard(slug))).toBe(by);
  });
});

import { STORED_UNITS, readDataSheet, slugOf, wordsIn } from '@warm-jar/core';
import { MADE_UP_SHEETS, sheetText } from '@warm-jar/core/made-up-sheets';
import { describe, expect, it } from 'vitest';
import { offerWords } from './offerWords';
import { cardLabel, figuresTaken, sheetOffers } from './sheetOffers';

const say = wordsIn(STORED_UNITS);
const offersOf = (text: string) => sheetOffers(readDataSheet(text));
const words = (text: string) => offersOf(text).map((o) => [o.label, ...o.choices.map((c) => offerWords(c, say))]);

describe('what a sheet offers a card', () => {
  it.each([
    ['Pot life (150 g, 23 °C): 40 min', [['Pot life', '40 min in 150 g at 23 °C']]],
    ['Mix ratio 100A:82B by weight', [['Ratio by weight', '100 : 82']]],
    ['Hardness 78 ± 3 Shore D', [['Hardness', '78 ± 3 Shore D']]],
    ['Working temperature: 18 to 27 °C', [['Room', '18 °C to 27 °C']]],
    ['Maximum depth: 60 mm', [['Depth, most', '60 mm']]],
    [
      'Density A / B: 1.125 / 0.975 g/ml',
      [
        ['Density of A', '1.125 g/mL'],
        ['Density of B', '0.975 g/mL'],
      ],
    ],
    ['Contains isocyanates; harmful', [['Hazards', 'isocyanate']]],
  ])('%s', (text, expected) => {
    expect(words(text)).toEqual(expected);
  });
  it('calls every field of every sheet by the name that the card calls it', () => {
    for (const sheet of MADE_UP_SHEETS)
      for (const { id, label } of sheetOffers(readDataSheet(sheetText(sheet), { asked: sheet.asked })))
        expect(label, id).not.toMatch(/\.|\[/);
  });
  it('takes what belongs together as one: another statement brings its own mass and temperature', () => {
    const offers = offersOf('Pot life (150 g, 23 °C): 40 min\n\nPot life (500 g, 25 °C): 28 min');
    expect(offers).toHaveLength(1);
    const taken = (at: number | null) => figuresTaken(offers, { 'potLife.minutes': at }).map((f) => [f.path, f.value]);
    expect(Object.fromEntries(taken(1))).toEqual({
      'potLife.minutes': 28,
      'potLife.atC': 25,
      'potLife.massG': 500,
    });
    expect(Object.fromEntries(taken(0))['potLife.massG']).toBe(150);
    expect(taken(null)).toEqual([]);
  });
  it('says where its choices cannot all be right', () => {
    expect(offersOf('Pot life: 40 min\n\nPot life: 30 min')[0]?.contradicts).toBe(true);
    expect(offersOf('Pot life: 40 min')[0]?.contradicts).toBe(false);
  });
});

describe('names', () => {
  it.each([
    ['House Clear 6 (fast)', 'house-clear-6-fast'],
    ['  Übergang—20 ', 'ubergang-20'],
    ['***', ''],
  ])('%s is %s for short', (name, slug) => {
    expect(slugOf(name)).toBe(slug);
  });
  it('a field that no form shows is called by its path', () => {
    expect(cardLabel('something.else')).toBe('something.else');
    expect(cardLabel('ratio.catalyst.gel[1].minutes')).toBe('Gel at dose 2');
  });
});

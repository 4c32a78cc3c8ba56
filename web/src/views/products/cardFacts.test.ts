import { SALTMARSH_CARDS, STORED_UNITS, saltmarshCard, wordsIn } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { cardGroups } from './cardFacts';

const say = wordsIn();
const stated = (slug: string, label: string, words = say) =>
  cardGroups(saltmarshCard(slug), words)
    .flatMap((g) => g.facts)
    .find((f) => f.label === label);

describe('cardGroups', () => {
  it('tells the card in words', () => {
    expect(stated('house-clear-6', 'A : B by weight')!.stated).toBe('100 : 82');
    expect(stated('house-clear-6', 'Pot life')!.stated).toBe('6 min at 23 °C, 150 g');
    expect(stated('house-clear-6', 'Pressure')!.stated).toBe('275 kPa to 415 kPa');
    expect(stated('house-tide', 'Catalyst')!.stated).toBe('0.8 % to 2.4 %');
    expect(stated('house-noon', 'Parts')!.stated).toContain('one part');
  });
  it('keeps what the data sheet does not say apart from what it does', () => {
    expect(stated('house-coat-9', 'Gel')!.stated).toBeNull();
    expect(stated('house-deep-40', 'Pressure')!.stated).toBe('415 kPa or less');
  });
  it('marks a ratio that was worked out', () => {
    expect(stated('house-mould-t', 'A : B by volume')).toMatchObject({
      stated: '100 : 6.1',
      note: 'computed from the densities',
    });
  });
  it('follows the chosen units', () => {
    expect(stated('house-clear-6', 'Room', wordsIn({ ...STORED_UNITS, temperature: '°F' }))!.stated).toBe(
      '66.2 °F to 80.6 °F',
    );
  });
  it('has words for every card', () => {
    for (const card of SALTMARSH_CARDS)
      for (const f of cardGroups(card, say).flatMap((g) => g.facts))
        expect(f.stated ?? '', `${card.slug} ${f.label}`).not.toMatch(/undefined|NaN|null/);
  });
});

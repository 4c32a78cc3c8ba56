import { describe, expect, it } from 'vitest';
import { spokenLeft, spokenNumber } from './spokenWords';

describe('a clock in words', () => {
  it.each([
    [300, 'over 4 hours'],
    [200, 'under 4 hours'],
    [23.6, 'under 30 minutes'],
    [4.2, 'under 5 minutes'],
    [1, 'under 2 minutes'],
    [0.99, 'under 1 minute'],
    [0.4, 'under 30 seconds'],
    [0, 'under 30 seconds'],
    [-0.1, 'past'],
  ])('%s minutes left: %s', (minutes, words) => expect(spokenLeft(minutes)).toBe(words));
  it('changes a dozen times in an hour, not every second, and never to a longer time', () => {
    const said = Array.from({ length: 3600 }, (_, s) => spokenLeft(60 - s / 60));
    const changes = said.filter((words, i) => words !== said[i - 1]);
    expect(changes.length).toBeLessThan(15);
    expect(new Set(changes).size).toBe(changes.length);
  });
});

describe('the big number in words', () => {
  it.each([
    ['Still to come', '7.2 g', 'Still to come 7.2 g'],
    ['Pour within', '23:35', 'Pour within: under 30 minutes'],
    ['Pour within', '−0:12', 'Pour within: past'],
    ['Out of the mould in', '52:06:13', 'Out of the mould in: over 4 hours'],
    ['Gel is not known', '–', 'Gel is not known –'],
  ])('%s, %s', (label, value, words) => expect(spokenNumber(label, value)).toBe(words));
});

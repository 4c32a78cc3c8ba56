import { describe, expect, it } from 'vitest';
import { lookWords, soonWords } from './whenWords';

const NOW = Date.parse('2027-03-18T14:30:00Z');
const minutes = (m: number) => NOW + m * 60_000;

describe('how far off something is, in a few words', () => {
  it('is now once it is past, then minutes, and hours from a hundred minutes on', () => {
    expect([-0.01, 0, 12.4, 99.9, 100, 180].map((m) => soonWords(minutes(m), NOW))).toEqual([
      'now',
      'in 0 min',
      'in 12 min',
      'in 100 min',
      'in 2 h',
      'in 3 h',
    ]);
  });
  it('of a look is never less than an hour, and days from a day and a half on', () => {
    expect(
      [-48 * 60, -36 * 60, -35.9 * 60, -61, -1, 1, 90, 35.9 * 60, 36 * 60].map((m) => lookWords(minutes(m), NOW)),
    ).toEqual([
      '2 days ago',
      '2 days ago',
      '36 h ago',
      '1 h ago',
      '1 h ago',
      'in 1 h',
      'in 2 h',
      'in 36 h',
      'in 2 days',
    ]);
  });
});

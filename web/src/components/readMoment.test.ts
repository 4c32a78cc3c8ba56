import { describe, expect, it } from 'vitest';
import { readDay, readMoment } from './readMoment';

const today = new Date(2027, 2, 18, 14, 30);

describe('a typed day', () => {
  it.each([
    ['2027-12-25', [2027, 12, 25]],
    ['2027-12-2', [2027, 12, 2]],
    [' 20271225 ', [2027, 12, 25]],
    ['25.12.2027', [2027, 12, 25]],
    ['5.2.2026', [2026, 2, 5]],
    ['25 Dec 2027', [2027, 12, 25]],
    ['25 december, 2027', [2027, 12, 25]],
    ['1 Mar', [2027, 3, 1]],
    ['29 February 2028', [2028, 2, 29]],
  ] as const)('"%s" is read', (text, [year, month, day]) => {
    const read = readDay(text, today)!;
    expect([read.getFullYear(), read.getMonth() + 1, read.getDate()]).toEqual([year, month, day]);
  });
  it.each(['', 'soon', '2027-13-01', '2027-02-30', '29 Feb 2027', '12/25/2027', '2027-12', '25 Dez 2027', '202712251'])(
    '"%s" is none',
    (text) => {
      expect(readDay(text, today)).toBeNull();
    },
  );
});

describe('a typed moment', () => {
  it.each([
    ['2026-11-26 06:48', new Date(2026, 10, 26, 6, 48)],
    [' 2026-3-1T9:05 ', new Date(2026, 2, 1, 9, 5)],
    ['26.11.2026 06:48', new Date(2026, 10, 26, 6, 48)],
    ['26 Nov, 06:48', new Date(2027, 10, 26, 6, 48)],
    ['9:05', new Date(2027, 2, 18, 9, 5)],
  ])('"%s" is read to the minute', (text, moment) => {
    expect(readMoment(text, today)).toEqual(moment);
  });
  it.each([
    '',
    'yesterday',
    'yesterday 10:00',
    '2026-02-30 10:00',
    '2026-13-01 10:00',
    '2026-11-26 24:10',
    '2026-11-26 10:61',
    '26-11-2026 10:00',
    '2026-11-26',
    '2026-11-26 09:2',
    '2026-11-26 09:200',
  ])('"%s" is none', (text) => {
    expect(readMoment(text, today)).toBeNull();
  });
});

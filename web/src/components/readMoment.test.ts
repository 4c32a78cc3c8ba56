import { describe, expect, it } from 'vitest';
import { readMoment } from './readMoment';

describe('a typed moment', () => {
  it('is read year first, to the minute', () => {
    expect(readMoment('2026-11-26 06:48')).toEqual(new Date(2026, 10, 26, 6, 48));
    expect(readMoment(' 2026-3-1T9:05 ')).toEqual(new Date(2026, 2, 1, 9, 5));
  });
  it.each([
    '',
    'yesterday',
    '2026-02-30 10:00',
    '2026-13-01 10:00',
    '2026-11-26 24:10',
    '2026-11-26 10:61',
    '26-11-2026 10:00',
    '2026-11-26',
    '2026-11-26 09:2',
    '2026-11-26 09:200',
  ])('"%s" is none', (text) => {
    expect(readMoment(text)).toBeNull();
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addMonths, dayAfter, dayOf, daysBetween, endOfDayIn, startOfDayIn } from './days';

const date = fc
  .date({ min: new Date('1971-01-01T00:00:00Z'), max: new Date('2150-12-31T00:00:00Z'), noInvalidDate: true })
  .map((d) => d.toISOString().slice(0, 10));

describe('calendar days', () => {
  it.each([
    ['2026-01-31', 1, '2026-02-28'],
    ['2028-01-31', 1, '2028-02-29'],
    ['2026-03-31', -1, '2026-02-28'],
    ['2026-11-30', 14, '2028-01-30'],
    ['2026-03-01', 0.5, '2026-03-16'],
  ])('%s and %d months is %s', (from, months, to) => {
    expect(addMonths(from, months)).toBe(to);
  });
  it.each([
    ['2026-03-28', '2026-03-30', 2],
    ['2026-10-24', '2026-10-26', 2],
    ['2026-03-14', '2026-03-14', 0],
    ['2027-01-01', '2026-12-31', -1],
  ])('from %s to %s are %d days, whatever the clocks do', (from, to, days) => {
    expect(daysBetween(from, to)).toBe(days);
  });
  it.each(['2026-02-31', '03/04/2026', '2026-13-01', 'yesterday!'])(
    '%s is no day, and tells no number of them',
    (text) => {
      expect(daysBetween(text, '2026-03-30')).toBeNaN();
      expect(() => addMonths(text, 1)).toThrow(RangeError);
    },
  );
  it('go there and back again', () => {
    fc.assert(
      fc.property(date, date, (a, b) => {
        expect(daysBetween(a, b)).toBe(-daysBetween(b, a) || 0);
        expect(Math.sign(daysBetween(a, addMonths(a, 1)))).toBe(1);
      }),
    );
  });
});

describe('the day of a moment', () => {
  it('is that of the wall where it was written', () => {
    expect(dayOf('2026-03-14T23:30:00-05:00')).toBe('2026-03-14');
    expect(dayAfter('2026-03-14T23:30:00-05:00', 0)).toBe('2026-03-14');
    expect(dayAfter('2026-03-14T23:30:00-05:00', 1)).toBe('2026-03-15');
    expect(dayAfter('2026-03-14T23:30:00Z', 0.4)).toBe('2026-03-14');
  });
  it('is none beyond the calendar', () => {
    expect(dayAfter('2026-03-14T09:00:00Z', 1e12)).toBeNull();
    expect(dayAfter('2026-03-14T09:00:00Z', 8.76e8)).toBeNull();
  });
});

describe('a day in a zone', () => {
  it('begins where its midnight is', () => {
    expect(startOfDayIn('2026-03-14', 'UTC')).toBe('2026-03-14T00:00:00.000Z');
    expect(startOfDayIn('2026-03-14', 'America/New_York')).toBe('2026-03-14T04:00:00.000Z');
    expect(startOfDayIn('2026-03-14', 'Asia/Tokyo')).toBe('2026-03-13T15:00:00.000Z');
  });
  it('ends where the next begins, though it be 23 or 25 hours long', () => {
    const hours = (day: string) =>
      (Date.parse(endOfDayIn(day, 'Europe/Paris')) - Date.parse(startOfDayIn(day, 'Europe/Paris'))) / 3_600_000;
    expect([hours('2026-03-28'), hours('2026-03-29'), hours('2026-10-25')]).toEqual([24, 23, 25]);
    expect(endOfDayIn('2026-12-31', 'UTC')).toBe('2027-01-01T00:00:00.000Z');
  });
});

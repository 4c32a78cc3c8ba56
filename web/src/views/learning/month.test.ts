import { monthReport, type Evidence, type Finding, type Unanswered } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { neighbourQuery } from '../diagnosis/neighbourQuery';
import { dueWords, wouldFindWords } from './findingUse';
import { againstBefore, daysOf, monthAfter, monthRows, monthTitle } from './monthWords';

describe('a month in words', () => {
  it.each([
    ['2026-02', 'February 2026', '2026-03', '2026-02-28'],
    ['2024-02', 'February 2024', '2024-03', '2024-02-29'],
    ['2026-12', 'December 2026', '2027-01', '2026-12-31'],
  ])('%s', (month, title, next, last) => {
    expect(monthTitle(month)).toBe(title);
    expect(monthAfter(month)).toBe(next);
    expect(daysOf(month)).toEqual({ from: `${month}-01`, to: last });
  });
  it('says what is not known instead of a nought', () => {
    const rows = monthRows(monthReport([], '2026-05', []));
    expect(rows.find((r) => r.words.startsWith('Resin'))!.now).toBe('no price known');
    expect(rows.find((r) => r.words.startsWith('Passed'))!.now).toBe('none graded');
    expect(rows.every((r) => r.before === '')).toBe(true);
    expect(againstBefore(null)).toBe('nothing before to hold it against');
    expect(againstBefore({ rate: 0.126, n: 40 })).toBe('13 % before');
  });
});

describe('what is due to a finding, in words', () => {
  const due = { share: 0.42, castingsAYear: 11.6, low: 3.2, high: 19.4, moneyAYear: 148.4 };
  const words = (more: object = {}, actionable = true) =>
    dueWords({ due: { ...due, ...more }, actionable } as Finding, 'bubbles');
  it('says what acting on it would save, with its interval', () => {
    expect(words()).toBe(
      'About 42 % of all bubbles is due to it: acting on it would save 12 castings a year (3 to 19), worth 148.',
    );
    expect(words({ moneyAYear: null })).not.toContain('worth');
    expect(words({}, false)).not.toContain('acting');
    expect(words({ castingsAYear: 0.2 })).toBe('Hardly any of all bubbles is due to it.');
  });
  it('says what would have been found', () => {
    const u = (wouldFind: number | null) => ({ wouldFind, without: { rate: 0.1 } }) as Unanswered;
    expect(wouldFindWords(u(0.34))).toBe('34 % or more, against 10 %');
    expect(wouldFindWords(u(null))).toBe('nothing: too few castings');
  });
});

describe('the way to the neighbours', () => {
  const query = (by: string, value: string) =>
    neighbourQuery({ neighbours: { by, value } } as Evidence, 'house-clear-6', 'soft');
  it.each([
    ['lotB', 'B-52', { lot: 'B-52' }],
    ['mould', 'M-12', { mould: 'M-12' }],
    ['cavity', '3 of M-12', { mould: 'M-12', cavity: '3' }],
    ['day', '2026-08-03', { from: '2026-08-03', to: '2026-08-03' }],
    ['scale', 'SC-2', { gear: 'SC-2' }],
    ['person', 'KO', { by: 'KO' }],
  ])('%s', (by, value, asked) => {
    expect(query(by, value)).toEqual({ ...asked, product: 'house-clear-6', symptom: 'soft' });
  });
  it('is none where no casting speaks', () => {
    expect(neighbourQuery({} as Evidence)).toBeNull();
    expect(query('device', '')).toBeNull();
  });
});

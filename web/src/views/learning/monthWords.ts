import { levelWords, monthsBefore, type MonthReport, type MonthYield } from '@warm-jar/core';

/** `2026-11` as people say it. */
export const monthTitle = (month: string): string =>
  `${levelWords('season', month.slice(5)).replace(/^in /, '')} ${month.slice(0, 4)}`;

/** The month after another. */
export const monthAfter = (month: string): string => monthsBefore(month, -1);

const whole = (v: number) => Math.round(v).toString();
const percent = (v: number) => `${Math.round(v * 100)} %`;
const passedOf = ({ passed }: MonthYield) => (passed.n === 0 ? 'none graded' : percent(passed.rate));

export interface MonthRow {
  readonly words: string;
  readonly now: string;
  readonly before: string;
}

/**
 * Yield and cost of the month, each against a month of those before.
 * @param price an amount of money with its sign
 */
export function monthRows({ yield: now, before }: MonthReport, price = whole): MonthRow[] {
  const money = (v: number | null) => (v === null ? 'no price known' : price(v));
  const row = (words: string, of: (y: MonthYield) => string): MonthRow => ({
    words,
    now: of(now),
    before: before === null ? '' : of(before),
  });
  return [
    row('Batches', (y) => whole(y.batches)),
    row('Castings', (y) => whole(y.castings)),
    row('Passed, of those graded', passedOf),
    row('Seconds', (y) => whole(y.grades.second)),
    row('Scrap', (y) => whole(y.grades.scrap)),
    row('Not graded yet', (y) => whole(y.open)),
    row('Resin used, money', (y) => money(y.cost)),
    row('of that scrapped', (y) => money(y.lost)),
    row('Worth of what came out', (y) => money(y.value)),
  ];
}

/** How a fault's rate stands against the months before. */
export function againstBefore(before: { readonly rate: number; readonly n: number } | null): string {
  if (before === null || before.n === 0) return 'nothing before to hold it against';
  return `${percent(before.rate)} before`;
}

/** The days of a month, as the log filters by them. */
export function daysOf(month: string): { from: string; to: string } {
  const [year = 0, m = 1] = month.split('-').map(Number);
  const last = new Date(Date.UTC(year, m, 0)).getUTCDate();
  return { from: `${month}-01`, to: `${month}-${String(last).padStart(2, '0')}` };
}

import type { Batch } from '../formats/batch';
import { castingGrade, castingIds, castingOf } from './castingList';

/** What came of one mix, in castings and money. */
export interface BatchMoney {
  readonly passed: number;
  readonly second: number;
  readonly scrap: number;
  readonly open: number;
  /** Prices of those that passed, and of seconds; null where none of them has a price. */
  readonly valuePassed: number | null;
  readonly valueSecond: number | null;
  /** Passed or second, but without a price. */
  readonly unpriced: number;
}

const sum = (values: readonly number[]): number | null =>
  values.length === 0 ? null : values.reduce((a, b) => a + b, 0);

/** Counts and prices of a batch's castings by how they were graded; what is still to be mended is open. */
export function batchMoney(batch: Pick<Batch, 'checks' | 'castings'>): BatchMoney {
  const all = castingIds(batch).map((id) => ({
    grade: castingGrade(batch, id),
    price: castingOf(batch, id)?.price ?? null,
  }));
  const graded = (grade: 'pass' | 'second' | 'scrap') => all.filter((k) => k.grade === grade);
  const prices = (grade: 'pass' | 'second') => graded(grade).flatMap((k) => k.price ?? []);
  const [passed, second, scrap] = [graded('pass'), graded('second'), graded('scrap')];
  return {
    passed: passed.length,
    second: second.length,
    scrap: scrap.length,
    open: all.length - passed.length - second.length - scrap.length,
    valuePassed: sum(prices('pass')),
    valueSecond: sum(prices('second')),
    unpriced: [...passed, ...second].filter((k) => k.price === null).length,
  };
}

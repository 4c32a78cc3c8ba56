import { describe, expect, it } from 'vitest';
import { lotSchema } from '../formats/lot';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { wordsIn } from '../units/wording';
import { lotsOffered } from './lotsOffered';

const product = saltmarshCard('house-clear-6');
const DAY = '2026-11-24';
const lot = (code: string, more: object = {}, leftG: number | null = 2000) => ({
  item: lotSchema.parse({ format: 'warm-jar.lot/1', code, productSlug: product.slug, part: 'A', ...more }),
  leftG,
});
const order = (...lots: ReturnType<typeof lot>[]) =>
  lotsOffered(product, 'A', lots, DAY, 150, wordsIn()).map((o) => [o.lot.code, o.good] as const);

describe('the lots of a part', () => {
  it('are offered with the one that has been open longest and is still good first', () => {
    const months = product.shelf!.openedMonths!;
    expect(months).toBeGreaterThan(0);
    expect(
      order(
        lot('NEW', { useBy: '2027-09-01' }),
        lot('OLD', { openedOn: '2025-11-20' }),
        lot('JUST', { openedOn: '2026-11-20' }),
        lot('OPEN', { openedOn: '2026-11-01' }),
      ),
    ).toEqual([
      ['OPEN', true],
      ['JUST', true],
      ['NEW', true],
      ['OLD', false],
    ]);
  });
  it.each([
    ['past its date', { useBy: '2026-11-23' }, 2000],
    ['cloudy', { colour: 'cloudy' }, 2000],
    ['empty by the log', {}, 0],
  ])('one that is %s is never the first while another is good', (_what, more, leftG) => {
    expect(order(lot('A-BAD', more, leftG), lot('GOOD'))).toEqual([
      ['GOOD', true],
      ['A-BAD', false],
    ]);
  });
  it('holds to the day: on its last day a lot is good', () => {
    expect(order(lot('LAST', { useBy: DAY }))).toEqual([['LAST', true]]);
  });
  it('says that one runs low, and offers it all the same', () => {
    const [first] = lotsOffered(product, 'A', [lot('LOW', {}, 40)], DAY, 150, wordsIn());
    expect(first!.good).toBe(true);
    expect(first!.warnings.map((w) => w.code)).toContain('runs-low');
  });
  it('are of this product and part alone', () => {
    expect(order(lot('B-PART', { part: 'B' }), lot('OTHER', { productSlug: 'house-tide' }))).toEqual([]);
  });
});

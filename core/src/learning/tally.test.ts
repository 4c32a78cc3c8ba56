import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { CastFacts } from './castFacts';
import { FACTORS } from '../formats/vocabulary';
import { adjustedOdds } from './adjustedOdds';
import { placesOf } from './places';
import { tally } from './tally';

const fact = (levels: CastFacts['levels'], seen: string[]): CastFacts => ({
  code: '',
  startedAt: null,
  levels,
  seen,
  limits: [],
  looked: true,
  grade: null,
  massG: null,
  massAG: null,
  massBG: null,
  mendG: 0,
  leftG: null,
  pulls: null,
  gel: null,
});
const log = fc
  .array(
    fc.record({
      product: fc.constantFrom('p', 'q', 'r'),
      mould: fc.option(fc.constantFrom('M-1', 'M-2'), { nil: undefined }),
      bad: fc.boolean(),
      worse: fc.boolean(),
    }),
    { minLength: 1, maxLength: 60 },
  )
  .map((rows) =>
    rows.map(({ product, mould, bad, worse }) =>
      fact({ product, ...(mould ? { mould } : {}) }, [...(bad ? ['bubbles'] : []), ...(worse ? ['haze'] : [])]),
    ),
  );

describe('the tally of a log', () => {
  it('counts every batch once in each factor that was recorded, and its faults with it', () => {
    fc.assert(
      fc.property(log, (facts) => {
        const t = tally(facts, ['bubbles', 'haze']);
        const products = t.products.map((_, p) => p);
        const sum = (of: (p: number) => number) => products.reduce((all, p) => all + of(p), 0);
        for (const factor of FACTORS) {
          const had = facts.filter((f) => f.levels[factor] !== undefined);
          expect(
            sum((p) => t.recorded(factor, p)),
            factor,
          ).toBe(had.length);
          expect(
            sum((p) => t.recordedWith(0, factor, p)),
            factor,
          ).toBe(had.filter((f) => f.seen.includes('bubbles')).length);
          const levels = t.levels.flatMap((l, i) => (l.factor === factor ? [i] : []));
          expect(levels.reduce((all, l) => all + sum((p) => t.n(l, p)), 0)).toBe(had.length);
          expect(levels.reduce((all, l) => all + sum((p) => t.k(1, l, p)), 0)).toBe(
            had.filter((f) => f.seen.includes('haze')).length,
          );
        }
        t.levels.forEach((_, l) => products.forEach((p) => expect(t.k(0, l, p)).toBeLessThanOrEqual(t.n(l, p))));
      }),
    );
  });
});

describe('two groups of batches', () => {
  const places = fc
    .uniqueArray(fc.integer({ min: 0, max: 40 }), { maxLength: 30 })
    .map((list) => [...list].sort((a, b) => a - b));
  it('overlap as sets do, whichever is named first', () => {
    fc.assert(
      fc.property(places, places, (a, b) => {
        const both = a.filter((x) => b.includes(x)).length;
        const either = new Set([...a, ...b]).size;
        const [one, other] = [
          { factor: 'mould', level: 'M-1' },
          { factor: 'person', level: 'KO' },
        ] as const;
        const { overlap, areSame } = placesOf(
          Array.from({ length: 41 }, (_, i) =>
            fact({ ...(a.includes(i) ? { mould: 'M-1' } : {}), ...(b.includes(i) ? { person: 'KO' } : {}) }, []),
          ),
        );
        expect(overlap(one, other)).toBeCloseTo(either === 0 ? 0 : both / either, 12);
        expect(overlap(other, one)).toBe(overlap(one, other));
        expect(areSame(one, other)).toBe(overlap(one, other) >= 0.8);
        if (a.length > 0) expect(overlap(one, one)).toBe(1);
      }),
    );
  });
  it('have as many castings as have their level', () => {
    const facts = [
      fact({ product: 'p', mould: 'M-1' }, []),
      fact({ product: 'p' }, []),
      fact({ product: 'q', mould: 'M-1' }, []),
    ];
    const { count, overlap } = placesOf(facts);
    expect(count({ factor: 'mould', level: 'M-1' })).toBe(2);
    expect(count({ factor: 'mould', level: 'M-9' })).toBe(0);
    expect(overlap({ factor: 'mould', level: 'M-9' }, { factor: 'mould', level: 'M-1' })).toBe(0);
  });
});

describe('factors parted', () => {
  const rows = (n: number, levels: CastFacts['levels'], bad: number) =>
    Array.from({ length: n }, (_, i) => fact(levels, i < bad ? ['bubbles'] : []));
  it("leave the product its own rate, and the mould what is the mould's", () => {
    // The product makes bubbles in half of its castings; the mould is only where it is cast.
    const facts = [
      ...rows(60, { product: 'a', mould: 'M-1' }, 30),
      ...rows(60, { product: 'a', mould: 'M-2' }, 30),
      ...rows(120, { product: 'b', mould: 'M-2' }, 6),
    ];
    const mould = adjustedOdds(facts, ['bubbles'], [{ factor: 'mould', level: 'M-1' }]).get('bubbles')!(0);
    expect(mould.low).toBeLessThan(1);
    expect(mould.high).toBeGreaterThan(1);
    const worse = [
      ...rows(60, { product: 'a', mould: 'M-1' }, 54),
      ...rows(60, { product: 'a', mould: 'M-2' }, 12),
      ...rows(120, { product: 'b', mould: 'M-2' }, 6),
    ];
    expect(
      adjustedOdds(worse, ['bubbles'], [{ factor: 'mould', level: 'M-1' }]).get('bubbles')!(0).low,
    ).toBeGreaterThan(2);
  });
  it('answer each outcome for itself', () => {
    const facts = [...rows(40, { product: 'a', mould: 'M-1' }, 30), ...rows(40, { product: 'a', mould: 'M-2' }, 4)];
    const parted = adjustedOdds(facts, ['bubbles', 'haze'], [{ factor: 'mould', level: 'M-1' }]);
    expect(parted.get('bubbles')!(0).oddsRatio).toBeGreaterThan(3);
    expect(parted.get('haze')!(0).oddsRatio).toBeCloseTo(1, 1);
  });
});

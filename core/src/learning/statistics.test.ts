import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { benjaminiHochberg } from './benjaminiHochberg';
import { changePoints } from './changePoints';
import { lnChoose } from './binomial';
import { fisherExact } from './fisherExact';
import { ridgeLogistic } from './ridgeLogistic';
import { chanceFrom } from '../simulation/chance';

const small = fc.integer({ min: 0, max: 30 });

describe("Fisher's exact test", () => {
  // By a statistical package's fisher.test, two-sided.
  it.each([
    [1, 9, 11, 3, 0.002759456],
    [3, 1, 1, 3, 0.4857143],
    [8, 2, 1, 5, 0.03496503],
    [10, 10, 10, 10, 1],
    [0, 5, 5, 0, 0.007936508],
    [2, 10, 15, 3, 0.0005367241],
  ])('of %i %i %i %i is %f', (a, b, c, d, p) => {
    expect(fisherExact(a, b, c, d)).toBeCloseTo(p, 6);
  });
  it('is the sum it stands for, worked out the long way', () => {
    const choose = (n: number, k: number) => {
      let v = 1;
      for (let i = 1; i <= k; i += 1) v = (v * (n - k + i)) / i;
      return v;
    };
    fc.assert(
      fc.property(small, small, small, small, (a, b, c, d) => {
        const [row, column, all] = [a + b, a + c, a + b + c + d];
        const of = (k: number) => (choose(column, k) * choose(all - column, row - k)) / choose(all, row);
        let sum = 0;
        for (let k = Math.max(0, row + column - all); k <= Math.min(row, column); k += 1)
          if (of(k) <= of(a) * (1 + 1e-7)) sum += of(k);
        expect(fisherExact(a, b, c, d)).toBeCloseTo(Math.min(1, sum), 9);
      }),
    );
  });
  it('is that sum for a long log too, far from the likeliest table and near it', () => {
    const count = fc.integer({ min: 0, max: 3_000 });
    fc.assert(
      fc.property(count, count, count, count, (a, b, c, d) => {
        const [row, column, all] = [a + b, a + c, a + b + c + d];
        const lnOf = (k: number) => lnChoose(column, k) + lnChoose(all - column, row - k) - lnChoose(all, row);
        let sum = 0;
        for (let k = Math.max(0, row + column - all); k <= Math.min(row, column); k += 1)
          if (lnOf(k) <= lnOf(a) + 1e-7) sum += Math.exp(lnOf(k));
        const p = fisherExact(a, b, c, d);
        expect(Math.abs(p - Math.min(1, sum))).toBeLessThanOrEqual(1e-8 * p + 1e-300);
      }),
      { numRuns: 60 },
    );
  });
  it('does not care which way the table is laid', () => {
    fc.assert(
      fc.property(small, small, small, small, (a, b, c, d) => {
        expect(fisherExact(c, d, a, b)).toBeCloseTo(fisherExact(a, b, c, d), 9);
        expect(fisherExact(a, c, b, d)).toBeCloseTo(fisherExact(a, b, c, d), 9);
      }),
    );
  });
  it('stays a chance, and above nothing, for a hundred thousand batches', () => {
    const p = fisherExact(900, 9100, 4000, 86_000);
    expect(p).toBeGreaterThan(0);
    expect(p).toBeLessThan(1e-60);
  });
  it('refuses counts below nothing', () => {
    expect(() => fisherExact(-1, 2, 3, 4)).toThrow(/a must be/);
  });
});

describe('Benjamini and Hochberg', () => {
  it('gives the worked values', () => {
    // The 15 values of the 1995 paper: the first four are found at 5 %.
    const p = [
      0.0001, 0.0004, 0.0019, 0.0095, 0.0201, 0.0278, 0.0298, 0.0344, 0.0459, 0.324, 0.4262, 0.5719, 0.6528, 0.759, 1,
    ];
    const q = benjaminiHochberg(p);
    expect(q.filter((v) => v <= 0.05)).toHaveLength(4);
    expect(q[0]).toBeCloseTo(0.0015, 9);
    expect(q[3]).toBeCloseTo(0.035625, 9);
  });
  it('keeps the order of the chances, never falls below them, and takes them in any order', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 1, maxLength: 40 }), (p) => {
        const q = benjaminiHochberg(p);
        p.forEach((v, i) => {
          expect(q[i]).toBeGreaterThanOrEqual(v);
          expect(q[i]).toBeLessThanOrEqual(1);
        });
        const order = p.map((_, i) => i).sort((a, b) => p[a]! - p[b]!);
        order.slice(1).forEach((i, k) => expect(q[i]).toBeGreaterThanOrEqual(q[order[k]!]! - 1e-12));
        expect(benjaminiHochberg([...p].reverse())).toEqual([...q].reverse());
      }),
    );
  });
  it('is nothing for nothing', () => {
    expect(benjaminiHochberg([])).toEqual([]);
  });
});

describe('ridge logistic regression', () => {
  const chance = chanceFrom(3);
  const cases = Array.from({ length: 4000 }, () => {
    const a = chance.flip(0.4);
    const b = chance.flip(a ? 0.7 : 0.2);
    return {
      row: [...(a ? [0] : []), ...(b ? [1] : [])],
      y: chance.flip(1 / (1 + Math.exp(-(-1.5 + 1.2 * (a ? 1 : 0))))),
    };
  });
  it('finds the one that acts among two that travel together', () => {
    const fit = ridgeLogistic(
      cases.map((c) => c.row),
      cases.map((c) => c.y),
      2,
      { ridge: 1e-3 },
    );
    expect(fit.status).toBe('converged');
    expect(Math.abs(fit.beta[0]! - 1.2)).toBeLessThan(3 * fit.se[0]!);
    expect(Math.abs(fit.beta[1]!)).toBeLessThan(3 * fit.se[1]!);
    expect(Math.abs(fit.intercept + 1.5)).toBeLessThan(0.25);
  });
  it('is the log odds ratio of a two-by-two table where there is no ridge', () => {
    const rows = [...Array.from({ length: 40 }, () => [0]), ...Array.from({ length: 60 }, () => [] as number[])];
    const y = rows.map((_, i) => (i < 40 ? i < 30 : i < 55));
    const fit = ridgeLogistic(rows, y, 1, { ridge: 1e-9 });
    expect(fit.beta[0]).toBeCloseTo(Math.log(30 / 10 / (15 / 45)), 5);
    expect(fit.se[0]).toBeCloseTo(Math.sqrt(1 / 30 + 1 / 10 + 1 / 15 + 1 / 45), 5);
  });
  it('stays finite where a feature parts the outcomes wholly, and shrinks with the ridge', () => {
    const rows = [...Array.from({ length: 10 }, () => [0]), ...Array.from({ length: 10 }, () => [] as number[])];
    const y = rows.map((_, i) => i < 10);
    const [loose, tight] = [ridgeLogistic(rows, y, 1), ridgeLogistic(rows, y, 1, { ridge: 20 })];
    expect(Number.isFinite(loose.beta[0]!)).toBe(true);
    expect(loose.beta[0]!).toBeGreaterThan(tight.beta[0]!);
    expect(tight.beta[0]!).toBeGreaterThan(0);
  });
  it('names what does not fit', () => {
    expect(() => ridgeLogistic([[0]], [true, false], 1)).toThrow(/1 rows and 2 outcomes/);
    expect(() => ridgeLogistic([[3]], [true], 2)).toThrow(/outside 0 to 1/);
  });
});

describe('change points', () => {
  const weeks = (rates: readonly number[], n: number, seed: number) => {
    const chance = chanceFrom(seed);
    return rates.map((rate) => ({ n, k: Array.from({ length: n }, () => chance.flip(rate)).filter(Boolean).length }));
  };
  const steady = Array.from({ length: 52 }, () => 0.2);
  it('finds the week from which on the rate was another', () => {
    const found = changePoints(
      weeks([...Array.from({ length: 26 }, () => 0.1), ...Array.from({ length: 26 }, () => 0.5)], 6, 1),
    );
    expect(found).toHaveLength(2);
    expect(Math.abs(found[1]!.from - 26)).toBeLessThanOrEqual(2);
    expect(found.reduce((sum, s) => sum + s.n, 0)).toBe(52 * 6);
  });
  it('finds none in most years without one: about one in twenty shows one', () => {
    const years = Array.from({ length: 200 }, (_, seed) => changePoints(weeks(steady, 5, seed + 10)).length > 1).filter(
      Boolean,
    ).length;
    expect(years / 200).toBeLessThan(0.09);
  });
  it('covers the series with stretches that meet, whatever is in it', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ n: fc.integer({ min: 0, max: 9 }), share: fc.double({ min: 0, max: 1, noNaN: true }) }), {
          minLength: 1,
          maxLength: 40,
        }),
        (raw) => {
          const counts = raw.map(({ n, share }) => ({ n, k: Math.round(n * share) }));
          const found = changePoints(counts);
          expect(found[0]!.from).toBe(0);
          expect(found.at(-1)!.to).toBe(counts.length);
          found.slice(1).forEach((s, i) => expect(s.from).toBe(found[i]!.to));
          expect(found.reduce((sum, s) => sum + s.k, 0)).toBe(counts.reduce((sum, c) => sum + c.k, 0));
        },
      ),
    );
  });
});

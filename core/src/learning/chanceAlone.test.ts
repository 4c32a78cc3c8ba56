import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { binomialAtLeast, lnChoose } from './binomial';
import { gatherMarks, sameSpots, type SpotMark } from './sameSpot';
import { wilsonInterval } from './wilsonInterval';

describe('binomialAtLeast', () => {
  it.each([
    [2, 3, 0.5, 0.5],
    [1, 4, 0.25, 1 - 0.75 ** 4],
    [5, 5, 0.1, 1e-5],
    [0, 9, 0.3, 1],
    [3, 3, 1, 1],
    [1, 3, 0, 0],
  ])('%i or more of %i at %f is %f', (k, n, p, chance) => expect(binomialAtLeast(k, n, p)).toBeCloseTo(chance, 9));
  it('falls as more is asked, and matches the sum of its parts', () =>
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 40 }), fc.double({ min: 0.01, max: 0.99, noNaN: true }), (n, p) => {
        const tail = Array.from({ length: n + 1 }, (_, k) => binomialAtLeast(k, n, p));
        for (let k = 1; k <= n; k += 1) expect(tail[k]!).toBeLessThanOrEqual(tail[k - 1]! + 1e-12);
      }),
    ));
  it('counts ways exactly', () => expect(Math.exp(lnChoose(52, 5))).toBeCloseTo(2_598_960, 0));
  it('refuses more hits than tries', () =>
    expect(() => binomialAtLeast(4, 3, 0.5)).toThrow(expect.objectContaining({ path: 'k' })));
});

describe('wilsonInterval', () => {
  // Printed by every table of score intervals: 5 of 10, and 0 of 20.
  it('holds the known ones', () => {
    expect(wilsonInterval(5, 10).low).toBeCloseTo(0.2366, 4);
    expect(wilsonInterval(5, 10).high).toBeCloseTo(0.7634, 4);
    expect(wilsonInterval(0, 20).high).toBeCloseTo(0.1611, 4);
    expect(wilsonInterval(0, 0)).toEqual({ rate: 0, low: 0, high: 1 });
  });
  it('holds the rate, mirrors itself, and narrows with more', () =>
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 500 }), fc.double({ min: 0, max: 1, noNaN: true }), (n, share) => {
        const k = Math.round(n * share);
        const { rate, low, high } = wilsonInterval(k, n);
        expect(low).toBeLessThanOrEqual(rate);
        expect(high).toBeGreaterThanOrEqual(rate);
        expect(wilsonInterval(n - k, n).low).toBeCloseTo(1 - high, 9);
        const more = wilsonInterval(k * 4, n * 4);
        expect(more.high - more.low).toBeLessThan(high - low);
      }),
    ));
});

describe('the same spot of a mould', () => {
  const at = (x: number, y: number, batch: string): SpotMark => ({ x, y, batch });
  it('names the mould where four of six pulls fail in one place and nowhere else', () => {
    const [spot] = sameSpots(
      [at(0.7, 0.3, 'B-1'), at(0.72, 0.31, 'B-2'), at(0.69, 0.28, 'B-3'), at(0.71, 0.32, 'B-5')],
      6,
    );
    expect(spot).toMatchObject({ verdict: 'mould', batches: ['B-1', 'B-2', 'B-3', 'B-5'] });
    expect(spot!.says).toContain('4 of 6 pulls');
    expect(spot!.x).toBeCloseTo(0.705, 3);
  });
  it('leaves scattered faults to chance, and says nothing of one', () => {
    const scattered = Array.from({ length: 24 }, (_, i) =>
      at(((i * 37) % 100) / 100, ((i * 61) % 100) / 100, `B-${i % 8}`),
    );
    expect(sameSpots(scattered, 8).filter((s) => s.verdict === 'mould')).toEqual([]);
    expect(sameSpots([at(0.5, 0.5, 'B-1')], 10)[0]!.verdict).toBe('cannot-tell');
  });
  it('counts a batch once, however often one place of it was marked', () => {
    expect(sameSpots([at(0.2, 0.2, 'B-1'), at(0.21, 0.2, 'B-1'), at(0.2, 0.22, 'B-1')], 5)[0]).toMatchObject({
      batches: ['B-1'],
      verdict: 'cannot-tell',
    });
  });
  it('gathers each mark once, in whatever order they come', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            x: fc.double({ min: 0, max: 1, noNaN: true }),
            y: fc.double({ min: 0, max: 1, noNaN: true }),
            batch: fc.constantFrom('B-1', 'B-2', 'B-3'),
          }),
          { maxLength: 25 },
        ),
        (marks) => {
          const gathered = gatherMarks(marks);
          expect(gathered.flat()).toHaveLength(marks.length);
          expect(gatherMarks([...marks].reverse()).map((g) => g.length)).toEqual(gathered.map((g) => g.length));
        },
      ),
    ));
  it('seldom blames the mould for chance: of 200 moulds with faults anywhere, one in fifty at most', () => {
    let seed = 11;
    const next = () => {
      seed = (seed * 16_807) % 2_147_483_647;
      return seed / 2_147_483_647;
    };
    const blamed = Array.from({ length: 200 }, () =>
      sameSpots(
        Array.from({ length: 10 }, (_, i) => at(next(), next(), `B-${i}`)),
        20,
      ).some((s) => s.verdict === 'mould'),
    );
    expect(blamed.filter(Boolean).length).toBeLessThanOrEqual(4);
  });
});

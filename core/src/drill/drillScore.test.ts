import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { CauseId } from '../formats/vocabulary';
import { drillScore, spreadWith, wholeSpread } from './drillScore';

const CAUSES: readonly CauseId[] = ['ratio-off', 'under-mixed', 'cold-cure', 'too-soon', 'something-else'];
const share = fc.double({ min: 0, max: 1, noNaN: true });
/** A belief over all causes that sums to 1. */
const belief = fc
  .array(fc.double({ min: 0.001, max: 1, noNaN: true }), { minLength: CAUSES.length, maxLength: CAUSES.length })
  .map((w) => {
    const total = w.reduce((a, b) => a + b, 0);
    return new Map(CAUSES.map((id, i) => [id, w[i]! / total]));
  });
const expected = (of: ReadonlyMap<CauseId, number>, said: ReadonlyMap<CauseId, number>) =>
  CAUSES.reduce((sum, id) => sum + of.get(id)! * drillScore(CAUSES, said, [id]), 0);

describe('the score of a drill', () => {
  it('is 100 for all on what it was, 0 for an even spread or nothing said, far below for surer and wrong', () => {
    expect(drillScore(CAUSES, new Map([['ratio-off', 1]]), ['ratio-off'])).toBeCloseTo(100, 9);
    expect(drillScore(CAUSES, new Map(), ['ratio-off'])).toBeCloseTo(0, 9);
    expect(drillScore(CAUSES, new Map(CAUSES.map((id) => [id, 0.2])), ['cold-cure'])).toBeCloseTo(0, 9);
    // By hand: 2 lost against 0.8 for the even spread of five.
    expect(drillScore(CAUSES, new Map([['cold-cure', 1]]), ['ratio-off'])).toBeCloseTo(100 * (1 - 2 / 0.8), 9);
  });
  it('pays best for saying what one believes', () => {
    fc.assert(
      fc.property(belief, belief, (of, said) => expected(of, of) >= expected(of, said) - 1e-9),
      { numRuns: 500 },
    );
  });
  it('of two at once pays best for half on each', () => {
    const truth: CauseId[] = ['ratio-off', 'cold-cure'];
    const half = drillScore(CAUSES, new Map(truth.map((id) => [id, 0.5])), truth);
    expect(half).toBeCloseTo(100, 9);
    fc.assert(fc.property(belief, (said) => drillScore(CAUSES, said, truth) <= half + 1e-9));
  });
  it('grows with sureness of what it was, without a jump', () => {
    let before = drillScore(CAUSES, new Map(), ['ratio-off']);
    for (let s = 0.01; s <= 1; s += 0.01) {
      const now = drillScore(CAUSES, new Map([['ratio-off', s]]), ['ratio-off']);
      expect(now).toBeGreaterThan(before);
      expect(now - before).toBeLessThan(3);
      before = now;
    }
  });
});

describe('a spread', () => {
  it('sums to 1 whatever was said, and leaves out what is in no question', () => {
    fc.assert(
      fc.property(fc.array(share, { minLength: 5, maxLength: 5 }), (said) => {
        const whole = wholeSpread(CAUSES, new Map(CAUSES.map((id, i) => [id, said[i]!])));
        expect([...whole.values()].reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
        expect(Math.min(...whole.values())).toBeGreaterThanOrEqual(0);
      }),
    );
    expect(wholeSpread(CAUSES, new Map([['tin-mould', 1]])).has('tin-mould')).toBe(false);
  });
  it('lets the others be while there is room, and give way in proportion where there is none', () => {
    const said = new Map<CauseId, number>([
      ['ratio-off', 0.6],
      ['cold-cure', 0.2],
    ]);
    expect([...spreadWith(said, 'too-soon', 0.2)]).toEqual([
      ['ratio-off', 0.6],
      ['cold-cure', 0.2],
      ['too-soon', 0.2],
    ]);
    const tight = spreadWith(said, 'too-soon', 0.6);
    expect(tight.get('ratio-off')).toBeCloseTo(0.3, 9);
    expect(tight.get('cold-cure')).toBeCloseTo(0.1, 9);
    expect(spreadWith(said, 'ratio-off', 7).get('ratio-off')).toBe(1);
  });
});

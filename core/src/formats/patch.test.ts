import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { PATCH_HALF_SHARE, samePatch } from './patch';

const share = fc.double({ min: 0, max: 1, noNaN: true });
const place = fc.record({ x: share, y: share });

describe('two patches', () => {
  it('at one place are the same, whichever is named first', () =>
    fc.assert(
      fc.property(place, place, (a, b) => {
        expect(samePatch(a, a)).toBe(true);
        expect(samePatch(a, b)).toBe(samePatch(b, a));
      }),
    ));
  it('share no pixel where they are told apart, on photos up to twice as long as wide', () =>
    fc.assert(
      fc.property(place, place, fc.double({ min: 0.5, max: 2, noNaN: true }), (a, b, aspect) => {
        if (samePatch(a, b)) return;
        // Sides in shares of the longest: width over height is the aspect.
        const [w, h] = aspect >= 1 ? [1, 1 / aspect] : [aspect, 1];
        const apart = Math.max(Math.abs(a.x - b.x) * w, Math.abs(a.y - b.y) * h);
        expect(apart).toBeGreaterThanOrEqual(2 * PATCH_HALF_SHARE - 1e-12);
      }),
    ));
  it('of card and cast beside each other are two', () =>
    expect(samePatch({ x: 0.2, y: 0.5 }, { x: 0.55, y: 0.5 })).toBe(false));
});

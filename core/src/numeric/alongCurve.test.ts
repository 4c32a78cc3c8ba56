import { describe, expect, it } from 'vitest';
import { firstReach, placeOnAxis, valueAlong } from './alongCurve';

const minutes = [0, 2, 4, 10];
const temperature = [20, 24, 40, 34];

describe('a value along a curve', () => {
  it.each([
    [-1, 20],
    [0, 20],
    [1, 22],
    [2, 24],
    [3, 32],
    [7, 37],
    [10, 34],
    [99, 34],
  ])('at %d min is %d', (at, value) => {
    expect(valueAlong(minutes, temperature, at)).toBeCloseTo(value, 12);
  });
  it('never leaps: a small step along moves it by as little', () => {
    for (let at = -0.5; at < 11; at += 0.01)
      expect(
        Math.abs(valueAlong(minutes, temperature, at + 0.01) - valueAlong(minutes, temperature, at)),
      ).toBeLessThanOrEqual(0.0801);
  });
  it('takes the later of two points at the same place', () => {
    expect(placeOnAxis([0, 1, 1, 2], 1)).toEqual({ before: 0, after: 1, share: 1 });
    expect(placeOnAxis([5], 7)).toEqual({ before: 0, after: 0, share: 0 });
  });
  it('refuses an axis without a point', () => {
    expect(() => placeOnAxis([], 1)).toThrow(RangeError);
  });
});

describe('where a curve first comes up to a level', () => {
  it.each([
    [10, 0],
    [20, 0],
    [22, 1],
    [32, 3],
    [40, 4],
  ])('%d °C is reached at %d min', (level, at) => {
    expect(firstReach(minutes, temperature, level)).toBeCloseTo(at, 12);
  });
  it('is nowhere above its highest point', () => {
    expect(firstReach(minutes, temperature, 40.1)).toBeNull();
  });
});

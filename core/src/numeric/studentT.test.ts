import { describe, expect, it } from 'vitest';
import { tQuantile } from './studentT';

describe('tQuantile', () => {
  // Two-sided 95 % points as printed in tables of the distribution.
  it.each([
    [1, 12.706],
    [2, 4.303],
    [5, 2.571],
    [10, 2.228],
    [11, 2.201],
    [30, 2.042],
    [120, 1.98],
  ])('at %d degrees of freedom is %d', (freedom, table) => {
    expect(tQuantile(freedom)).toBeCloseTo(table, 3);
  });
  it('falls to the normal distribution, and widens with the confidence', () => {
    expect(tQuantile(1e6)).toBeCloseTo(1.96, 3);
    expect(tQuantile(11, 0.99)).toBeCloseTo(3.106, 3);
  });
  it.each([0, -1, NaN])('refuses %d degrees of freedom', (freedom) => {
    expect(() => tQuantile(freedom)).toThrow('degreesOfFreedom');
  });
});

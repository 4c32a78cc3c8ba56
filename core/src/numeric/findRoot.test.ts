import { describe, expect, it } from 'vitest';
import { findRoot } from './findRoot';

describe('findRoot', () => {
  it.each([
    ['a square root', (x: number) => x * x - 2, 0, 2, Math.SQRT2],
    ['a cosine', (x: number) => Math.cos(x) - x, 0, 1, 0.7390851332151607],
    ['a steep exponential', (x: number) => Math.exp(x) - 1e4, 0, 20, Math.log(1e4)],
  ])('finds %s', (_what, f, low, high, root) => {
    const found = findRoot(f, low, high);
    expect(found.status).toBe('converged');
    expect(found.value).toBeCloseTo(root, 6);
  });
  it('says when there is no change of sign, and gives the nearer end', () => {
    expect(findRoot((x) => x + 5, 0, 1)).toMatchObject({ status: 'not-bracketed', value: 0, residual: 5 });
  });
  it('says when it ran out of tries', () => {
    expect(findRoot((x) => Math.atan(x - 0.3), -100, 90, 1e-15, 4).status).toBe('too-many-iterations');
  });
});

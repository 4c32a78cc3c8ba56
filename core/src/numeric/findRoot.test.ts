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
  it('finds a root at nought, and one that is an end', () => {
    expect(findRoot((x) => x ** 3, -1, 2).value).toBeCloseTo(0, 3);
    expect(findRoot((x) => x - 2, 0, 2)).toMatchObject({ status: 'converged', value: 2 });
  });
  it.each<[string, (x: number) => number, number, number, string]>([
    ['no change of sign', (x) => x + 5, 0, 1, 'not-bracketed'],
    ['a pole', (x) => 1 / (x - 0.3), 0, 1, 'jump'],
    ['a step', (x) => (x < 0.3 ? -1 : 1), 0, 1, 'jump'],
    ['no value at an end', (x) => Math.sqrt(x), -1, 1, 'not-a-number'],
    ['no value in between', (x) => (x > 0.4 && x < 0.6 ? NaN : x - 0.5), 0, 1, 'not-a-number'],
    ['no end to the search', (x) => Math.atan(1e6 * (x - 0.3)), -100, 90, 'too-many-iterations'],
  ])('refuses %s', (_what, f, low, high, status) => {
    expect(findRoot(f, low, high, 1e-15, 6)).not.toMatchObject({ status: 'converged' });
    if (status !== 'too-many-iterations') expect(findRoot(f, low, high).status).toBe(status);
  });
  it('gives the nearer end where nothing changes sign', () => {
    expect(findRoot((x) => x + 5, 0, 1)).toMatchObject({ value: 0, residual: 5 });
  });
});

import { describe, expect, it } from 'vitest';
import { gelVariance, nextGaussNewtonStep, oddReading } from './gelFitQuality';
import { rememberedModel, type GelPoint, type LnGel } from './gelModel';

/** A straight line in place of a cup: ln(minutes) = e·x − lnK, with x from the temperature. */
const line: LnGel = ([e, lnK], { resinC }) => e * (resinC / 100) - lnK;
const points: GelPoint[] = [10, 20, 30, 40].map((resinC) => ({ minutes: 1, resinC }));
const at: GelPoint = { minutes: 1, resinC: 25 };

describe('the variance of a fitted line', () => {
  it('is sigma²/n at its middle, and grows as the square of the distance from it', () => {
    expect(gelVariance(line, [50, 1], points, at, 4)).toBeCloseTo(1, 6);
    const sxx = 0.05;
    const far: GelPoint = { minutes: 1, resinC: 65 };
    expect(gelVariance(line, [50, 1], points, far, 4)).toBeCloseTo(4 * (0.25 + 0.4 ** 2 / sxx), 4);
  });
  it('is without bound where the points cannot part the two', () => {
    const same = [20, 20, 20].map((resinC) => ({ minutes: 1, resinC }));
    expect(gelVariance(line, [50, 1], same, at, 4)).toBe(Infinity);
    expect(nextGaussNewtonStep(line, [50, 1], same, [0, 0, 0])).toEqual([Infinity, Infinity]);
  });
});

describe('one more step', () => {
  const residuals = (e: number, lnK: number) => points.map((p) => line([e, lnK], p) - line([50, 1], p));
  it('is none at the minimum', () => {
    for (const step of nextGaussNewtonStep(line, [50, 1], points, residuals(50, 1))) expect(step).toBeCloseTo(0, 9);
  });
  it('leads to it from anywhere, where the model is a line', () => {
    const [de, dk] = nextGaussNewtonStep(line, [80, -3], points, residuals(80, -3));
    expect([80 + de, -3 + dk].map((v) => Number(v.toFixed(4)))).toEqual([50, 1]);
  });
});

describe('the odd reading', () => {
  it.each([
    [[0, 0.05, -0.05, 0.02], null],
    [[0, 0.05, 1.2, 0.02], 2],
    [[-0.9, 0, 0.1], 0],
    [[0.7, 0.72, 0.69, 0.71], null],
    [[0, Math.log(1.49), 0], null],
    [[0, Math.log(1.51), 0], 1],
  ])('of distances %j is %s', (distances, odd) => {
    expect(oddReading(distances)).toBe(odd);
  });
});

describe('a model that remembers', () => {
  it('works out each cup once, and tells the same', () => {
    let sums = 0;
    const model: LnGel = ([e, lnK], { resinC }) => {
      sums += 1;
      return e / resinC - lnK;
    };
    const kept = rememberedModel(model);
    const [a, b]: GelPoint[] = [
      { minutes: 5, resinC: 20 },
      { minutes: 5, resinC: 20 },
    ];
    for (const point of [a!, b!, a!, b!])
      for (const at of [
        [45, -2],
        [45.1, -2],
      ] as const)
        expect(kept(at, point)).toBe(at[0] / 20 + 2);
    expect(sums).toBe(4);
  });
});

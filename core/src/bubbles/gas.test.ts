import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { boyleDiameterRatio } from '../air/boyle';
import { largestDissolvedMm } from './dissolve';
import { carriedWaterG, co2FromWaterML } from './moisture';

describe('largestDissolvedMm', () => {
  it('is the radius of the formula, doubled: 10 min at 300 kPa, worked by hand', () => {
    const radiusM = Math.sqrt(2 * 2e-10 * 0.1 * 600 * (1 - 101.325 / 401.325));
    expect(largestDissolvedMm({ gaugeKPa: 300, minutes: 10 })).toBeCloseTo(2000 * radiusM, 9);
  });
  it('is the size that the shrinking radius of Epstein and Plesset loses in that time, followed step by step', () => {
    const under = 1 - 101.325 / (101.325 + 350);
    let radius = largestDissolvedMm({ gaugeKPa: 350, minutes: 5 }) / 2000;
    let seconds = 0;
    while (radius > 1e-7) {
      const rate = (2e-10 * 0.1 * under) / radius;
      const dt = Math.min((0.02 * radius) / rate, 1);
      radius -= rate * dt;
      seconds += dt;
    }
    expect(Math.abs(seconds / 300 - 1)).toBeLessThan(0.03);
  });
  it('is nothing without pressure or without time, and grows with both', () => {
    expect(largestDissolvedMm({ gaugeKPa: 0, minutes: 10 })).toBe(0);
    expect(largestDissolvedMm({ gaugeKPa: 300, minutes: 0 })).toBe(0);
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 1000, noNaN: true }),
        fc.double({ min: 0.1, max: 100, noNaN: true }),
        (gaugeKPa, minutes) => {
          const d = largestDissolvedMm({ gaugeKPa, minutes });
          expect(largestDissolvedMm({ gaugeKPa: gaugeKPa * 1.2, minutes })).toBeGreaterThan(d);
          expect(largestDissolvedMm({ gaugeKPa, minutes: minutes * 4 })).toBeCloseTo(2 * d, 9);
          expect(d / boyleDiameterRatio(gaugeKPa)).toBeGreaterThan(d);
        },
      ),
    );
  });
});

describe('water in urethane', () => {
  it('makes about 1.36 L of gas a gram at 25 °C: a mole of ideal gas is 22.414 L at 0 °C', () => {
    expect(co2FromWaterML(1, 25)).toBeCloseTo((22414 * (298.15 / 273.15)) / 18.015, -1);
    expect(Math.abs(co2FromWaterML(1, 25) - 1358)).toBeLessThan(2);
  });
  it('is counted over what carries it', () =>
    expect(
      carriedWaterG([
        { massG: 4, waterPct: 50 },
        { massG: 10, waterPct: 8 },
      ]),
    ).toBeCloseTo(2.8, 12));
});

import { describe, expect, it } from 'vitest';
import { fluidityIntegral, smallestClearedMm, stokesVelocityMmPerS } from './rise';

describe('bubbles rising', () => {
  it('go by Stokes: 1 mm in 350 mPa·s at 1.05 g/mL, worked by hand as 1050·9.80665·1e-6/(18·0.35) m/s', () => {
    expect(stokesVelocityMmPerS({ diameterMm: 1, densityGPerML: 1.05, viscosityMPaS: 350 })).toBeCloseTo(
      ((1050 * 9.80665 * 1e-6) / (18 * 0.35)) * 1000,
      9,
    );
  });
  it('clear exactly the depth that the smallest cleared bubble rises in the time', () => {
    const minutes = 12;
    const d = smallestClearedMm({ depthMm: 25, densityGPerML: 1.05, fluidity: minutes / 350 });
    const risen = stokesVelocityMmPerS({ diameterMm: d, densityGPerML: 1.05, viscosityMPaS: 350 }) * minutes * 60;
    expect(risen).toBeCloseTo(25, 9);
  });
  it('never clear without time', () =>
    expect(smallestClearedMm({ depthMm: 25, densityGPerML: 1.05, fluidity: 0 })).toBe(Infinity));
  it('integrate fluidity over a part of a curve, and count gelled resin as nothing', () => {
    expect(fluidityIntegral([0, 10], [100, 100], 2, 7)).toBeCloseTo(0.05, 12);
    expect(fluidityIntegral([0, 10, 20], [100, Infinity, Infinity], 0, 20)).toBeCloseTo(0.05, 12);
    expect(fluidityIntegral([0, 10], [100, 100], 12, 20)).toBe(0);
  });
});

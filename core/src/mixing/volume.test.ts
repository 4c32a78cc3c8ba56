import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CoreError } from '../formats/errors';
import { shapeVolumeML, waterDensityGPerML, waterFillML } from './volume';

describe('water', () => {
  // Independent: CRC Handbook of Chemistry and Physics, density of water.
  it.each([
    [4, 0.99997],
    [20, 0.99821],
    [25, 0.99705],
    [40, 0.99222],
  ])('weighs at %s °C %s g/mL', (t, density) => {
    expect(Math.abs(waterDensityGPerML(t) - density)).toBeLessThan(2e-5);
  });
  it('fills a cavity by its density', () => expect(waterFillML(99.821, 20)).toBeCloseTo(100, 2));
  it('refuses no water and steam', () => {
    expect(() => waterFillML(0, 20)).toThrow(CoreError);
    expect(() => waterFillML(10, 120)).toThrow(CoreError);
  });
});

describe('shapes', () => {
  it.each([
    [{ kind: 'box', lengthMm: 100, widthMm: 50, depthMm: 20 }, 100],
    [{ kind: 'cylinder', diameterMm: 20, depthMm: 10 }, Math.PI],
    [{ kind: 'cone-frustum', topDiameterMm: 20, bottomDiameterMm: 0, depthMm: 30 }, Math.PI],
    [{ kind: 'sphere-cap', diameterMm: 20, depthMm: 10 }, (2 / 3) * Math.PI],
    [{ kind: 'ring', outerDiameterMm: 20, innerDiameterMm: 10, depthMm: 10 }, Math.PI * 0.75],
  ] as const)('%j holds %s mL', (shape, volume) => expect(shapeVolumeML(shape)).toBeCloseTo(volume, 9));
  it('agree where they meet: a frustum of equal ends is a cylinder, a ring without a hole too', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 500, noNaN: true }),
        fc.double({ min: 1, max: 100, noNaN: true }),
        (d, h) => {
          const cylinder = shapeVolumeML({ kind: 'cylinder', diameterMm: d, depthMm: h });
          expect(
            shapeVolumeML({ kind: 'cone-frustum', topDiameterMm: d, bottomDiameterMm: d, depthMm: h }) / cylinder,
          ).toBeCloseTo(1, 9);
          expect(
            shapeVolumeML({ kind: 'ring', outerDiameterMm: d, innerDiameterMm: 0, depthMm: h }) / cylinder,
          ).toBeCloseTo(1, 9);
        },
      ),
    );
  });
  it('refuse a hole wider than its ring, and a depth of nothing, by name', () => {
    expect(() => shapeVolumeML({ kind: 'ring', outerDiameterMm: 10, innerDiameterMm: 12, depthMm: 5 })).toThrow(
      /innerDiameterMm/,
    );
    expect(() => shapeVolumeML({ kind: 'box', lengthMm: 10, widthMm: 10, depthMm: 0 })).toThrow(/depthMm/);
  });
});

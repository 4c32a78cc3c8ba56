import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CoreError } from '../formats/errors';
import { dewPointC } from './dewPoint';

describe('dewPointC', () => {
  // Independent: psychrometric tables over water (saturation vapour pressure from the WMO's Goff–Gratch equation).
  it.each([
    [20, 50, 9.26],
    [25, 60, 16.7],
    [30, 80, 26.17],
    [10, 90, 8.44],
    [0, 50, -9.2],
  ])('%s °C at %s %% is %s °C within 0.1 K', (t, rh, dew) => {
    expect(dewPointC(t, rh)).toBeCloseTo(dew, 0);
    expect(Math.abs(dewPointC(t, rh) - dew)).toBeLessThan(0.1);
  });
  it('is the air temperature itself at 100 %', () => {
    expect(dewPointC(17.4, 100)).toBeCloseTo(17.4, 9);
  });
  it('rises with temperature and with damp, and never passes the air', () => {
    const t = fc.double({ min: -20, max: 45, noNaN: true });
    const rh = fc.double({ min: 5, max: 99, noNaN: true });
    fc.assert(
      fc.property(t, rh, (temperature, humidity) => {
        const dew = dewPointC(temperature, humidity);
        expect(dew).toBeLessThan(temperature);
        expect(dewPointC(temperature + 1, humidity)).toBeGreaterThan(dew);
        expect(dewPointC(temperature, humidity + 1)).toBeGreaterThan(dew);
      }),
    );
  });
  it.each([
    [20, 0],
    [20, 101],
    [Number.NaN, 50],
    [80, 50],
  ])('refuses %s °C at %s %%', (t, rh) => {
    expect(() => dewPointC(t, rh)).toThrow(CoreError);
  });
});

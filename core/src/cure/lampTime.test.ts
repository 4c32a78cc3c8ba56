import { describe, expect, it } from 'vitest';
import { lampDoseMJPerCM2, lampMinutes } from './lampTime';

describe('the time of a lamp', () => {
  it.each([
    [1080, 18, 1],
    [1000, 18, 0.9259],
    [3000, 50, 1],
    [0, 18, 0],
  ])('%d mJ/cm² by %d mW/cm² takes %d min', (dose, irradiance, minutes) => {
    expect(lampMinutes(dose, irradiance)).toBeCloseTo(minutes, 4);
  });
  it('gives back the dose it was reckoned for, at any lamp', () => {
    for (let irradiance = 0.5; irradiance < 400; irradiance *= 1.7)
      for (const dose of [1, 250, 1000, 12_000])
        expect(lampDoseMJPerCM2(irradiance, lampMinutes(dose, irradiance))).toBeCloseTo(dose, 6);
  });
  it('refuses a lamp that gives nothing, and figures that are none', () => {
    expect(() => lampMinutes(1000, 0)).toThrow(/irradianceMWPerCM2/);
    expect(() => lampMinutes(-1, 18)).toThrow(/doseMJPerCM2/);
    expect(() => lampDoseMJPerCM2(18, NaN)).toThrow(/minutes/);
  });
});

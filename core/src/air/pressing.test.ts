import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CoreError } from '../formats/errors';
import { ambientKPaAt } from './ambient';
import { boyleDiameterRatio, vacuumGrowth } from './boyle';
import { pressurisationMin } from './compressor';

describe('ambientKPaAt', () => {
  it.each([
    [0, 101.325],
    [1000, 89.875],
    [1500, 84.556],
    [3000, 70.109],
  ])('%s m is %s kPa in the tables of the standard atmosphere', (m, kPa) => {
    expect(Math.abs(ambientKPaAt(m) - kPa)).toBeLessThan(0.01);
  });
});

describe('boyle', () => {
  it('halves a diameter where the absolute pressure is eight times as high', () =>
    expect(boyleDiameterRatio(7 * 101.325)).toBeCloseTo(0.5, 12));
  it('leaves a bubble alone without pressure, and only shrinks it with more', () => {
    expect(boyleDiameterRatio(0)).toBe(1);
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 5000, noNaN: true }),
        fc.double({ min: 1, max: 500, noNaN: true }),
        (p, more) => {
          expect(boyleDiameterRatio(p + more)).toBeLessThan(boyleDiameterRatio(p));
        },
      ),
    );
  });
  it('grows a bubble under vacuum by the inverse of the pressure', () =>
    expect(vacuumGrowth(101.325 / 27)).toBeCloseTo(27, 9));
  it.each([
    () => boyleDiameterRatio(-1),
    () => vacuumGrowth(0),
    () => vacuumGrowth(120),
    () => boyleDiameterRatio(Number.NaN),
  ])('refuses what cannot be', (f) => expect(f).toThrow(CoreError));
});

describe('pressurisationMin', () => {
  const pot = { freeL: 20, targetKPa: 405.3, freeAirLPerMin: 40 };
  it('without a tank is four volumes of free air by the pump: 20 L at four atmospheres, 80 L at 40 L/min', () => {
    expect(pressurisationMin(pot)).toBeCloseTo(2, 9);
  });
  it('counts what the tank gives at once: 10 L at eight atmospheres over four gives 40 L', () => {
    expect(pressurisationMin({ ...pot, tankL: 10, tankKPa: 810.6 })).toBeCloseTo(1, 9);
    expect(pressurisationMin({ ...pot, tankL: 20, tankKPa: 810.6 })).toBe(0);
  });
  it('fills a tank that holds less than the target as well: nothing is lost on the way', () => {
    expect(pressurisationMin({ ...pot, tankL: 10, tankKPa: 0 })).toBeCloseTo(3, 9);
  });
  it('never gets there without a pump', () => expect(pressurisationMin({ ...pot, freeAirLPerMin: 0 })).toBe(Infinity));
  it('takes longer for more pressure, more space, less pump', () => {
    const positive = fc.double({ min: 1, max: 100, noNaN: true });
    fc.assert(
      fc.property(positive, positive, positive, (freeL, target, pump) => {
        const base = pressurisationMin({ freeL, targetKPa: target, freeAirLPerMin: pump });
        expect(pressurisationMin({ freeL: freeL * 1.1, targetKPa: target, freeAirLPerMin: pump })).toBeGreaterThan(
          base,
        );
        expect(pressurisationMin({ freeL, targetKPa: target * 1.1, freeAirLPerMin: pump })).toBeGreaterThan(base);
        expect(pressurisationMin({ freeL, targetKPa: target, freeAirLPerMin: pump * 1.1 })).toBeLessThan(base);
      }),
    );
  });
  it('names the field it cannot use', () => {
    try {
      pressurisationMin({ ...pot, freeL: -1 });
      expect.unreachable();
    } catch (e) {
      expect(e).toMatchObject({ code: 'out-of-range', path: 'freeL' });
    }
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { productSchema } from '../formats/product';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { overlay } from '../simulation/soundBatch';
import { coatVolumeML, cupLossG, hollowVolumeML } from './coat';
import { overpourFix } from './overpourFix';
import { plannedCatalystPct } from './plannedCatalyst';
import { partsForTotal } from './partsForTotal';
import { ratioErrorPct, scaleErrorPct } from './ratio';
import { nextNiceG, roundToScale } from './rounding';
import { ratioTolerance, smallestSafeBatchG } from './safeBatch';

const clear = saltmarshCard('house-clear-6');
const tide = saltmarshCard('house-tide');
const mass = fc.double({ min: 1, max: 2000, noNaN: true });

describe('overpourFix', () => {
  it('brings any two amounts into ratio by adding to one part alone', () => {
    fc.assert(
      fc.property(mass, mass, (a, b) => {
        const fix = overpourFix(clear, a, b);
        expect(ratioErrorPct(clear, fix.massAG, fix.massBG)).toBeCloseTo(0, 6);
        expect(fix.addG).toBeGreaterThanOrEqual(0);
        expect(fix.part === 'A' ? fix.massBG : fix.massAG).toBe(fix.part === 'A' ? b : a);
        expect(fix.totalG).toBeCloseTo(a + b + fix.addG, 6);
      }),
    );
  });
  it('leaves a mix in ratio alone, and works on a catalyst by its typical dose', () => {
    expect(overpourFix(clear, 100, 82)).toMatchObject({ part: null, addG: 0 });
    expect(overpourFix(tide, 200, 4)).toMatchObject({ part: 'A' });
    expect(overpourFix(tide, 200, 4).addG).toBeCloseTo(50, 6);
  });
  it('has nothing to bring back where there is one part', () =>
    expect(() => overpourFix(saltmarshCard('house-noon'), 10, 1)).toThrow('one part'));
});

describe('smallestSafeBatchG', () => {
  it('is the batch at which the scale puts the ratio off by just the tolerance', () => {
    for (const slug of ['house-clear-6', 'house-deep-40', 'house-bone-3', 'house-chalk', 'house-tide']) {
      const card = saltmarshCard(slug);
      const { massAG, massBG } = partsForTotal(card, smallestSafeBatchG(card, 2));
      expect(scaleErrorPct(massAG, massBG, 2)).toBeCloseTo(ratioTolerance(card).pct, 6);
    }
  });
  it('says whose tolerance it is', () => {
    expect(ratioTolerance(clear)).toEqual({ pct: 4, from: 'card' });
    expect(ratioTolerance(productSchema.parse(overlay(clear, { ratio: { tolerancePct: null } })))).toEqual({
      pct: 5,
      from: 'family',
    });
    expect(ratioTolerance(tide).from).toBe('catalyst band');
    expect(ratioTolerance(tide).pct).toBeCloseTo(50, 9);
  });
});

describe('amounts for a scale', () => {
  it('are on its steps, enough, and B within half a step of what A asks for', () => {
    fc.assert(
      fc.property(mass, fc.constantFrom(0.01, 0.1, 0.5, 1, 2), (a, step) => {
        const r = roundToScale({ a: 100, b: 82 }, a, step);
        expect(r.massAG).toBeGreaterThanOrEqual(a - 1e-9);
        expect(r.massAG - a).toBeLessThanOrEqual(Math.max(step, step - a) + 1e-9);
        for (const g of [r.massAG, r.massBG]) expect(Math.abs(g / step - Math.round(g / step))).toBeLessThan(1e-6);
        if (r.massBG > step) expect(Math.abs(r.massBG - r.massAG * 0.82)).toBeLessThanOrEqual(step / 2 + 1e-9);
      }),
    );
  });
  it('become round numbers upwards', () => {
    expect([104.2, 100, 0.33, 61, 9.9, 1234].map(nextNiceG)).toEqual([120, 100, 0.35, 70, 10, 1500]);
  });
});

describe('coats and shells', () => {
  it('are area by thickness, with the edge that is coated too', () => {
    expect(coatVolumeML({ areaCM2: 100, thicknessMm: 10 })).toBe(100);
    // A plate of 300 × 200 mm, 20 mm high: 600 cm² on top and 200 cm² around, 2 mm thick.
    expect(coatVolumeML({ areaCM2: 600, thicknessMm: 2, edgeMm: 1000, edgeHeightMm: 20 })).toBeCloseTo(160, 9);
    expect(hollowVolumeML({ areaCM2: 250, wallMm: 4 })).toBeCloseTo(100, 9);
  });
  it('lose more to the cup the more there is and the thicker it is', () => {
    expect(cupLossG(200, null)).toBe(8);
    expect(cupLossG(200, 2000)).toBeCloseTo(10, 9);
    expect(cupLossG(400, 500)).toBeGreaterThan(cupLossG(200, 500));
  });
});

describe('plannedCatalystPct', () => {
  it('is what the room asks for in the middle of the depth, more when thin, less when thick, never outside the band', () => {
    const at = (roomC: number, depthMm: number | null) => plannedCatalystPct(tide, roomC, depthMm)!.pct;
    expect(at(22, null)).toBeCloseTo(1.6, 9);
    expect(at(22, 14)).toBeCloseTo(1.6, 9);
    expect(at(22, 3)).toBeCloseTo(1.92, 9);
    expect(at(22, 25)).toBeCloseTo(1.28, 9);
    fc.assert(
      fc.property(
        fc.double({ min: -10, max: 50, noNaN: true }),
        fc.double({ min: 0.1, max: 200, noNaN: true }),
        (roomC, depthMm) => {
          expect(at(roomC, depthMm)).toBeGreaterThanOrEqual(0.8);
          expect(at(roomC, depthMm)).toBeLessThanOrEqual(2.4);
        },
      ),
    );
  });
  it('is nothing for a product without a catalyst', () => expect(plannedCatalystPct(clear, 22, 5)).toBeNull());
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CoreError } from '../formats/errors';
import { SALTMARSH_CARDS, saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { catalystPct, mixMasses } from './batchAmounts';
import { loadings } from './loading';
import { partsForTotal } from './partsForTotal';
import { ratioErrorPct, scaleErrorPct, volumeParts, weightParts } from './ratio';
import { ratioSignature, type RatioSignature } from './ratioSignature';

const clear = saltmarshCard('house-clear-6');
const deep = saltmarshCard('house-deep-40');

describe('ratio', () => {
  it('is zero for exact parts of any total, and follows the definition off it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 5000, noNaN: true }),
        fc.double({ min: -90, max: 200, noNaN: true }),
        (total, off) => {
          const { massAG, massBG } = partsForTotal(clear, total);
          expect(massAG + massBG).toBeCloseTo(total, 6);
          expect(ratioErrorPct(clear, massAG, massBG * (1 + off / 100))).toBeCloseTo(off, 6);
        },
      ),
    );
  });
  it('is −100 for a forgotten part B', () => expect(ratioErrorPct(clear, 100, 0)).toBe(-100));
  it('refuses a part A of nothing, and a card without a ratio', () => {
    expect(() => ratioErrorPct(clear, 0, 10)).toThrow(CoreError);
    expect(() => ratioErrorPct(saltmarshCard('house-tide'), 100, 2)).toThrow(/no ratio by weight/);
  });
  it('carries weights to volumes through the densities, and agrees with every card that states both', () => {
    for (const card of SALTMARSH_CARDS.filter((c) => c.ratio.byWeight && c.ratio.byVolume)) {
      const fromWeights = volumeParts({ ...card, ratio: { ...card.ratio, byVolume: null } })!;
      const stated = volumeParts(card)!;
      expect(Math.abs(fromWeights.b / fromWeights.a / (stated.b / stated.a) - 1), card.slug).toBeLessThan(0.02);
    }
  });
  it("mixes to the card's density by the volumes of both parts", () => {
    for (const card of SALTMARSH_CARDS.filter((c) => c.ratio.byWeight)) {
      const { a, b } = weightParts(card)!;
      const mixed = (a + b) / (a / card.densityAGPerML! + b / card.densityBGPerML!);
      expect(Math.abs(mixed / card.mixedDensityGPerML! - 1), card.slug).toBeLessThan(0.02);
    }
  });
});

describe('scaleErrorPct', () => {
  it('is half a step on each part', () => {
    expect(scaleErrorPct(100, 50, 1)).toBeCloseTo(1.5, 12);
    expect(scaleErrorPct(1000, 500, 1)).toBeCloseTo(0.15, 12);
  });
});

describe('ratioSignature', () => {
  it.each<[string, number, number, RatioSignature | null]>([
    ['house-deep-40', 200, 100, 'volume-ratio-on-scale'],
    ['house-deep-40', 100, 88, 'b-doubled'],
    ['house-deep-40', 200, 44, 'a-doubled'],
    ['house-deep-40', 44, 100, 'parts-swapped'],
    ['house-deep-40', 100, 0, 'b-forgotten'],
    ['house-deep-40', 0, 44, 'a-forgotten'],
    ['house-deep-40', 100, 44, null],
    ['house-deep-40', 100, 45.5, null],
    ['house-deep-40', 100, 60, null],
  ])('%s with A %s and B %s: %s', (slug, amountA, amountB, expected) => {
    expect(ratioSignature(saltmarshCard(slug), soundBatch(slug, { mix: { amountA, amountB } }))).toBe(expected);
  });
});

describe('batch amounts and loading', () => {
  it('turns measured volumes into masses through the densities', () => {
    const batch = soundBatch('house-deep-40', {
      mix: { measuredBy: 'volume', unit: 'mL', amountA: 200, amountB: 100 },
    });
    expect(mixMasses(deep, batch)).toEqual({ massAG: 225, massBG: 99, totalG: 324 });
  });
  it('takes the stated catalyst percentage over the amounts', () => {
    const tide = saltmarshCard('house-tide');
    expect(catalystPct(tide, soundBatch('house-tide', { mix: { amountA: 200, amountB: 3 } }))).toBeCloseTo(1.5, 12);
    expect(catalystPct(tide, soundBatch('house-tide', { mix: { amountA: 200, amountB: 3, catalystPct: 2 } }))).toBe(2);
  });
  it('has one part only for a light-cured product', () => {
    expect(mixMasses(saltmarshCard('house-noon'), soundBatch('house-noon', { mix: { amountA: 30 } }))).toEqual({
      massAG: 30,
      massBG: 0,
      totalG: 30,
    });
  });
  it('knows an incomplete loading from a complete one', () => {
    const batch = soundBatch('house-clear-6', {
      mix: { amountA: 100, amountB: 82 },
      additives: [
        { kind: 'dye', massG: 1.82 },
        { kind: 'dye', drops: 5 },
      ],
    });
    expect(loadings(clear, batch)!.total).toEqual({ pct: expect.closeTo(1, 9) as number, complete: false });
    expect(loadings(clear, soundBatch('house-clear-6', { additives: null }))).toBeNull();
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decimalSign, readNumber } from './sheetNumber';
import { unitAlone, unitAtStart } from './sheetUnits';

describe('numbers as they are written', () => {
  it.each([
    ['1,200', '.', 1200],
    ['1.200', ',', 1200],
    ['1,200', ',', 1.2],
    ['1.05', '.', 1.05],
    ['1,05', ',', 1.05],
    ['12 500', '.', 12500],
    ["1'200", '.', 1200],
    ['1.200.000', '.', 1_200_000],
    ['2 1/2', '.', 2.5],
    ['3/8', '.', 0.375],
    ['1½', '.', 1.5],
    ['½', ',', 0.5],
  ] as const)('%s with tenths after %s', (text, decimal, value) => {
    expect(readNumber(text, decimal)).toBeCloseTo(value, 9);
  });
  it('what is none is NaN', () => {
    expect(readNumber('', '.')).toBeNaN();
    expect(readNumber('1/0', '.')).toBeNaN();
    expect(readNumber('A-7', '.')).toBeNaN();
  });
  it('come back from both ways of writing', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 99_999_999 }), (hundredths) => {
        const text = (hundredths / 100).toFixed(2);
        expect(readNumber(text, '.')).toBeCloseTo(hundredths / 100, 6);
        expect(readNumber(text.replace('.', ','), ',')).toBeCloseTo(hundredths / 100, 6);
      }),
    );
  });
  it.each([
    ['Density 1,07 g/cm³, viscosity 1.200 mPa·s', ','],
    ['Density 1.07 g/cm³, viscosity 1,200 mPa·s', '.'],
    ['Viscosity 1,200 mPa·s', '.'],
    ['Dichte 0,987', ','],
    ['no number', '.'],
  ])('%s has its tenths after %s', (text, sign) => {
    expect(decimalSign(text)).toBe(sign);
  });
});

describe('units as they are written', () => {
  it.each([
    ['cps @ 25', 'cP', 650, 650],
    ['Pa·s', 'Pa·s', 1.2, 1200],
    ['°F', '°F', 212, 100],
    ['lb/gal', 'lb/gal', 8.345, 1],
    ['psi', 'psi', 14.696, 101.325],
    ['inHg', 'inHg', 29.92, 0],
    ['fl oz', 'fl oz', 1, 29.5735],
    ['hrs.', 'h', 2, 120],
    ['in.', 'in', 2, 50.8],
    ['bar', 'bar', 3, 300],
    ['kg/m³', 'kg/m³', 1070, 1.07],
  ])('%s', (text, id, written, stored) => {
    const found = unitAtStart(text)?.unit;
    expect(found?.id).toBe(id);
    expect(Math.abs(found!.toStored(written) - stored)).toBeLessThan(Math.max(0.02, 1e-3 * stored));
  });
  it('are not the first letters of words', () => {
    for (const word of ['minimum', 'grams/m', 'hardener', 'coat', 'parts', 'inside', 'long']) {
      expect(unitAtStart(word)?.unit.id, word).toBeUndefined();
    }
  });
  it('stand alone in a column of units', () => {
    expect(unitAlone(' [mPa·s] ')?.id).toBe('mPa·s');
    expect(unitAlone('in minutes')?.id).toBe('min');
    expect(unitAlone('minutes or so')).toBeNull();
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { QUANTITIES, STORED_UNITS, fromStored, quantityOfStoredUnit, toStored, type Quantity } from './quantities';
import { sayMinutes, wordsIn } from './wording';

describe('units', () => {
  it.each<[Quantity, number, string, number]>([
    ['temperature', 20, '°F', 68],
    ['temperature', -40, '°F', -40],
    ['temperatureDifference', 10, '°F', 18],
    ['pressure', 413.685, 'psi', 60],
    ['pressure', 250, 'bar', 2.5],
    ['mass', 453.59237, 'oz', 16],
    ['volume', 29.5735295625, 'fl oz', 1],
    ['length', 25.4, 'in', 1],
  ])('%s %s stored is %s %s', (quantity, stored, unit, shown) => {
    expect(fromStored(quantity, stored, unit)).toBeCloseTo(shown, 3);
  });
  it('gives every stored value back through every unit', () => {
    for (const [quantity, { units }] of Object.entries(QUANTITIES) as [
      Quantity,
      { units: Record<string, unknown> },
    ][]) {
      for (const name of Object.keys(units)) {
        fc.assert(
          fc.property(fc.double({ min: -1e4, max: 1e4, noNaN: true }), (v) => {
            expect(toStored(quantity, fromStored(quantity, v, name), name)).toBeCloseTo(v, 8);
          }),
          { numRuns: 20 },
        );
      }
    }
  });
  it('refuses a unit the quantity does not have', () => expect(() => fromStored('mass', 1, 'psi')).toThrow(RangeError));
  it('leaves %, min and months alone', () => {
    expect(quantityOfStoredUnit('%')).toBeUndefined();
    expect(quantityOfStoredUnit('kPa')).toBe('pressure');
  });
});

describe('wording', () => {
  const imperial = wordsIn({ ...STORED_UNITS, temperature: '°F', pressure: 'psi', length: 'in' });
  it.each([
    [20, '°C', '68 °F'],
    [300, 'kPa', '43.5 psi'],
    [25.4, 'mm', '1 in'],
    [3, 'K', '5.4 °F'],
    [0.0254, 'mm', '0.001 in'],
    [64, '%', '64 %'],
    [-3.5, '%', '−3.5 %'],
  ])('%s %s becomes %s', (v, unit, words) => {
    expect(imperial(v, unit)).toBe(words);
  });
  it.each([
    [0.34, 'mm', '0.34 mm'],
    [1.34, 'mm', '1.3 mm'],
    [0.05, 'g', '0.05 g'],
    [1, 'months', '1 month'],
    [1.04, 'days', '1.04 days'],
    [2, 'days', '2 days'],
    [1, 'g', '1 g'],
  ])('stored units: %s %s is %s', (v, unit, words) => expect(wordsIn()(v, unit)).toBe(words));
  it.each([
    [0.5, '30 s'],
    [9.2, '9.2 min'],
    [90, '90 min'],
    [140, '2 h 20 min'],
    [720, '12 h'],
    [7200, '5 days'],
    [-1.5, '−1.5 min'],
  ])('%s min is said %s', (m, words) => {
    expect(sayMinutes(m)).toBe(words);
  });
});

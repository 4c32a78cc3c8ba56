import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { numberText, parseNumber } from './parseNumber';

describe('parseNumber', () => {
  it.each([
    ['21.5', 21.5],
    ['21,5', 21.5],
    [' 7 ', 7],
    ['−3', -3],
    ['-0.5', -0.5],
    ['.5', 0.5],
    ['12.', 12],
    ['007', 7],
  ])('reads %j as %s', (text, value) => {
    expect(parseNumber(text)).toEqual({ kind: 'number', value });
  });
  it.each(['', '   '])('reads %j as nothing typed', (text) => expect(parseNumber(text)).toEqual({ kind: 'empty' }));
  it.each(['abc', '1.2.3', '1,2,3', '--4', '5 g', '1e5', '.', '-', '1 000'])('refuses %j', (text) =>
    expect(parseNumber(text)).toEqual({ kind: 'bad' }),
  );
  it('gives back every shown value', () => {
    fc.assert(
      fc.property(fc.double({ min: -1e5, max: 1e5, noNaN: true }), (value) => {
        const read = parseNumber(numberText(value, 3));
        expect(read.kind === 'number' && Math.abs(read.value - value)).toBeLessThan(0.0006);
      }),
    );
  });
  it('shows nothing for nothing, and no trailing zeros', () => {
    expect([numberText(null, 1), numberText(20, 1), numberText(1.05, 3)]).toEqual(['', '20', '1.05']);
  });
});

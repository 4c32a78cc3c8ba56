import { saltmarshCard, saltmarshMoulds } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { nextPieceCode } from './nextPieceCode';
import { pourQuery } from './pourQuery';

const mould = saltmarshMoulds().find((m) => m.code === 'M-06')!;
const deep = saltmarshCard('house-deep-40');

describe('the code of a new piece', () => {
  it.each([
    [[], 'P-01'],
    [['P-04', 'P-02'], 'P-05'],
    [['P-99'], 'P-100'],
    [['Sign', 'P-x', 'P-07'], 'P-08'],
  ])('after %j is %s', (codes, next) => expect(nextPieceCode(codes)).toBe(next));
});

describe('the plan of a layer', () => {
  it("asks for the mould's share by depth, and what stays in the cup", () => {
    const { depthMm, volumeML } = mould.cavities![0]!;
    const query = pourQuery('P-03', 2, { productSlug: 'house-deep-40', depthMm: depthMm! / 2 }, deep, mould);
    expect(query).toMatchObject({ product: 'house-deep-40', piece: 'P-03', layer: '2' });
    expect(Number(query['massG'])).toBeCloseTo((volumeML! / 2) * deep.mixedDensityGPerML! * 1.03, -1);
  });
  it('never fills beyond the cavity', () => {
    expect(pourQuery('P-03', 1, { productSlug: 'house-deep-40', depthMm: 500 }, deep, mould)['massG']).toBe(
      pourQuery('P-03', 1, { productSlug: 'house-deep-40', depthMm: mould.cavities![0]!.depthMm! }, deep, mould)[
        'massG'
      ],
    );
  });
  it('leaves what is not known for the plan to ask', () => {
    expect(pourQuery('P-03', 1, { productSlug: 'house-deep-40', depthMm: null }, deep, null)).toEqual({
      product: 'house-deep-40',
      piece: 'P-03',
      layer: '1',
    });
  });
});

import { describe, expect, it } from 'vitest';
import type { AdditiveKind } from '../formats/vocabulary';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { colouredPenetrationMm } from './colouredLight';
import { sideLoss, sideLossOf } from './sideLoss';

const loads = (...of: [AdditiveKind, number | null][]) =>
  new Map(of.map(([kind, pct]) => [kind, { pct, limitPct: null } as never]));

describe('light in a coloured mix', () => {
  it('comes as far as the card says without colour, and half as far at the half-loading', () => {
    expect(colouredPenetrationMm(4, loads())).toBe(4);
    expect(colouredPenetrationMm(4, loads(['pigment-paste', 0.3]))).toBeCloseTo(2, 9);
    expect(colouredPenetrationMm(4, loads(['dye', 3]))).toBeCloseTo(2, 9);
  });
  it('absorption adds up, and what covers shortens more than what tints', () => {
    expect(colouredPenetrationMm(4, loads(['pigment-paste', 0.3], ['mica', 1]))).toBeCloseTo(4 / 3, 9);
    expect(colouredPenetrationMm(4, loads(['pigment-paste', 0.5]))).toBeLessThan(
      colouredPenetrationMm(4, loads(['dye', 0.5])),
    );
  });
  it('is not shortened by what nobody weighed', () => {
    expect(colouredPenetrationMm(4, loads(['pigment-paste', null]))).toBe(4);
  });
});

describe('heat through the sides', () => {
  const deep = saltmarshCard('house-deep-40');
  const own = sideLoss(deep).wPerM3K;
  it("is the card's own for a pour as wide as its deepest is deep", () => {
    expect(sideLossOf(deep, 60, { mm: 60, from: 'measured' })).toEqual({ wPerM3K: own, from: 'card' });
    expect(sideLossOf(deep, 60, null)).toEqual(sideLoss(deep));
  });
  it('falls with perimeter over area: twice as wide, half of it; a sliver no more than the card’s own', () => {
    expect(sideLossOf(deep, 30, { mm: 120, from: 'measured' })).toEqual({ wPerM3K: own / 2, from: 'wider' });
    expect(sideLossOf(deep, 30, { mm: 10, from: 'measured' }).wPerM3K).toBe(own);
  });
  it('fades to the worst case where only the mass tells the width, without a leap', () => {
    const told = Array.from({ length: 200 }, (_, i) => sideLossOf(deep, 20, { mm: 10 + i, from: 'mass' }));
    for (let i = 1; i < told.length; i += 1) {
      expect(told[i]!.wPerM3K).toBeLessThanOrEqual(told[i - 1]!.wPerM3K);
      expect(told[i - 1]!.wPerM3K - told[i]!.wPerM3K).toBeLessThan(own * 0.05);
    }
    expect(told.at(-1)).toEqual({ wPerM3K: 0, from: 'worst-case' });
  });
  it('is none where the card lacks depth or limit, and says so', () => {
    expect(sideLoss({ ...deep, exothermMaxC: null })).toEqual({ wPerM3K: 0, from: 'worst-case' });
    expect(sideLoss({ ...deep, depth: null })).toEqual({ wPerM3K: 0, from: 'worst-case' });
  });
  it('says where pot life, depth and limit of a card cannot all be true', () => {
    expect(
      sideLoss({ ...saltmarshCard('house-clear-6'), depth: { minMm: 1, maxMm: 400 }, exothermMaxC: 40 }).from,
    ).toBe('not-met');
  });
});

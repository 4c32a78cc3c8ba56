import { describe, expect, it } from 'vitest';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { cardConflicts, cardGaps, depthConflict, ratioContradictions, ratioDisagreementPct } from './cardGaps';

const deep = saltmarshCard('house-deep-40');
const clear = saltmarshCard('house-clear-6');

describe('what a card leaves unsaid', () => {
  it('is told with what it costs, and no longer once it is stated', () => {
    const silent = { ...clear, source: null, light: null };
    const fields = cardGaps(silent).map(({ field }) => field);
    expect(fields).toContain('source');
    expect(fields).toContain('light.stable');
    const stated = cardGaps({ ...silent, source: 'sheet 4, March', light: { stable: true } });
    expect(stated.map(({ field }) => field)).not.toContain('source');
    expect(stated.map(({ field }) => field)).not.toContain('light.stable');
    for (const { costs } of cardGaps(silent)) expect(costs).toMatch(/\.$/);
  });
  it('asks for a dose of light only where light cures', () => {
    const asks = (family: 'uv-acrylate' | 'epoxy') =>
      cardGaps({ ...clear, family, light: null }).some(({ field }) => field === 'light.doseMJPerCM2');
    expect(asks('uv-acrylate')).toBe(true);
    expect(asks('epoxy')).toBe(false);
  });
});

describe('what contradicts itself', () => {
  it('is the two ratios against the densities, by how much and which way', () => {
    const parts = { ...deep, ratio: { byWeight: { a: 100, b: 50 }, byVolume: { a: 100, b: 60 } } };
    // 50 g of 1.00 g/mL to 100 g of 1.10 g/mL are 55 mL to 100 mL: 60 is 9.1 % too much.
    const off = ratioDisagreementPct({ ...parts, densityAGPerML: 1.1, densityBGPerML: 1 });
    expect(off).toBeCloseTo(100 * (60 / 55 - 1), 6);
    const [told] = ratioContradictions({ ...parts, densityAGPerML: 1.1, densityBGPerML: 1 });
    expect(told?.field).toBe('ratio.byVolume.b');
    expect(told?.says).toContain('9.1 % too high');
    expect(ratioDisagreementPct({ ...parts, densityAGPerML: null })).toBeNull();
  });
  it('is flagged from 2 % on, either way', () => {
    const at = (b: number) =>
      ratioContradictions({
        ...deep,
        ratio: { byWeight: { a: 100, b: 50 }, byVolume: { a: 100, b } },
        densityAGPerML: 1.1,
        densityBGPerML: 1,
      });
    expect(at(55 * 1.019)).toEqual([]);
    expect(at(55 / 1.019)).toEqual([]);
    expect(at(55 * 1.021)).toHaveLength(1);
    expect(at(55 * 0.979)[0]?.says).toContain('too low');
  });
  it('is a demould before the gel, told at the later one', () => {
    const conflicts = cardConflicts({ ...clear, demould: { ...clear.demould, minutes: 1 } });
    expect(conflicts.map(({ field }) => field)).toContain('demould.minutes');
    expect(conflicts.some(({ says }) => says.startsWith('Demould comes before'))).toBe(true);
  });
  it('is no deepest pour that passes the card’s own limit, on the studio’s cards', () => {
    expect(depthConflict(deep)).toBeNull();
  });
});

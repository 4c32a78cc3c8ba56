import { SHAPE_KINDS } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { SHAPE_MEASURES, volumeOf } from './volumeOf';

describe('volumeOf', () => {
  it('waits until everything is measured, then gives the volume', () => {
    expect(volumeOf('water', 'box', { waterG: 99.82 })).toEqual({ volumeML: null, problem: null });
    expect(volumeOf('water', 'box', { waterG: 99.82, waterC: 20 }).volumeML).toBeCloseTo(100, 1);
    expect(volumeOf('shape', 'box', { lengthMm: 100, widthMm: 50, depthMm: 20 }).volumeML).toBeCloseTo(100, 9);
  });
  it('says which measure cannot be', () => {
    expect(volumeOf('shape', 'ring', { outerDiameterMm: 10, innerDiameterMm: 20, depthMm: 5 }).problem).toMatch(
      /^Look at inner diameter: .*at most 10/,
    );
    expect(volumeOf('water', 'box', { waterG: -3, waterC: 20 }).problem).toMatch(/^Look at the water: /);
  });
  it('asks of every shape what its volume needs', () => {
    for (const kind of SHAPE_KINDS) {
      const numbers = Object.fromEntries(SHAPE_MEASURES[kind].map((m, i) => [m.key, 30 - i * 5]));
      expect(volumeOf('shape', kind, numbers).volumeML, kind).toBeGreaterThan(0);
    }
  });
});

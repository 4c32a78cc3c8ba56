import { OUTLINES } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { CELLS, cellsOf, middleOf, paintedShare, whereWords } from './areaCells';

describe('an area painted on an outline', () => {
  it('is a share of the face: none, all, or half', () => {
    for (const kind of OUTLINES) {
      const all = cellsOf(kind);
      expect(all.length, kind).toBeGreaterThan(CELLS);
      expect(paintedShare(kind, []), kind).toBeNull();
      expect(paintedShare(kind, all), kind).toBe(1);
      const left = all.filter((c) => middleOf(c).x < 0.5);
      expect(paintedShare(kind, left), kind).toBeCloseTo(0.5, 1);
    }
  });
  it('counts nothing beside the casting, nor in the hole of a ring', () => {
    const corner = 0;
    const centre = (CELLS / 2) * CELLS + CELLS / 2;
    for (const kind of ['ellipse', 'ring', 'drop'] as const) expect(paintedShare(kind, [corner]), kind).toBeNull();
    expect(paintedShare('ring', [centre])).toBeNull();
    expect(paintedShare('ellipse', [centre])).not.toBeNull();
  });
  it('says where it lies', () => {
    expect(whereWords([])).toBe('');
    expect(whereWords([0, 1])).toBe('upper left');
    expect(whereWords([CELLS * CELLS - 1])).toBe('lower right');
    expect(whereWords(cellsOf('rectangle'))).toBe('middle');
  });
});

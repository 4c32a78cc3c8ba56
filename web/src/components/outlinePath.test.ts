import { OUTLINES } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { outlinePath } from './outlinePath';

describe('outlinePath', () => {
  it('draws each outline as a closed line of its own, in the frame of its aspect', () => {
    const drawn = OUTLINES.map((kind) => outlinePath(kind, 1.5));
    expect(new Set(drawn.map((o) => o.d)).size).toBe(OUTLINES.length);
    for (const { d, width } of drawn) {
      expect(width).toBe(150);
      expect(d.trim()).toMatch(/^M.*Z$/);
      expect(d).not.toContain('NaN');
    }
  });
});

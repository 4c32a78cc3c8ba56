import { PATTERNS_BY_SYMPTOM, SYMPTOM_KINDS } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { patternMarks } from './patternMarks';

const empty = (m: ReturnType<typeof patternMarks>) => m.circles.length + m.lines.length + m.areas.length === 0;

describe('patternMarks', () => {
  it('draws every pattern of the four main symptoms differently, and each other symptom', () => {
    const drawn = new Set<string>();
    let count = 0;
    for (const kind of SYMPTOM_KINDS) {
      for (const pattern of PATTERNS_BY_SYMPTOM[kind].filter(
        (p) => p !== 'unspecified' || PATTERNS_BY_SYMPTOM[kind].length === 1,
      )) {
        const m = patternMarks(kind, pattern);
        expect(empty(m), `${kind} ${pattern}`).toBe(false);
        drawn.add(JSON.stringify(m));
        count += 1;
      }
    }
    expect(drawn.size).toBe(count);
  });
  it('is the same picture each time, inside its frame', () => {
    expect(patternMarks('bubbles', 'micro-throughout')).toEqual(patternMarks('bubbles', 'micro-throughout'));
    for (const c of patternMarks('bubbles', 'micro-throughout').circles) {
      expect(c.x).toBeGreaterThan(12);
      expect(c.x).toBeLessThan(108);
    }
  });
  it('leaves the piece plain where the pattern was not told', () =>
    expect(empty(patternMarks('bubbles', 'unspecified'))).toBe(true));
});

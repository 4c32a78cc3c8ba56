import { describe, expect, it } from 'vitest';
import { batchFacts } from './batchFacts';
import { patched, type BookEntry, type Part } from './logParts';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';

const facts = batchFacts(saltmarshCard('house-clear-6'), soundBatch('house-clear-6', { code: 'B-1' }));
const entry = (n: number): BookEntry => ({
  code: `B-${String(n).padStart(4, '0')}`,
  at: new Date(Date.UTC(2026, 0, 1) + n * 3_600_000).toISOString(),
  facts,
});
const SIZE = 20;
const codes = (parts: readonly Part[]) => parts.flat().map((e) => e.code);

describe('a log that grows at its end', () => {
  it('works out a small part anew for each batch, and has few of them', () => {
    let parts: Part[] = [];
    let most = 0;
    for (let n = 0; n < 400; n += 1) {
      const before = new Set(parts);
      parts = patched(parts, [], [entry(n)], SIZE);
      const anew = parts.filter((part) => !before.has(part)).reduce((sum, part) => sum + part.length, 0);
      if (anew < SIZE) most = Math.max(most, anew);
      else expect(anew).toBe(SIZE);
      expect(parts.length).toBeLessThanOrEqual(n / SIZE + 1 / 0.1 + 1);
    }
    expect(most).toBe(2);
    expect(codes(parts)).toEqual(Array.from({ length: 400 }, (_, n) => entry(n).code));
  });
  it('keeps its order where batches come and go in its middle, and leaves no part empty', () => {
    let parts: Part[] = [];
    for (let n = 0; n < 200; n += 2) parts = patched(parts, [], [entry(n)], SIZE);
    const before = new Set(parts);
    parts = patched(parts, [], [entry(31), entry(33)], SIZE);
    expect(parts.filter((part) => !before.has(part))).toHaveLength(1);
    const known = new Map(parts.flat().map((e) => [e.code, e]));
    const gone = [...known.values()].slice(40, 160);
    parts = patched(parts, gone, [], SIZE);
    expect(parts.every((part) => part.length > 0)).toBe(true);
    expect(codes(parts)).toEqual([...codes(parts)].sort());
    expect(parts.flat()).toHaveLength(known.size - gone.length);
    expect(patched(parts, parts.flat(), [], SIZE)).toEqual([]);
  });
});

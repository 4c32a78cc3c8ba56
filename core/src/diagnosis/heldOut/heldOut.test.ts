import { describe, expect, it } from 'vitest';
import { WORKED } from '../worked/allWorked';
import { heldOutResults, namedBoth } from './heldOut';

const { singles, pairs } = heldOutResults();

describe('records set aside', () => {
  it('name the cause first', () => {
    expect(singles.length).toBeGreaterThanOrEqual(40);
    expect(singles.filter((r) => !r.right).map((r) => r.record.because)).toEqual([]);
  });
  it('of two causes lead with one of them, and mostly name both', () => {
    expect(pairs.filter((r) => !r.right)).toEqual([]);
    expect(pairs.filter(namedBoth).length).toBeGreaterThanOrEqual(10);
  });
  it('never name two where one happened, but for weather that is cold and damp at once', () => {
    const named = singles.filter((r) => r.both);
    expect(named.map((r) => r.both)).toEqual([['amine-blush', 'cold-cure']]);
  });
  it('are none of the records by which the rules were made', () => {
    const used = new Set(WORKED.map((w) => `${w.slug} ${JSON.stringify(w.record)} ${w.seen.pattern}`));
    const again = [...singles, ...pairs]
      .map((r) => r.record)
      .filter((r) => used.has(`${r.slug} ${JSON.stringify(r.record)} ${r.pattern}`));
    expect(again.map((r) => r.because)).toEqual([]);
  });
});

import { saltmarshBatches, saltmarshCard, saltmarshMoulds, soundBatch } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { cupColour, cupWords } from '../../components/cupColour';
import { castingLines, cupLines, outlineOf, streamShares } from './castingRows';

const card = saltmarshCard('house-clear-6');
const batch = saltmarshBatches(new Date('2027-03-18T14:30:00Z')).find((b) => b.code === 'B-0414')!;

describe('the castings of a mix as its page draws them', () => {
  const lines = castingLines(card, batch);
  it('each have their mould, grade, reason, price and what is drawn on them', () => {
    expect(lines.map((l) => [l.id, l.mould, l.grade, l.why, l.price, l.cup])).toEqual([
      ['k1', 'M-12, cavity 1', 'pass', '', 18, 0],
      ['k2', 'M-17, cavity 1', 'second', 'pimples, sanded and matted', 12, 0],
      ['k3', 'M-12, cavity 3', 'pass', '', 18, 0],
      ['k4', 'M-08, cavity 2', 'pass', '', 12, 1],
      ['k5', 'M-08, cavity 4', 'scrap', 'void at the tip', null, 1],
    ]);
    expect(lines.map((l) => [l.bubbles, l.void])).toEqual([
      [false, false],
      [true, false],
      [false, false],
      [false, false],
      [false, true],
    ]);
  });
  it('are drawn from no cup where nobody recorded which', () => {
    const unsaid = { ...batch, castings: batch.castings!.map((k) => ({ ...k, cup: null })) };
    expect(castingLines(card, unsaid).map((l) => l.cup)).toEqual([-1, -1, -1, -1, -1]);
    expect(castingLines(card, { ...unsaid, cups: null })[0]!.cup).toBe(0);
  });
  it('say what was seen where nobody gave a reason', () => {
    const unsaid = { ...batch, castings: batch.castings!.map((k) => ({ ...k, reason: null })) };
    expect(castingLines(card, unsaid)[1]!.why).toBe('bubbles, surface pimples');
  });
  it('take widths that add up to the whole mix', () => {
    const shares = streamShares(lines);
    expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
    expect(shares[1]! / shares[0]!).toBeCloseTo(61 / 44, 6);
    expect(streamShares([])).toEqual([]);
  });
  it('come from cups with their own colours, or from the one', () => {
    expect(cupLines(card, batch)).toMatchObject([
      { title: 'Cup 1, clear', massG: 182, words: '' },
      { title: 'Cup 2, green paste', massG: 91, words: '14 drops' },
    ]);
    expect(cupLines(card, soundBatch('house-clear-6', { additives: [] }))).toMatchObject([
      { title: 'clear', potLifeMin: expect.any(Number) as number },
    ]);
  });
  it('have the outline of their cavity, and some outline where the shelf knows none', () => {
    expect(outlineOf(batch, 'k1', saltmarshMoulds()).kind).toBe('drop');
    expect(outlineOf(batch, 'k1', []).kind).toBe('ellipse');
  });
});

describe('the colour a cup is drawn in', () => {
  it('is that of the last additive named after one', () => {
    const [white, amber] = [{ name: 'chalk white paste' }, { name: 'amber dye' }];
    expect(cupColour([white, amber])).not.toBe(cupColour([amber, white]));
    expect(cupColour([{ name: 'a secret of the house' }])).toBe(cupColour(null));
    expect([cupWords([white, amber]), cupWords([])]).toEqual(['chalk white paste, amber dye', 'clear']);
  });
});

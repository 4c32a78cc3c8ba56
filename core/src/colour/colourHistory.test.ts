import { describe, expect, it } from 'vitest';
import type { Check } from '../formats/batch';
import { SEEN_DELTA_B, colourHistory, colourSentence, yellowedAt } from './colourHistory';

const look = (afterH: number, ...b: number[]): Check => ({
  afterH,
  photos: b.map((v, i) => ({
    id: `${afterH}-${i}`,
    colour: { cast: [1, 1, 1], card: [2, 2, 2], b: v, yellownessIndex: v * 1.5, againstSample: i === 0 ? 1 : null },
  })),
});

describe('the colour of a piece over its looks', () => {
  it('is in order of time, each look the mean of its photos, against the first', () => {
    expect(colourHistory({ checks: [look(200, 8, 10), look(24, 3), { afterH: 100 }] })).toEqual([
      { afterH: 24, b: 3, yellownessIndex: 4.5, againstSample: 1, deltaB: 0 },
      { afterH: 200, b: 9, yellownessIndex: 13.5, againstSample: 1, deltaB: 6 },
    ]);
  });
  it('is told in words that follow what can be seen', () => {
    const said = (to: number) => colourSentence(colourHistory({ checks: [look(24, 3), look(200, to)] }));
    expect(said(3 + SEEN_DELTA_B * 0.9)).toContain('too little to be seen');
    expect(said(3 + SEEN_DELTA_B * 1.1)).toContain('yellower, and seen side by side');
    expect(said(-2)).toContain('measure again');
    expect(colourSentence([])).toContain('No colour');
    expect(colourSentence(colourHistory({ checks: [look(24, 3)] }))).toContain('b* 3.0');
  });
});

describe('a look that is yellower than before', () => {
  const against = (afterH: number, b: number, againstSample: number | null): Check => ({
    afterH,
    photos: [{ id: 'x', colour: { cast: [1, 1, 1], card: [2, 2, 2], b, yellownessIndex: b, againstSample } }],
  });
  it.each([
    ['nothing was measured', [{ afterH: 200 }], null],
    ['it is the first look', [against(200, 30, null)], null],
    ['the change is too small to be seen', [against(24, 3, null), against(200, 3 + SEEN_DELTA_B - 0.01, 1.9)], null],
    ['it is bluer', [against(24, 9, null), against(200, 3, null)], null],
    ['it changed since the first look', [against(24, 3, 0), against(200, 6.5, 3)], { deltaB: 3.5, than: 'first-look' }],
    ['the sample beside it did not', [against(200, 6.5, 3)], { deltaB: 3, than: 'sample' }],
    ['it is just seen', [against(24, 3, null), against(200, 5, null)], { deltaB: 2, than: 'first-look' }],
  ] as const)('where %s', (_when, checks, expected) => {
    expect(yellowedAt({ checks: [...checks] as Check[] }, 200)).toEqual(expected);
  });
});

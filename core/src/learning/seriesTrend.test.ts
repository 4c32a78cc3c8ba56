import { describe, expect, it } from 'vitest';
import { seriesTrend } from './seriesTrend';

const series = (...worst: (number | null)[]) =>
  seriesTrend(worst.map((w, i) => ({ code: `B-${i}`, worst: w, changes: [] })));

describe('attempts one after the other', () => {
  it.each([
    [[3, 2], 'too-few', '2 of 2 looked at; three make a trend.'],
    [[3, null, 2, null], 'too-few', '2 of 4 looked at; three make a trend.'],
    [[2, 2, 2], 'level', 'It stays as it was.'],
    [[2, 3, 2], 'level', 'It ends as it began.'],
    [[4, 3, 1], 'better', 'Less from the first to the last, though so few steps could be chance.'],
    [[4, 4, 3, 2, 1, 0], 'better', 'Less from the first to the last.'],
    [[0, 1, 2, 3, 4], 'worse', 'More from the first to the last.'],
  ] as const)('%j is %s', (worst, trend, says) => {
    expect(series(...worst)).toEqual({ trend, says });
  });
  it('leave out those that nobody looked at', () => {
    expect(series(4, null, 3, null, 2, null, 1, 0).trend).toBe('better');
  });
});

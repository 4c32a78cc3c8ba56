import { describe, expect, it } from 'vitest';
import { joinSteps, joinsDue, partsFault, partsOf } from './joins';

describe('castings that are joined', () => {
  const joined = { parts: ['B-0431/k1', 'B-0431/k4'], with: 'house-clear-6', holdMin: 140, bearsAfterMin: 7200 };
  it('are let go of and loaded when the resin allows, from when they were joined', () => {
    const due = joinsDue({ joins: [{ ...joined, joinedAt: '2026-03-14T09:00:00Z' }] });
    expect(due.map((d) => d.at)).toEqual(['2026-03-14T11:20:00.000Z', '2026-03-19T09:00:00.000Z']);
    expect(due[0]!.says).toBe('B-0431/k1 and B-0431/k4: let go of it, gently; it does not bear yet.');
  });
  it('are due nowhere before they are joined, or where no time is said', () => {
    expect(joinsDue({ joins: [joined] })).toEqual([]);
    expect(joinsDue({ joins: [{ parts: ['a', 'b'], joinedAt: '2026-03-14T09:00:00Z' }] })).toEqual([]);
    expect(joinsDue({})).toEqual([]);
  });
  it('are named by their batch and id, two at least, each once', () => {
    expect(partsOf(' B-0431/k1 , B-0431/k4,')).toEqual(joined.parts);
    expect(partsFault('B-0431/k1, B-0431/k4')).toBeNull();
    expect(partsFault('B-0431/k1')).toMatch(/two castings/);
    expect(partsFault('B-0431/k1, B-0431/k1')).toMatch(/twice/);
    expect(partsFault('B-0431/k1, B-04;31/k2')).toMatch(/^B-04;31/);
  });
  it('say what the card does not', () => {
    expect(joinSteps('House Clear 6', 140, 7200).join(' ')).toMatch(/quick adhesive.*Hold it for/);
    expect(joinSteps('House Clear 6', null, null).filter((s) => s.includes('does not say'))).toHaveLength(2);
  });
});

import { describe, expect, it } from 'vitest';
import { checksInOrder, latestGrade } from './batchChecks';

const check = (afterH: number, grade?: 'pass' | 'second' | 'scrap' | 'mend') => ({
  afterH,
  ...(grade ? { grade } : {}),
});

describe('the looks at a piece', () => {
  it('are told in the order they were made, and the record stays as it was written', () => {
    const checks = [check(168), check(24), check(72)];
    expect(checksInOrder({ checks }).map((c) => c.afterH)).toEqual([24, 72, 168]);
    expect(checks.map((c) => c.afterH)).toEqual([168, 24, 72]);
    expect(checksInOrder({})).toEqual([]);
    expect(checksInOrder({ checks: null })).toEqual([]);
  });
  it('leave the grade that was given last, though nobody graded since', () => {
    expect(latestGrade({ checks: [check(72), check(24, 'pass')] })).toBe('pass');
    expect(latestGrade({ checks: [check(48, 'second'), check(24, 'mend')] })).toBe('second');
    expect(latestGrade({ checks: [check(24)] })).toBeNull();
  });
});

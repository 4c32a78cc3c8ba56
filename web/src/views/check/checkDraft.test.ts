import { soundBatch } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { checkFrom, emptyCheck, toggled } from './checkDraft';
import { hoursSince } from '../../stores/hoursSince';

describe('a check being filled in', () => {
  it('taps symptoms in and out, the first pattern untold', () => {
    const one = toggled(emptyCheck(), 'bubbles');
    expect(one.symptoms).toEqual([{ kind: 'bubbles', pattern: 'unspecified', severity: null, where: null }]);
    expect(toggled(one, 'bubbles').symptoms).toEqual([]);
  });
  it('needs its hours, and names a figure that cannot be', () => {
    expect(checkFrom(emptyCheck())).toMatchObject({
      check: null,
      issues: { afterH: expect.stringContaining('hours') as string },
    });
    expect(Object.keys(checkFrom({ ...emptyCheck(), afterH: 24, shore: 140 }).issues)).toEqual(['shore']);
    expect(Object.keys(checkFrom({ ...emptyCheck(), texts: { afterH: 'noon' } }).issues)).toEqual(['afterH']);
  });
  it('becomes a check of the format, sound where nothing was tapped', () => {
    expect(checkFrom({ ...emptyCheck(), afterH: 24, grade: 'pass' }).check).toEqual({
      afterH: 24,
      shore: null,
      grade: 'pass',
      note: '',
      symptoms: [],
    });
  });
  it('counts its hours from when the parts met', () => {
    const batch = soundBatch('house-tide', { startedAt: '2026-03-14T10:00:00+01:00' });
    expect(hoursSince(batch, Date.parse('2026-03-15T10:30:00Z'))).toBe(25.5);
    expect(hoursSince(batch, Date.parse('2026-03-14T08:00:00Z'))).toBeNull();
    expect(hoursSince(soundBatch('house-tide', { startedAt: null }), 0)).toBeNull();
  });
});

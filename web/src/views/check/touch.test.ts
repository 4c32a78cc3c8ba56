import { PATTERNS_BY_SYMPTOM, TOUCHES, soundBatch, type Check } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { deltaBOf, emptyCheck, touched } from './checkDraft';
import { TOUCHED, symptomOfTouch } from './touch';

describe('what the fingers say', () => {
  it('has a tile for every touch of the format, once, with a pattern that the symptom has', () => {
    expect(TOUCHED.map((t) => t.touch).sort()).toEqual([...TOUCHES].sort());
    for (const { symptom } of TOUCHED)
      if (symptom) expect(PATTERNS_BY_SYMPTOM[symptom.kind]).toContain(symptom.pattern);
    expect(symptomOfTouch('hard-and-dry')).toBeNull();
  });
  it('brings its symptom, and takes it along again when another is felt', () => {
    const wet = touched(emptyCheck(), 'wet');
    expect(wet.symptoms).toEqual([{ kind: 'tacky', pattern: 'liquid', severity: null, where: null }]);
    expect(touched(wet, 'hard-and-dry').symptoms).toEqual([]);
    expect(touched(wet, 'dents').symptoms.map((s) => s.kind)).toEqual(['soft']);
  });
  it('leaves alone what was looked at closer', () => {
    const graded = {
      ...touched(emptyCheck(), 'wet'),
      symptoms: [{ kind: 'tacky' as const, pattern: 'liquid', severity: 3, where: null }],
    };
    expect(touched(graded, 'hard-and-dry').symptoms).toHaveLength(1);
  });
  it('fills in a pattern nobody told, and does not overrule one', () => {
    const told = (pattern: string) => ({
      ...emptyCheck(),
      symptoms: [{ kind: 'tacky' as const, pattern, severity: 2, where: null }],
    });
    expect(touched(told('unspecified'), 'greasy').symptoms[0]!.pattern).toBe('greasy-film');
    expect(touched(told('sticky-spots'), 'greasy').symptoms[0]!.pattern).toBe('sticky-spots');
  });
});

describe('the change of colour', () => {
  const look = (afterH: number, b: number): Check => ({
    afterH,
    photos: [{ id: 'x', colour: { cast: [1, 1, 1], card: [2, 2, 2], b, yellownessIndex: 0 } }],
  });
  it('is against the first measured look, and none where this is the first', () => {
    const batch = soundBatch('house-clear-6', { checks: [look(24, 2), look(100, 4)] });
    expect(deltaBOf(batch, look(200, 9.5))).toBeCloseTo(7.5, 6);
    expect(deltaBOf(soundBatch('house-clear-6', { checks: [] }), look(24, 2))).toBeNull();
    expect(deltaBOf(batch, { afterH: 300 })).toBeNull();
  });
});

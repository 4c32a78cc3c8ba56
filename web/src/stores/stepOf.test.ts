import { saltmarshCard, soundBatch } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { stepOf } from './stepOf';

const card = saltmarshCard('house-clear-6');
const batch = (record: Record<string, unknown>) => soundBatch('house-clear-6', record);

describe('where the code on a label leads', () => {
  it.each([
    ['the bench while nothing is weighed', { mix: null, pour: null, pressure: null, cure: null, checks: [] }, 'bench'],
    ['the bench while it cures', { cure: null, checks: [] }, 'bench'],
    ['the check once it is out of the mould', { checks: [] }, 'check'],
    [
      'the record once it is graded for good',
      { checks: [{ afterH: 2000, symptoms: [], grade: 'pass' as const }] },
      'batch',
    ],
  ])('%s', (_when, record, place) => {
    expect(stepOf(card, batch(record))).toBe(place);
  });
});

import { copiedPlan, saltmarshCard, soundBatch } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { formFromBatch } from './formFromBatch';
import { changedSinceCopy, copiedAs, fairness } from './sinceCopied';

const card = saltmarshCard('house-coat-9');
const batch = soundBatch('house-coat-9', { code: 'B-0007', mould: null, mix: { stirMin: 1.5 } });
const form = formFromBatch(copiedPlan(card, batch, []), new Set());

describe('a batch copied into the plan', () => {
  it('brings how it was made, the room it was made in too', () => {
    expect(form).toMatchObject({
      productSlug: 'house-coat-9',
      fill: 'mass',
      stirMin: 1.5,
      copiedFrom: { code: 'B-0007', changes: [] },
      roomC: batch.room!.temperatureC,
      humidityPct: batch.room!.humidityPct,
    });
    expect(form.massG).toBeCloseTo((batch.mix!.amountA ?? 0) + (batch.mix!.amountB ?? 0), 0);
  });
  it('goes into its mould only where the shelf still has it', () => {
    const pull = soundBatch('house-clear-6', { mould: { code: 'M-12' } });
    const from = (moulds: string[]) =>
      formFromBatch(copiedPlan(saltmarshCard('house-clear-6'), pull, []), new Set(moulds));
    expect(from(['M-12'])).toMatchObject({ fill: 'mould', mouldCode: 'M-12', massG: null });
    expect(from([])).toMatchObject({ fill: 'mass', mouldCode: null });
  });
  it('knows what was changed since, in words', () => {
    const copied = copiedAs(form);
    expect(changedSinceCopy(copied, form)).toEqual([]);
    expect(changedSinceCopy(copied, { ...form, stirMin: 3.6 })).toEqual(['Stir 3.6 min, was 1.5 min.']);
    expect(changedSinceCopy(copied, { ...form, stirMin: null, resinC: 30 })).toEqual([
      expect.stringContaining('Resin 30 °C, was'),
      'Other stir.',
    ]);
    expect(changedSinceCopy(null, { ...form, stirMin: 9 })).toEqual([]);
  });
  it('says what is otherwise today, and nothing of what was not recorded then', () => {
    expect(changedSinceCopy(copiedAs(form), { ...form, humidityPct: 70 })).toEqual(['Damp 70 %, was 52 %.']);
    expect(changedSinceCopy(copiedAs({ ...form, humidityPct: null }), { ...form, humidityPct: 70 })).toEqual([]);
  });
  it.each([
    [0, false, 'Nothing is changed yet'],
    [1, true, 'can tell'],
    [3, false, '3 things'],
  ])('with %i changes is fair: %s', (n, fair, words) => {
    expect(fairness(n).fair).toBe(fair);
    expect(fairness(n).says).toContain(words);
  });
});

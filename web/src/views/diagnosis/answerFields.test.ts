import { diagnose, saltmarshBatches, saltmarshCard, saltmarshYear, soundBatch } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { answerField } from './answerFields';

const clear = saltmarshCard('house-clear-6');

describe('a question of the diagnosis', () => {
  it('is answered in place by the entry that the log page has for it', () => {
    expect(answerField('room.humidityPct', clear, soundBatch('house-clear-6'))).toMatchObject({
      field: { path: 'room.humidityPct', kind: 'number' },
    });
    expect(answerField('mix.scrapedWalls', clear, soundBatch('house-clear-6'))).toMatchObject({
      field: { kind: 'yes-no' },
    });
  });
  it('leads elsewhere where one figure is no answer', () => {
    expect(answerField('additives', clear, soundBatch('house-clear-6'))).toMatchObject({ to: 'edit-batch' });
    expect(answerField('checks[].shore', clear, soundBatch('house-clear-6'))).toMatchObject({ to: 'check' });
    expect(answerField('mix.amountA', clear, soundBatch('house-clear-6', { mix: { amountA: null } }))).toMatchObject({
      to: 'edit-batch',
    });
  });
  it("always leads somewhere: every question asked of the demo studio's faults", () => {
    const now = new Date('2026-11-24T14:30:00Z');
    const batches = [
      ...saltmarshBatches(now),
      ...saltmarshYear(now)
        .slice(0, 240)
        .map((y) => y.batch),
    ].filter((b) => (b.checks ?? []).some((c) => (c.symptoms ?? []).length > 0));
    const asked = batches.flatMap((b) => {
      const card = saltmarshCard(b.product.slug);
      return diagnose(card, b).symptoms.flatMap((s) => s.ask.filter((a) => !a.test).map((a) => ({ a, card, b })));
    });
    expect(asked.length).toBeGreaterThan(10);
    for (const { a, card, b } of asked) {
      const answer = answerField(a.field, card, b);
      expect('field' in answer ? answer.field.path : answer.words, a.field).toBeTruthy();
    }
  });
});

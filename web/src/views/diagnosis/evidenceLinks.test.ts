import { diagnose, saltmarshCard, soundBatch } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { evidenceLinks, lineWidth, outsideBeside, shownCauses } from './evidenceLinks';

const diagnosis = diagnose(
  saltmarshCard('house-clear-6'),
  soundBatch('house-clear-6', {
    room: { humidityPct: 76 },
    mix: { tool: 'wood' },
    pressure: { reachedMin: 9.5 },
    checks: [{ afterH: 24, symptoms: [{ kind: 'bubbles', pattern: 'micro-throughout' }] }],
  }),
);
const symptom = diagnosis.symptoms[0]!;

describe('evidence drawn to its causes', () => {
  it('keeps what weighs most on the likeliest cause first', () => {
    const { rows } = evidenceLinks(symptom, diagnosis.limits);
    expect(
      rows
        .slice(0, 2)
        .map((r) => r.field)
        .sort(),
    ).toEqual(['mix.tool', 'room.humidityPct']);
    expect(rows.map((r) => r.weight)).toEqual([...rows.map((r) => r.weight)].sort((a, b) => b - a));
  });
  it('has one line for each piece of evidence of a shown cause, each from a row that is there', () => {
    const { rows, links } = evidenceLinks(symptom, diagnosis.limits);
    const { shown } = shownCauses(symptom);
    expect(links).toHaveLength(shown.reduce((n, c) => n + c.evidence.length, 0));
    const fields = new Set(rows.map((r) => r.field));
    expect(links.every((l) => fields.has(l.from) && shown.some((c) => c.id === l.to))).toBe(true);
  });
  it('ties a row to its limit strip, or leaves it a word where the card has no limit', () => {
    const { rows } = evidenceLinks(symptom, diagnosis.limits);
    expect(rows.find((r) => r.field === 'room.humidityPct')!.reading!.state).toBe('above');
    expect(rows.find((r) => r.field === 'mix.tool')!.reading).toBeNull();
  });
  it('keeps what else is outside the card apart from what the causes lean on', () => {
    const { rows } = evidenceLinks(symptom, diagnosis.limits);
    const beside = outsideBeside(rows, diagnosis.limits).map((r) => r.field);
    expect(beside.every((f) => !rows.some((r) => r.field === f))).toBe(true);
    const outside = diagnosis.limits.filter((r) => r.state === 'above' || r.state === 'below').map((r) => r.field);
    expect(outside.every((f) => beside.includes(f) || rows.some((r) => r.field === f))).toBe(true);
  });
  it('loses no share between the shown causes and the rest', () => {
    const { shown, restShare } = shownCauses(symptom);
    expect(shown.reduce((s, c) => s + c.share, 0) + restShare).toBeCloseTo(1, 9);
    expect(shown.map((c) => c.id)).toContain('something-else');
  });
  it('draws what is decisive thicker, either way', () => {
    expect(lineWidth(9)).toBeGreaterThan(lineWidth(2));
    expect(lineWidth(-9)).toBe(lineWidth(9));
  });
});

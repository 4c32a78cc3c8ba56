import { describe, expect, it } from 'vitest';
import { diagnose } from '../diagnosis/diagnose';
import { changeAnswer, madeDifferently } from '../learning/changeAnswer';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { copiedPlan, proposedChanges } from './nextBatch';

const deep = saltmarshCard('house-deep-40');
const short = soundBatch('house-coat-9', {
  code: 'B-0500',
  mix: { stirMin: 1, scrapedWalls: false },
  checks: [{ afterH: 48, symptoms: [{ kind: 'tacky', pattern: 'sticky-spots', severity: 3 }] }],
});

describe('the next batch', () => {
  it('proposes what the likeliest cause asks for, as settings of a plan', () => {
    const [symptom] = diagnose(saltmarshCard('house-coat-9'), short).symptoms;
    const [first] = proposedChanges(symptom!);
    expect(first).toMatchObject({ cause: 'under-mixed', set: { stirMin: 3.6 } });
    expect(proposedChanges(symptom!).every((c) => c.share >= 0.15)).toBe(true);
  });
  it('keeps what was recorded, lays the change over, and remembers it', () => {
    const plan = copiedPlan(saltmarshCard('house-coat-9'), short, [
      { says: 'Stirred 3.6 min', set: { stirMin: 3.6 }, cause: 'under-mixed' },
    ]);
    expect(plan.settings.stirMin).toBe(3.6);
    expect(plan.settings.resinC).toBe(short.resin!.atPourC);
    expect(plan.massG).toBeCloseTo(200, 6);
    expect(plan.copiedFrom).toEqual({ code: 'B-0500', changes: [{ cause: 'under-mixed', says: 'Stirred 3.6 min' }] });
  });
  it('keeps the room and a heated mould', () => {
    const warm = soundBatch('house-coat-9', {
      room: { temperatureC: 24, humidityPct: 61 },
      mould: { temperatureC: 45 },
    });
    const { settings } = copiedPlan(saltmarshCard('house-coat-9'), warm, []);
    expect(settings).toMatchObject({ roomC: 24, humidityPct: 61, mouldC: 45 });
  });
  it('scales the colour down to the loading it is changed to, and no further', () => {
    const loaded = soundBatch('house-deep-40', {
      additives: [
        { name: 'mica', kind: 'mica', massG: 12, applied: 'mixed' },
        { name: 'glitter', kind: 'glitter', massG: 4, applied: 'dusted' },
      ],
    });
    const scaled = copiedPlan(deep, loaded, [{ says: '', set: { mostLoadingPct: 3 } }]).additives;
    expect(scaled).toHaveLength(1);
    expect(scaled[0]!.pct).toBeLessThan(6);
    expect(copiedPlan(deep, loaded, []).additives[0]!.pct).toBeCloseTo(6, 6);
  });
  it('takes the route from what was done', () => {
    const route = (patch: Record<string, unknown>) =>
      copiedPlan(saltmarshCard('house-clear-6'), soundBatch('house-clear-6', patch), []).route;
    expect(route({})).toBe('vacuum-then-pressure');
    expect(route({ degas: { method: 'none' } })).toBe('pressure');
    expect(route({ degas: { method: 'none' }, pressure: { gaugeKPa: 0 } })).toBe('none');
    expect(route({ degas: { method: null }, pressure: null })).toBeNull();
  });
});

describe('the answer to a change', () => {
  const after = (patch: Record<string, unknown>) =>
    soundBatch('house-coat-9', { mix: { stirMin: 3.6, scrapedWalls: false }, ...patch });
  it('is better, the same or worse by the fault itself', () => {
    const seen = (severity: number) => ({
      checks: [{ afterH: 40, symptoms: [{ kind: 'tacky', pattern: 'sticky-spots', severity }] }],
    });
    expect(changeAnswer(short, after({ checks: [{ afterH: 40, symptoms: [] }] }), 'tacky')).toMatchObject({
      verdict: 'better',
      differs: ['mix.stirMin'],
    });
    expect(changeAnswer(short, after(seen(3)), 'tacky').verdict).toBe('same');
    expect(changeAnswer(short, after(seen(4)), 'tacky').verdict).toBe('worse');
    expect(changeAnswer(short, after({ checks: [] }), 'tacky').verdict).toBe('not yet');
    expect(changeAnswer(short, after(seen(2)), 'haze').verdict).toBe('nothing to compare');
  });
  it('says when more than the change differs, so that it cannot tell', () => {
    const two = changeAnswer(
      short,
      after({ room: { temperatureC: 29 }, checks: [{ afterH: 40, symptoms: [] }] }),
      'tacky',
    );
    expect(two.differs).toEqual(['mix.stirMin', 'room.temperatureC']);
    expect(two.says).toContain('cannot say which');
  });
  it('takes figures within a twentieth as held, and what one of them lacks as unknown', () => {
    expect(madeDifferently(short, soundBatch('house-coat-9', { mix: { stirMin: 1.02, scrapedWalls: null } }))).toEqual(
      [],
    );
  });
});

describe('a copy of a batch poured into several moulds', () => {
  it('fills them all again, each once', () => {
    const castings = [1, 2, 3].map((n) => ({ id: `k${n}`, mould: { code: n === 3 ? 'M-17' : 'M-12', cavity: n } }));
    const several = soundBatch('house-clear-6', { mould: null, castings });
    const copied = copiedPlan(saltmarshCard('house-clear-6'), several, []);
    expect([copied.mouldCode, copied.moreMoulds]).toEqual(['M-12', ['M-17']]);
    const one = copiedPlan(saltmarshCard('house-clear-6'), soundBatch('house-clear-6', { castings: null }), []);
    expect(one.moreMoulds).toEqual([]);
  });
});

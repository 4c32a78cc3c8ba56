import { describe, expect, it } from 'vitest';
import { limitReadings } from '../limits/limitReadings';
import { chanceFrom } from '../simulation/chance';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { castFacts, type CastFacts } from './castFacts';
import { controlChart } from './controlChart';
import { FACTORS } from '../formats/vocabulary';
import { levelWords } from './factors';
import { findPatterns } from './patterns';

const factsOf = (slug: string, patch: Record<string, unknown> = {}): CastFacts => {
  const batch = soundBatch(slug, patch);
  return castFacts(saltmarshCard(slug), batch, limitReadings(saltmarshCard(slug), batch));
};
const seen = (kind: string, pattern = 'unspecified') => ({
  checks: [{ afterH: 24, symptoms: [{ kind, pattern, severity: 3 }], grade: 'scrap' }],
});
const sound = { checks: [{ afterH: 24, symptoms: [], grade: 'pass' }] };

describe('the facts of a batch', () => {
  it('hold the level of every factor that was recorded', () => {
    const facts = factsOf('house-clear-6', {
      by: 'MT',
      startedAt: '2026-08-03T08:20:00+02:00',
      room: { temperatureC: 16, humidityPct: 75 },
      mix: { stirMin: 0.5 },
      cure: { lightMJPerCM2: 900 },
      pour: { leftG: 6 },
      ...seen('bubbles', 'same-spot'),
    });
    expect(facts.levels).toMatchObject({
      product: 'house-clear-6',
      person: 'MT',
      room: 'cold',
      damp: 'over',
      stir: 'short',
      lamp: 'on',
      season: '08',
      'time-of-day': 'before-nine',
      mould: 'M-12',
      loading: 'none',
      pressing: 'in-time',
    });
    expect(facts).toMatchObject({ looked: true, grade: 'scrap', leftG: 6, seen: ['bubbles', 'bubbles/same-spot'] });
    expect(facts.limits).toEqual(
      expect.arrayContaining(['room.temperatureC:below', 'room.humidityPct:above', 'mix.stirMin:below']),
    );
  });
  it('leave out what nobody wrote down: it is no level of its own', () => {
    const { levels } = factsOf('house-clear-6', {
      by: null,
      room: null,
      mix: { stirMin: null },
      additives: null,
      pressure: null,
      degas: null,
      mould: null,
      startedAt: null,
      cure: null,
    });
    for (const factor of [
      'person',
      'room',
      'damp',
      'stir',
      'loading',
      'pressing',
      'route',
      'mould',
      'season',
      'time-of-day',
      'lamp',
    ] as const)
      expect(levels[factor], factor).toBeUndefined();
  });
  it.each([
    [{ reachedMin: 40, releasedMin: 200 }, 'late'],
    [{ gaugeKPa: 120 }, 'low'],
    [{ releasedMin: 20 }, 'let-go'],
    [{ gaugeKPa: 0 }, 'not-pressed'],
  ])('of pressing %j is %s', (pressure, level) => {
    expect(factsOf('house-clear-6', { pressure }).levels.pressing).toBe(level);
  });
  it("call a scale coarse where its step alone is half the card's tolerance", () => {
    expect(factsOf('house-coat-9', { mix: { scaleStepG: 5 } }).levels.scale).toBe('coarse');
    expect(factsOf('house-coat-9', { mix: { scaleStepG: 0.1 } }).levels.scale).toBe('fine-enough');
  });
  it('are told in words for every factor', () => {
    for (const factor of FACTORS) expect(levelWords(factor, 'x'), factor).toMatch(/x$/);
    expect(levelWords('season', '08')).toBe('in August');
    expect(levelWords('product', 'house-tide', { 'house-tide': 'House Tide' })).toBe('of House Tide');
  });
});

/** A log in which faults come with one thing and not with what travels along or with what only looks alike. */
function log(seed: number, more: (i: number, damp: boolean) => Record<string, unknown> = () => ({})): CastFacts[] {
  const chance = chanceFrom(seed);
  const [bad, good, badDamp, goodDamp] = [
    factsOf('house-clear-6', seen('bubbles', 'micro-throughout')),
    factsOf('house-clear-6', sound),
    factsOf('house-clear-6', { room: { humidityPct: 80 }, ...seen('bubbles', 'micro-throughout') }),
    factsOf('house-clear-6', { room: { humidityPct: 80 }, ...sound }),
  ];
  return Array.from({ length: 160 }, (_, i) => {
    const damp = chance.flip(0.25);
    const fault = chance.flip(damp ? 0.6 : 0.1);
    const [spoiled, fine] = damp ? [badDamp, goodDamp] : [bad, good];
    const base = fault ? spoiled : fine;
    return {
      ...base,
      code: `B-${i}`,
      levels: { ...base.levels, person: chance.pick(['KO', 'MT', 'RV']), ...more(i, damp) },
    };
  });
}

describe('patterns', () => {
  it('find what faults come with, and say it in one sentence with its numbers', () => {
    const { findings, questions, looked } = findPatterns(log(5), { names: { 'house-clear-6': 'House Clear 6' } });
    expect(looked).toBe(160);
    const damp = findings.find((f) => f.factor === 'damp')!;
    expect(damp).toMatchObject({ level: 'over', kind: 'bubbles', confoundedWith: null, small: false });
    expect(damp.with.rate).toBeGreaterThan(damp.without.rate);
    expect(damp.parted.low).toBeGreaterThan(1);
    expect(damp.says).toContain(`${damp.with.k} of ${damp.with.n}`);
    expect(damp.says).toContain('in air damper than the card');
    expect(damp.says).toContain(`Of ${questions} questions asked`);
    expect(damp.independent).toBe(true);
    expect(findings.some((f) => f.factor === 'person')).toBe(false);
  });
  it('tell the same batches once, under both names', () => {
    const { findings } = findPatterns(log(5, (_i, damp) => ({ 'lot-b': damp ? 'B-52' : 'B-31' })));
    const told = findings.filter((f) => ['damp', 'lot-b'].includes(f.factor));
    expect(told).toHaveLength(1);
    expect(told[0]!.same).toHaveLength(1);
  });
  it('part what only travels along from what acts', () => {
    const chance = chanceFrom(9);
    const { findings } = findPatterns(
      log(5, (_i, damp) => ({ season: chance.flip(damp ? 0.75 : 0.12) ? '08' : '03' })),
    );
    const [damp, season] = ['damp', 'season'].map((factor) => findings.find((f) => f.factor === factor));
    expect(damp!.confoundedWith).toBeNull();
    if (season) expect(season.parted.oddsRatio).toBeLessThan(damp!.parted.oddsRatio);
  });
  it('compare a lot with batches of its own product, not with those of another', () => {
    const tide = Array.from({ length: 60 }, (_, i) => ({ ...factsOf('house-tide', sound), code: `T-${i}` }));
    const clear = Array.from({ length: 40 }, (_, i) => {
      const f = factsOf('house-clear-6', i % 2 ? seen('bubbles') : sound);
      return { ...f, code: `C-${i}`, levels: { ...f.levels, 'lot-a': i % 4 < 2 ? 'A-1' : 'A-2' } };
    });
    const { findings } = findPatterns([...tide, ...clear]);
    expect(findings.some((f) => f.factor === 'product')).toBe(true);
    expect(findings.some((f) => f.factor === 'lot-a')).toBe(false);
  });
  it('call small samples small', () => {
    const few = [
      ...Array.from({ length: 6 }, (_, i) => {
        const f = factsOf('house-clear-6', seen('haze'));
        return { ...f, code: `H-${i}`, levels: { ...f.levels, mould: 'M-99' } };
      }),
      ...Array.from({ length: 60 }, (_, i) => ({ ...factsOf('house-clear-6', sound), code: `S-${i}` })),
    ];
    const found = findPatterns(few).findings.find((f) => f.factor === 'mould')!;
    expect(found.small).toBe(true);
    expect(found.says).toContain('Few castings');
  });
  it('leave out what nobody looked at, and are nothing for an empty log', () => {
    const blind = log(5).map((f) => ({ ...f, looked: false }));
    expect(findPatterns(blind)).toMatchObject({ batches: 160, looked: 0, findings: [], rates: [] });
    expect(findPatterns([])).toMatchObject({ batches: 0, questions: 0 });
  });
  it('tell progress up to the whole', () => {
    const told: number[] = [];
    findPatterns(log(5), { onProgress: (share) => told.push(share) });
    expect(told).toEqual([...told].sort((a, b) => a - b));
    expect(told.at(-1)).toBe(1);
  });
});

describe('the control chart', () => {
  const at = (day: number, bad: boolean): CastFacts => ({
    ...factsOf('house-clear-6', bad ? seen('bubbles') : sound),
    startedAt: new Date(Date.parse('2026-01-05T10:00:00Z') + day * 86_400_000).toISOString(),
  });
  const days = Array.from({ length: 240 }, (_, i) => at(i, i < 120 ? i % 10 === 0 : i % 2 === 0));
  it('counts every casting once, and finds the change', () => {
    const { points, stretches } = controlChart(days, 'bubbles');
    expect(points.reduce((sum, p) => sum + p.n, 0)).toBe(240);
    expect(points.reduce((sum, p) => sum + p.k, 0)).toBe(72);
    expect(stretches).toHaveLength(2);
    expect(Math.abs(Date.parse(stretches[1]!.from) - Date.parse(days[120]!.startedAt!))).toBeLessThan(15 * 86_400_000);
    for (const p of points) {
      expect(p.upper).toBeLessThanOrEqual(1);
      expect(p.lower).toBeGreaterThanOrEqual(0);
    }
  });
  it('is bounded in cells whatever year somebody typed, and says what it leaves out', () => {
    const odd = ['1026-05-01T10:00:00Z', '2199-01-01T10:00:00Z', 'no moment'].map((startedAt) => ({
      ...days[0]!,
      startedAt,
    }));
    const chart = controlChart([...odd, ...days], null);
    expect(chart.points.reduce((sum, p) => sum + p.n, 0)).toBe(240);
    expect(chart.leftOut).toBe(2);
    expect(chart.points.length).toBeLessThan(60);
    expect(controlChart(days, null).leftOut).toBeUndefined();
  });
  it('begins its weeks on a Monday', () => {
    for (const p of controlChart(days, null).points) expect(new Date(p.from).getUTCDay()).toBe(1);
  });
  it('is empty where nothing was looked at', () => {
    expect(
      controlChart(
        days.map((d) => ({ ...d, looked: false })),
        null,
      ),
    ).toEqual({ points: [], stretches: [] });
  });
});

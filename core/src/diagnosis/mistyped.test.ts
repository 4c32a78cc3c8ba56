import { describe, expect, it } from 'vitest';
import { batchSchema } from '../formats/batch';
import { shareCalibration } from '../learning/shareCalibration';
import { chanceFrom } from '../simulation/chance';
import { hiddenCase } from '../simulation/hiddenCase';
import { withMistypes } from '../simulation/mistypes';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { wordsIn } from '../units/wording';
import { diagnose } from './diagnose';
import { doubtsOf } from './doubts';
import { FINDS_MISTYPED, meantInstead } from './likelyFigures';
import { withErrors } from './mistypedEvidence';

const CARD = saltmarshCard('house-clear-6');
const doubts = (patch: Record<string, unknown>) => doubtsOf(CARD, soundBatch('house-clear-6', patch), wordsIn());

describe('figures that are hardly likely', () => {
  it.each<[string, Record<string, unknown>, string, number]>([
    ['a tenth of the room', { room: { temperatureC: 2.1 } }, 'room.temperatureC', 21],
    ['ten times the room', { room: { temperatureC: 220 } }, 'room.temperatureC', 22],
    ['digits changed about', { resin: { atPourC: 52 } }, 'resin.atPourC', 25],
    ['ten times the stir', { mix: { stirMin: 20 } }, 'mix.stirMin', 2],
    ['ten times the pressure', { pressure: { gaugeKPa: 3000 } }, 'pressure.gaugeKPa', 300],
    ['ten times the depth', { pour: { depthMm: 250 } }, 'pour.depthMm', 25],
    ['damp of a desert', { room: { humidityPct: 5.5 } }, 'room.humidityPct', 55],
    ['a tenth of the hardener', { mix: { amountA: 150, amountB: 12.3 } }, 'mix.amountB', 123],
  ])('%s: what was meant is asked', (_what, patch, field, meant) => {
    const found = doubts(patch).find((d) => d.field === field)!;
    expect(found.meant).toBeCloseTo(meant, 6);
    expect(found.says).toMatch(/Was .* meant\?/);
  });
  it('are never figures that are only outside of their limit', () => {
    for (const patch of [
      { room: { temperatureC: 12, humidityPct: 85 }, cure: { temperatureC: 12 } },
      { mix: { stirMin: 0.4 } },
      { pressure: { gaugeKPa: 120 } },
      { pour: { depthMm: 90 } },
    ])
      expect(doubts(patch), JSON.stringify(patch)).toEqual([]);
  });
  it('stand once somebody has looked again, and only as they were then', () => {
    const patch = { room: { temperatureC: 2.1 }, readAgain: [{ field: 'room.temperatureC', value: 2.1 }] };
    expect(doubts(patch)).toEqual([]);
    expect(doubts({ ...patch, room: { temperatureC: 1.9 } })).toHaveLength(1);
  });
  it('have one figure further left, one further right, and each pair changed about', () => {
    expect(meantInstead(26)).toEqual([2.6, 260, 62]);
    expect(meantInstead(21.5)).toContain(12.5);
  });
});

describe('a diagnosis of such a record', () => {
  const found = (patch: Record<string, unknown>, kind = 'tacky', pattern = 'tacky-all-over') => {
    const batch = batchSchema.parse({
      ...soundBatch('house-clear-6', patch),
      checks: [{ afterH: 48, symptoms: [{ kind, pattern }] }],
    });
    return diagnose(CARD, batch);
  };
  const cold = (patch: Record<string, unknown>) =>
    found(patch).symptoms[0]!.causes.find((c) => c.id === 'cold-cure')!.share;
  it('marks the figure, asks first, and believes the rest', () => {
    const told = found({ room: { temperatureC: -3.4 }, cure: { temperatureC: null } });
    const plain = found({ room: { temperatureC: null }, cure: { temperatureC: null } });
    expect(told.doubts).toEqual([]);
    const wrong = found({ pour: { depthMm: 250 } });
    expect(wrong.doubts).toMatchObject([{ field: 'pour.depthMm', meant: 25 }]);
    expect(wrong.limits.find((l) => l.field === 'pour.depthMm')!.doubt).toContain('25 mm');
    expect(wrong.symptoms[0]!.ask[0]).toMatchObject({ field: 'pour.depthMm', meant: 25 });
    expect(plain.symptoms[0]!.causes.length).toBeGreaterThan(3);
  });
  it('moves without a leap from what is believed to what is not', () => {
    const shares = Array.from({ length: 250 }, (_, i) =>
      cold({ room: { temperatureC: 24 - i * 0.1 }, cure: { temperatureC: null } }),
    );
    const steps = shares.slice(1).map((s, i) => Math.abs(s - shares[i]!));
    expect(Math.max(...steps)).toBeLessThan(0.08);
  });
});

describe('evidence where any figure may be wrong', () => {
  const piece = (field: string, points: number, measured: number | string = 1) => ({
    field,
    points,
    measured,
    limit: null,
    unit: '',
    says: '',
  });
  it('is bounded by the chance that its field is wrong, however many rules read it', () => {
    const sum = (list: ReturnType<typeof piece>[], e: number) => withErrors(list, e).reduce((s, p) => s + p.points, 0);
    expect(sum([piece('a', 60)], 0.094)).toBeCloseTo(10, 1);
    expect(sum([piece('a', 30), piece('a', 30)], 0.094)).toBeCloseTo(10, 1);
    expect(sum([piece('a', 30), piece('b', 30)], 0.1)).toBeGreaterThan(15);
    expect(sum([piece('a', 12)], 0)).toBeCloseTo(11.6, 1);
    expect(sum([piece('a', 12, 'yes')], 0)).toBeLessThan(11.6);
    expect(sum([piece('a', -8)], 0.1)).toBe(-8);
  });
});

describe('shares under bad data', () => {
  it('hold: a fifth missing, a tenth mistyped', () => {
    const { leading, leadingError } = shareCalibration(1200, 20261127, { missing: 0.2, mistyped: 0.1 });
    const sure = leading.at(-1)!;
    expect(sure.given).toBeGreaterThan(300);
    expect(sure.rate.rate).toBeGreaterThan(0.94);
    expect(leadingError).toBeLessThan(0.04);
  });
  it('are made of records that the format takes, with about a tenth of the figures changed', () => {
    const chance = chanceFrom(4);
    const { batch, product } = hiddenCase(chance, { maxGaps: 0 });
    const written = Array.from({ length: 60 }, () => withMistypes(batch, chance, 0.1));
    expect(written.every((b) => batchSchema.safeParse(b).success)).toBe(true);
    const changed = written.filter((b) => JSON.stringify(b) !== JSON.stringify(batch)).length;
    expect(changed).toBeGreaterThan(30);
    expect(FINDS_MISTYPED.flatMap((find) => find(product, batch))).toEqual([]);
  });
});

import { describe, expect, it } from 'vitest';
import type { CauseId } from '../formats/vocabulary';
import { batchSchema } from '../formats/batch';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { wordsIn } from '../units/wording';
import { diagnose } from './diagnose';
import { doubtsOf } from './doubts';

const found = (
  slug: string,
  kind: string,
  pattern: string,
  afterH: number,
  patch: Record<string, unknown> = {},
  now?: Date,
) => {
  const batch = batchSchema.parse({ ...soundBatch(slug, patch), checks: [{ afterH, symptoms: [{ kind, pattern }] }] });
  return diagnose(saltmarshCard(slug), batch, now ? { now } : {}).symptoms.at(-1)!;
};
const shareOf = (f: ReturnType<typeof found>, id: CauseId) => f.causes.find((c) => c.id === id)?.share ?? 0;
const evidenceOf = (f: ReturnType<typeof found>, id: CauseId, field: string) =>
  f.causes.find((c) => c.id === id)?.evidence.find((e) => e.field === field);

/** The largest step between neighbours of a sweep. */
const leap = (values: readonly number[]) => Math.max(...values.slice(1).map((v, i) => Math.abs(v - values[i]!)));
const sweep = (from: number, to: number, steps: number) =>
  Array.from({ length: steps + 1 }, (_, i) => from + ((to - from) * i) / steps);

describe('a figure at its edges', () => {
  it('dew point: evidence moves with the spread, never by a leap', () => {
    const at = sweep(58, 92, 170).map(
      (humidityPct) =>
        evidenceOf(
          found('house-coat-9', 'tacky', 'greasy-film', 48, { room: { temperatureC: 22, humidityPct } }),
          'amine-blush',
          'air.dewPointSpreadK',
        )?.points ?? 0,
    );
    expect(leap(at)).toBeLessThan(1.2);
    const shares = sweep(58, 92, 170).map((humidityPct) =>
      shareOf(
        found('house-coat-9', 'haze', 'unspecified', 48, { room: { temperatureC: 22, humidityPct } }),
        'amine-blush',
      ),
    );
    expect(leap(shares)).toBeLessThan(0.06);
    for (let i = 1; i < shares.length; i += 1) expect(shares[i]!).toBeGreaterThanOrEqual(shares[i - 1]! - 1e-6);
  });
  it('too soon: from the moment the parts meet to long after, it only ever falls', () => {
    const hours = [0, 1e-6, 0.001, 0.01, 0.1, ...sweep(0.5, 40, 158)];
    const shares = hours.map((h) =>
      shareOf(found('house-coat-9', 'tacky', 'tacky-all-over', h, { cure: { demouldedMin: null } }), 'too-soon'),
    );
    expect(shares[0]).toBeGreaterThan(0.85);
    for (let i = 1; i < shares.length; i += 1) expect(shares[i]!).toBeLessThanOrEqual(shares[i - 1]! + 1e-6);
    expect(leap(shares)).toBeLessThan(0.08);
    expect(shares.at(-1)).toBeLessThan(0.1);
  });
  it('ratio: inside its tolerance it never leads, and it grows without a leap', () => {
    const errors = sweep(-9, 9, 180);
    const shares = errors.map((pct) =>
      shareOf(
        found('house-deep-40', 'tacky', 'tacky-all-over', 150, {
          mix: { amountA: 150, amountB: 66 * (1 + pct / 100) },
        }),
        'ratio-off',
      ),
    );
    errors.forEach((pct, i) => {
      if (Math.abs(pct) < 2.95) expect(shares[i], `${pct.toFixed(1)} %`).toBeLessThan(0.4);
    });
    expect(leap(shares)).toBeLessThan(0.12);
    expect(shares[0]).toBeGreaterThan(0.8);
    expect(shares.at(-1)).toBeGreaterThan(0.8);
  });
  it.each([
    ['stir', 'house-deep-40', 'tacky', 'sticky-spots', 'under-mixed', (v: number) => ({ mix: { stirMin: v } }), 5, 0.2],
    [
      'gauge',
      'house-clear-6',
      'bubbles',
      'micro-throughout',
      'pressure-low',
      (v: number) => ({ pressure: { gaugeKPa: v } }),
      345,
      20,
    ],
    [
      'humidity',
      'house-clear-6',
      'bubbles',
      'micro-throughout',
      'damp-resin',
      (v: number) => ({ room: { humidityPct: v } }),
      40,
      95,
    ],
    [
      'light',
      'house-noon',
      'soft',
      'deep-under-skin',
      'under-exposed',
      (v: number) => ({ cure: { lightMJPerCM2: v } }),
      1600,
      50,
    ],
    [
      'room',
      'house-coat-9',
      'tacky',
      'tacky-all-over',
      'cold-cure',
      (v: number) => ({ room: { temperatureC: v, humidityPct: 40 }, cure: { temperatureC: v } }),
      26,
      8,
    ],
    [
      'moisture',
      'house-clear-6',
      'bubbles',
      'around-inclusion',
      'wet-inclusion',
      (v: number) => ({ inclusions: [{ what: 'oak', kind: 'wood', moisturePct: v, sealed: true }] }),
      4,
      25,
    ],
    [
      'paste',
      'house-coat-9',
      'tacky',
      'tacky-all-over',
      'too-much-additive',
      (v: number) => ({ additives: [{ kind: 'pigment-paste', massG: v }] }),
      6,
      40,
    ],
  ] as const)(
    '%s: the worse the figure, the more of it, without a leap',
    (_name, slug, kind, pattern, id, patch, good, bad) => {
      const shares = sweep(good, bad, 120).map((v) => shareOf(found(slug, kind, pattern, 60, patch(v)), id));
      for (let i = 1; i < shares.length; i += 1)
        expect(shares[i]!, String(i)).toBeGreaterThanOrEqual(shares[i - 1]! - 0.012);
      expect(leap(shares)).toBeLessThan(0.22);
      expect(shares.at(-1)! - shares[0]!).toBeGreaterThan(0.3);
    },
  );
});

describe('what is asked about before it is believed', () => {
  it('a look in the future, or after a lifetime', () => {
    const now = new Date('2026-03-14T12:00:00Z');
    const doubt = (afterH: number) => {
      const look = { checks: [{ afterH, symptoms: [{ kind: 'tacky', pattern: 'liquid' }] }] };
      const batch = batchSchema.parse({ ...soundBatch('house-coat-9'), ...look });
      return doubtsOf(saltmarshCard('house-coat-9'), batch, wordsIn(), now);
    };
    expect(doubt(1).filter((d) => d.field.startsWith('checks'))).toEqual([]);
    expect(doubt(3).filter((d) => d.field.startsWith('checks'))).toHaveLength(1);
    expect(doubt(99_999).filter((d) => d.field.startsWith('checks'))).toHaveLength(1);
  });
});

describe('a light-cured part that reads flat', () => {
  it('is told of light alone, never of ratio or mixing', () => {
    const batch = batchSchema.parse({
      ...soundBatch('house-noon', { cure: { lightMJPerCM2: 400 } }),
      checks: [
        { afterH: 2, shore: 40 },
        { afterH: 26, shore: 40, symptoms: [{ kind: 'soft', pattern: 'all-over' }] },
      ],
    });
    const { causes, mend } = diagnose(saltmarshCard('house-noon'), batch).symptoms.at(-1)!;
    expect(causes[0]!.id).toBe('under-exposed');
    expect(causes.map((c) => c.id)).not.toEqual(expect.arrayContaining(['ratio-off']));
    expect(JSON.stringify([mend, causes.flatMap((c) => c.evidence)])).not.toMatch(/ratio|stirr/);
  });
});

describe('what an expert asks first', () => {
  it('a field that can be typed now goes before a test of days, and nothing is asked that is known', () => {
    const bare = found('house-deep-40', 'soft', 'all-over', 60, {
      mix: { stirMin: null, amountB: null },
      room: null,
      cure: null,
    });
    const efforts = bare.ask.map((a) => a.effortMin ?? 0);
    expect(efforts.length).toBeGreaterThan(1);
    const firstSlow = efforts.findIndex((e) => e >= 24 * 60);
    if (firstSlow >= 0) expect(efforts.slice(firstSlow).every((e) => e >= 24 * 60)).toBe(true);
    const fields = bare.ask.map((a) => a.field);
    expect(fields).not.toContain('mix.scrapedWalls');
    expect(new Set(fields).size).toBe(fields.length);
  });
});

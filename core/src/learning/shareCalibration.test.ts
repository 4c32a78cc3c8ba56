import { describe, expect, it } from 'vitest';
import { batchSchema } from '../formats/batch';
import { chanceFrom } from '../simulation/chance';
import { INJECTED_FAULTS, hiddenCase } from '../simulation/hiddenCase';
import { CATALOGUE } from '../diagnosis/catalogue';
import { shareCalibration } from './shareCalibration';

/** Enough for each tenth to be told within a few points; the benchmark uses 5 000. */
const CASES = 3000;

describe('batches with a hidden cause', () => {
  it('are the same for the same seed, and whole documents', () => {
    const made = (seed: number) => {
      const chance = chanceFrom(seed);
      return Array.from({ length: 20 }, () => hiddenCase(chance));
    };
    expect(made(3)).toEqual(made(3));
    expect(made(3).map((m) => m.cause)).not.toEqual(made(4).map((m) => m.cause));
    for (const { batch } of made(5)) expect(batchSchema.parse(batch)).toEqual(batch);
  });
  it('know a slip for every cause of the catalogue, and hide each of them sooner or later', () => {
    expect(CATALOGUE.filter((c) => !INJECTED_FAULTS[c.id]).map((c) => c.id)).toEqual([]);
    const chance = chanceFrom(9);
    const hidden = new Set(Array.from({ length: 2500 }, () => hiddenCase(chance).cause));
    expect(CATALOGUE.filter((c) => !hidden.has(c.id)).map((c) => c.id)).toEqual([]);
  });
});

describe('the shares', () => {
  const { rows, leading, leadingError, firstRight, error } = shareCalibration(CASES, 20261126);
  it.each(rows.map((r) => [`${Math.round(r.from * 100)}–${Math.round(r.to * 100)} %`, r] as const))(
    'given as %s come true as often',
    (_tenth, row) => {
      expect(row.given).toBeGreaterThan(60);
      expect(row.rate.low - 0.03).toBeLessThan(row.meanShare);
      expect(row.rate.high + 0.03).toBeGreaterThan(row.meanShare);
    },
  );
  it('are near the line on the whole, and the cause given most is mostly the one', () => {
    expect(error).toBeLessThan(0.015);
    expect(firstRight).toBeGreaterThan(0.7);
  });
  it('of the leading cause come true as often, and every case has one', () => {
    expect(leading.reduce((sum, r) => sum + r.given, 0)).toBe(CASES);
    expect(leading.reduce((sum, r) => sum + r.right, 0) / CASES).toBe(firstRight);
    expect(leadingError).toBeLessThan(0.04);
    for (const row of leading.filter((r) => r.given > 60)) {
      expect(row.rate.low - 0.03, String(row.from)).toBeLessThan(row.meanShare);
      expect(row.rate.high + 0.03, String(row.from)).toBeGreaterThan(row.meanShare);
    }
  });
  it('are right less often where figures have slipped by a factor of ten', () => {
    expect(shareCalibration(600, 5, { tenTimesOut: 3 }).firstRight).toBeLessThan(shareCalibration(600, 5).firstRight);
  });
  it('tell less from a record full of holes', () => {
    expect(shareCalibration(900, 5, { maxGaps: 0.95 }).firstRight).toBeLessThan(
      shareCalibration(900, 5, { maxGaps: 0 }).firstRight - 0.07,
    );
  });
});

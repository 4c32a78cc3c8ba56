import { describe, expect, it } from 'vitest';
import { FACTORS } from '../formats/vocabulary';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { saltmarshYear } from '../simulation/saltmarshYear';
import { adjustedOdds } from './adjustedOdds';
import { batchFacts, castingFacts } from './batchFacts';
import type { CastFacts } from './castFacts';
import { castingWeights, designEffect, shows, wholeTable, withinMix } from './clusters';
import { fisherExact } from './fisherExact';
import { isOverLimit } from './limitLevels';
import { columnsOf, type Level } from './logColumns';
import { findPatterns } from './patterns';
import { ridgeLogistic } from './ridgeLogistic';
import { explainedBy, limitScene } from './standsApart';
import { tally } from './tally';

const YEAR = saltmarshYear(new Date('2026-11-24T14:30:00Z')).map(({ batch }) =>
  batchFacts(saltmarshCard(batch.product.slug), batch),
);
const LOOKED = castingFacts(YEAR).filter((f) => f.looked);
const OUTCOMES = [...new Set(LOOKED.flatMap((f) => f.seen))];
const has = (f: CastFacts, { factor, level }: Level) => f.levels[factor] === level;
const mixOf = (f: CastFacts, i: number) => (f.casting === undefined ? `${i}` : `mix ${f.code}`);
const isFaulty = (outcome: string) => (f: CastFacts) => f.seen.includes(outcome);
const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0);

/** What each casting counts for, mix by mix, written down as it is told (Donner and Klar). */
function plainWeights(outcome: string): number[] {
  const mixes = new Map<string, CastFacts[]>();
  LOOKED.forEach((f, i) => mixes.set(mixOf(f, i), [...(mixes.get(mixOf(f, i)) ?? []), f]));
  const all = [...mixes.values()].map((m) => ({ n: m.length, k: m.filter(isFaulty(outcome)).length }));
  const [N, K] = [LOOKED.length, all.length];
  const rate = sum(all.map((m) => m.k)) / N;
  const between = sum(all.map((m) => m.n * (m.k / m.n - rate) ** 2)) / (K - 1);
  const within = sum(all.map((m) => m.k * (1 - m.k / m.n))) / (N - K);
  const size = (N - sum(all.map((m) => m.n ** 2)) / N) / (K - 1);
  const total = between + (size - 1) * within;
  const rho = total <= 0 ? 0 : Math.min(1, Math.max(0, (between - within) / total));
  return LOOKED.map((f, i) => 1 / (1 + (mixes.get(mixOf(f, i))!.length - 1) * rho));
}

/** The limit that explains a group before its name does, casting by casting. */
function plainlyExplained(outcome: string, at: Level): Level | null {
  if (isOverLimit(at)) return null;
  const weights = plainWeights(outcome);
  const products = new Set(LOOKED.filter((f) => has(f, at)).map((f) => f.levels.product));
  const limits = new Map<string, Level>();
  for (const f of LOOKED)
    for (const factor of FACTORS) {
      const level = { factor, level: f.levels[factor] ?? '' };
      if (isOverLimit(level)) limits.set(`${factor} ${level.level}`, level);
    }
  const chance = (cells: [number, number, number, number]) => {
    const [a, b, c, d] = wholeTable(cells);
    return a * (c + d) > c * (a + b) ? fisherExact(a, b, c, d) / 2 : 1;
  };
  const cellsOf = (rows: readonly number[], isFirst: (f: CastFacts) => boolean): [number, number, number, number] => {
    const worth = (first: boolean, faulty: boolean) =>
      sum(
        rows
          .filter((i) => isFirst(LOOKED[i]!) === first && isFaulty(outcome)(LOOKED[i]!) === faulty)
          .map((i) => weights[i]!),
      );
    return [worth(true, true), worth(true, false), worth(false, true), worth(false, false)];
  };
  const explains = [...limits.values()].flatMap((limit) => {
    const rows = LOOKED.flatMap((f, i) =>
      products.has(f.levels.product) && f.levels[limit.factor] !== undefined ? [i] : [],
    );
    const kept = rows.filter((i) => !has(LOOKED[i]!, limit) && LOOKED[i]!.levels[at.factor] !== undefined);
    if (!rows.some((i) => has(LOOKED[i]!, limit) && has(LOOKED[i]!, at))) return [];
    const p = chance(cellsOf(rows, (f) => has(f, limit)));
    return p < 0.05 && chance(cellsOf(kept, (f) => has(f, at))) >= 0.05 ? [{ limit, p }] : [];
  });
  return explains.sort((a, b) => a.p - b.p)[0]?.limit ?? null;
}

describe('a log in columns', () => {
  const columns = columnsOf(LOOKED);
  it('holds what the facts hold', () => {
    expect(LOOKED.length).toBeGreaterThan(200);
    for (const [i, f] of LOOKED.entries()) {
      for (const factor of FACTORS) expect(columns.levels[columns.levelOf[factor][i]!]?.level).toBe(f.levels[factor]);
      expect(columns.products[columns.productOf[i]!]).toBe(f.levels.product ?? '');
      expect(OUTCOMES.filter((o) => columns.shows(o)[i] === 1)).toEqual(OUTCOMES.filter((o) => f.seen.includes(o)));
    }
    expect(columns.count('nothing of the kind')).toBe(0);
    expect(columns.placeOf({ factor: 'mould', level: 'M-99' })).toBe(-1);
  });
  it('is worked out once for the same list', () => {
    expect(columnsOf(LOOKED)).toBe(columns);
    expect(columnsOf([...LOOKED])).not.toBe(columns);
  });
});

describe('what is learned by columns is what is learned casting by casting', () => {
  const columns = columnsOf(LOOKED);
  it.each(OUTCOMES)('weights and the widening of %s', (outcome) => {
    const plain = plainWeights(outcome);
    const weights = castingWeights(LOOKED, shows(outcome))!;
    // Summed in another order, so equal but for the machine's rounding.
    plain.forEach((w, i) => {
      expect(weights[i]).toBeCloseTo(w, 12);
    });
    expect(designEffect(LOOKED, shows(outcome))).toBeCloseTo(LOOKED.length / sum(plain), 12);
    // Asked by a function that names no outcome it is the same.
    expect(withinMix(LOOKED, isFaulty(outcome))).toBe(withinMix(LOOKED, shows(outcome)));
  });
  it('counts by level and product, weighted and not', () => {
    const { sizes, of: mixOfCasting, largest } = columns.mixes!;
    const bySize = Float64Array.from({ length: largest + 1 }, (_, m) => 1 / (1 + m));
    expect(largest).toBeGreaterThan(2);
    const weights = LOOKED.map((_, i) => 1 / (1 + sizes[mixOfCasting[i]!]!));
    for (const of of [null, weights]) {
      const t = tally(LOOKED, OUTCOMES, of === null ? null : bySize);
      t.levels.forEach((level, l) =>
        t.products.forEach((product, p) => {
          const rows = LOOKED.flatMap((f, i) => (has(f, level) && (f.levels.product ?? '') === product ? [i] : []));
          expect(t.n(l, p)).toBeCloseTo(sum(rows.map((i) => of?.[i] ?? 1)), 9);
          const o = l % OUTCOMES.length;
          const bad = rows.filter((i) => LOOKED[i]!.seen.includes(OUTCOMES[o]!));
          expect(t.k(o, l, p)).toBeCloseTo(sum(bad.map((i) => of?.[i] ?? 1)), 9);
        }),
      );
    }
  });
  const findings = findPatterns(YEAR).findings;
  const headOf = (f: (typeof findings)[number]): [string, Level] => [
    f.pattern === null ? f.kind : `${f.kind}/${f.pattern}`,
    { factor: f.factor, level: f.level },
  ];
  it('what explains a group before its name does', () => {
    expect(findings.length).toBeGreaterThan(2);
    const scene = limitScene(LOOKED);
    for (const [outcome, at] of findings.map(headOf))
      expect(explainedBy(scene, castingWeights(LOOKED, shows(outcome)), outcome, at)).toEqual(
        plainlyExplained(outcome, at),
      );
  });
  it('the odds that are left, by the regression on every casting', () => {
    const [outcome] = headOf(findings[0]!);
    const levels = findings.map((f) => headOf(f)[1]).filter((l) => l.factor !== 'product');
    const products = [...new Set(LOOKED.map((f) => f.levels.product ?? ''))].sort().slice(1);
    const features: Level[] = [...levels, ...products.map((level) => ({ factor: 'product' as const, level }))];
    const fit = ridgeLogistic(
      LOOKED.map((f) => features.flatMap((at, i) => (has(f, at) ? [i] : []))),
      LOOKED.map(isFaulty(outcome)),
      features.length,
    );
    adjustedOdds(LOOKED, [outcome], levels)
      .get(outcome)!
      .forEach(({ oddsRatio }, i) => expect(oddsRatio).toBeCloseTo(Math.exp(fit.beta[i]!), 9));
  });
});

import { describe, expect, it } from 'vitest';
import { chanceFrom } from '../simulation/chance';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import type { Batch } from '../formats/batch';
import { castingAsBatch } from '../castings/castingAsBatch';
import { batchFacts, castingFacts, type BatchFacts } from './batchFacts';
import { changeAnswer, worstOf } from './changeAnswer';
import { controlChart } from './controlChart';
import { designEffect, shows, wholeTable, withinMix } from './clusters';
import { fairTrial } from './fairTrial';
import { findPatterns } from './patterns';
import { mouldLives } from './mouldLife';
import { studioFigures } from './studioFigures';

const card = saltmarshCard('house-clear-6');
const A_WEEK_MS = 7 * 86_400_000;
const bubbles = [{ kind: 'bubbles' as const, pattern: 'micro-throughout' }];

/** A batch of several castings; `bad` says which show bubbles. */
function several(i: number, bad: readonly boolean[], over: Partial<Batch> = {}): BatchFacts {
  return batchFacts(
    card,
    soundBatch('house-clear-6', {
      code: `B-${i}`,
      startedAt: new Date(Date.UTC(2026, 0, 5) + i * A_WEEK_MS * 0.3).toISOString(),
      castings: bad.map((_, k) => ({ id: `k${k + 1}`, mould: { code: 'M-12', cavity: k + 1, pulls: i } })),
      checks: bad.map((b, k) => ({
        afterH: 24,
        casting: `k${k + 1}`,
        symptoms: b ? bubbles : [],
        grade: b ? ('scrap' as const) : ('pass' as const),
      })),
      ...over,
    }),
  );
}

describe('castings of one mix', () => {
  it('are one answer where they always fail together, and so many answers where they do not', () => {
    const random = chanceFrom(7);
    const together = Array.from({ length: 80 }, (_, i) => several(i, Array<boolean>(4).fill(random.flip(0.4))));
    const apart = Array.from({ length: 80 }, (_, i) =>
      several(
        i,
        [0, 1, 2, 3].map(() => random.flip(0.4)),
      ),
    );
    expect(withinMix(castingFacts(together), shows('bubbles'))).toBeGreaterThan(0.98);
    expect(designEffect(castingFacts(together), shows('bubbles'))).toBeCloseTo(4, 1);
    expect(designEffect(castingFacts(apart), shows('bubbles'))).toBeLessThan(1.3);
  });
  it('count as they stand where every mix has one', () => {
    const one = Array.from({ length: 30 }, (_, i) => several(i, [i % 3 === 0]));
    expect(designEffect(castingFacts(one), shows('bubbles'))).toBe(1);
    expect(withinMix([], shows('bubbles'))).toBe(0);
  });
  it('are fewer by the design effect, and never surer for the rounding', () => {
    expect(wholeTable([4, 12, 3, 30])).toEqual([4, 12, 3, 30]);
    // Thirds of three castings add up to one mix.
    expect(wholeTable([1 / 3 + 1 / 3 + 1 / 3, 2, 0, 5])).toEqual([1, 2, 0, 5]);
    const [a, b, c, d] = wholeTable([2.5, 1.5, 1.25, 10.75]);
    expect([a + b, c + d]).toEqual([4, 12]);
    expect(a / (a + b)).toBeLessThanOrEqual(2.5 / 4);
    expect(c / (c + d)).toBeGreaterThanOrEqual(1.25 / 12);
  });
});

describe('patterns over castings of one mix', () => {
  /** Years in which nothing makes a difference: whole mixes fail, and lots are dealt out to mixes. */
  const year = (seed: number) => {
    const random = chanceFrom(seed);
    return Array.from({ length: 60 }, (_, i) =>
      several(i, Array<boolean>(4).fill(random.flip(0.35)), {
        lotB: { code: `B-${50 + (i % 6)}` },
        by: ['KO', 'MT', 'RV'][i % 3]!,
      }),
    );
  };
  it('blame nobody for one bad mix counted four times', () => {
    const years = Array.from({ length: 12 }, (_, seed) => findPatterns(year(seed + 1)));
    const blamed = years.filter((y) => y.findings.length > 0).length;
    expect(blamed).toBeLessThanOrEqual(2);
    expect(years[0]).toMatchObject({ batches: 60, castings: 240, looked: 240 });
  });
  it('still find the one cavity that spoils its castings', () => {
    const random = chanceFrom(3);
    const facts = Array.from({ length: 60 }, (_, i) =>
      several(
        i,
        [0, 1, 2, 3].map((k) => random.flip(k === 2 ? 0.7 : 0.08)),
      ),
    );
    expect(findPatterns(facts).findings[0]).toMatchObject({ factor: 'cavity', level: 'M-12/3' });
  });
  it('tell no change for one bad week of one mix', () => {
    const facts = Array.from({ length: 40 }, (_, i) => several(i, Array<boolean>(6).fill(i % 11 === 5)));
    expect(controlChart(facts, 'bubbles').stretches).toHaveLength(1);
  });
});

describe('the studio’s own figures by castings', () => {
  const facts = [
    several(1, [false, false, true, false]),
    several(2, [false, true, true, false], {
      castings: [
        { id: 'k1', price: 18 },
        { id: 'k2', reason: 'Void at the tip' },
        { id: 'k3', reason: 'void at the tip ' },
        { id: 'k4', price: 18 },
      ],
    }),
  ];
  const figures = studioFigures({ facts, cards: [card], lots: [], moulds: [] });
  it('count castings and their mixes, by product, mould and cavity', () => {
    expect(figures.yields.product[0]).toMatchObject({
      castings: 8,
      batches: 2,
      grades: { pass: 5, scrap: 3 },
      valuePassed: 36,
      valueSecond: null,
    });
    expect(figures.yields.cavity.map((y) => [y.key, y.castings])).toEqual([
      ['M-12/1', 1],
      ['M-12/2', 1],
      ['M-12/3', 1],
      ['M-12/4', 1],
    ]);
  });
  it('tell why, whichever way it was spelt', () => {
    expect(figures.reasons).toEqual([{ reason: 'Void at the tip', second: 0, scrap: 2, cost: null }]);
  });
  it('wear each cavity by itself', () => {
    const worn = Array.from({ length: 24 }, (_, i) =>
      several(i, [false, i >= 12], {
        checks: [0, 1].map((k) => ({
          afterH: 24,
          casting: `k${k + 1}`,
          symptoms: k === 1 && i >= 12 ? [{ kind: 'haze' as const, pattern: 'frosted-skin' }] : [],
          grade: 'pass' as const,
        })),
      }),
    );
    const lives = mouldLives(castingFacts(worn));
    expect(lives.map((l) => [l.cavity, l.wornFrom])).toEqual([
      [null, 12],
      [1, null],
      [2, 12],
    ]);
  });
});

describe('a change that a copied mix answers to', () => {
  const before = soundBatch('house-clear-6', { checks: [{ afterH: 24, symptoms: [{ ...bubbles[0]!, severity: 4 }] }] });
  const after = (bad: number) =>
    soundBatch('house-clear-6', {
      castings: [1, 2, 3, 4, 5].map((n) => ({ id: `k${n}` })),
      checks: [1, 2, 3, 4, 5].map((n) => ({
        afterH: 24,
        casting: `k${n}`,
        symptoms: n <= bad ? [{ ...bubbles[0]!, severity: 4 }] : [],
      })),
    });
  it('is judged by the middle of its castings, and says how many still show it', () => {
    expect([0, 2, 3, 5].map((bad) => worstOf(after(bad), 'bubbles'))).toEqual([0, 0, 4, 4]);
    expect(changeAnswer(before, after(0), 'bubbles').says).toMatch(/^It is gone\./);
    expect(changeAnswer(before, after(2), 'bubbles').says).toMatch(/^It is gone from 3 of 5 castings\./);
    expect(changeAnswer(before, after(5), 'bubbles').verdict).toBe('same');
    expect(worstOf({ ...after(2), checks: [] }, 'bubbles')).toBeNull();
  });
});

describe('a trial within one mix', () => {
  const batch = soundBatch('house-clear-6', {
    code: 'B-0431',
    pressure: { gaugeKPa: 300 },
    castings: [1, 2, 3, 4, 5, 6, 7, 8].map((n) => ({ id: `k${n}`, ...(n > 4 ? { pressure: { gaugeKPa: 0 } } : {}) })),
    checks: [1, 2, 3, 4, 5, 6, 7, 8].map((n) => ({ afterH: 24, casting: `k${n}`, symptoms: n > 4 ? bubbles : [] })),
  });
  const of = (b: Batch, ids: readonly string[]) => fairTrial(ids.map((id) => castingAsBatch(card, b, id)));
  it('holds all that was mixed, and tells what pressing did', () => {
    const trial = of(batch, ['k1', 'k2', 'k3', 'k4', 'k5', 'k6', 'k7', 'k8']);
    expect(trial.codes[0]).toBe('B-0431/k1');
    expect(trial.differs.map((f) => f.field)).toEqual(['pressure.gaugeKPa']);
    expect(trial.verdict).toMatchObject({ can: 'yes', says: expect.stringMatching(/^One mix, and one thing differs/) });
  });
  it('takes another mould, or another colour, as one thing', () => {
    const two = {
      ...batch,
      cups: [
        { id: 'c1', massG: 90, additives: [] },
        { id: 'c2', massG: 90, additives: [{ name: 'white', kind: 'pigment-paste' as const, massG: 1 }] },
      ],
      castings: [
        { id: 'k1', cup: 'c1' },
        { id: 'k2', cup: 'c2' },
      ],
    };
    expect(of(two, ['k1', 'k2']).differs.map((f) => f.label)).toEqual(['Colour and fill']);
    const moulds = {
      ...batch,
      castings: [
        { id: 'k1', mould: { code: 'M-12', rubber: 'platinum-silicone' as const } },
        { id: 'k2', mould: { code: 'M-17', rubber: 'urethane' as const, finish: 'matt' as const } },
      ],
    };
    expect(of(moulds, ['k1', 'k2']).differs).toMatchObject([{ field: 'mould', values: ['M-12', 'M-17'] }]);
  });
  it('counts a mix once where the thing that differs differs between mixes', () => {
    const mixes = [0, 1].flatMap((m) =>
      [1, 2, 3, 4].map((n) =>
        castingAsBatch(
          card,
          soundBatch('house-clear-6', {
            code: `B-${m}`,
            mix: { stirMin: m === 0 ? 1 : 3 },
            castings: [1, 2, 3, 4].map((k) => ({ id: `k${k}` })),
            checks: [{ afterH: 24, symptoms: m === 0 ? bubbles : [] }],
          }),
          `k${n}`,
        ),
      ),
    );
    expect(fairTrial(mixes).verdict.can).toBe('not-yet');
  });
  it('waits until each was looked at', () => {
    const unlooked = { ...batch, checks: batch.checks!.slice(1) };
    expect(of(unlooked, ['k1', 'k5']).verdict).toMatchObject({
      can: 'not-yet',
      says: 'Not every one was looked at yet.',
    });
  });
});

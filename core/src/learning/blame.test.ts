import { describe, expect, it } from 'vitest';
import { chanceFrom } from '../simulation/chance';
import { dueTo, yearsOf } from './attributable';
import { castingLoss, mouldPrices } from './castingCost';
import type { CastFacts } from './castFacts';
import { smallestFound } from './detectable';
import { fisherExact } from './fisherExact';
import { isActionable, isOverLimit } from './limitLevels';
import { logBook } from './logBook';
import { findPatterns } from './patterns';

const DAY_MS = 86_400_000;
const START_MS = Date.parse('2026-01-02T10:00:00Z');
/** A lot is open for so long, days, so that one of them covers most of a summer. */
const LOT_DAYS = 75;

interface Summer {
  /** How much a lot is bad by itself, as odds added. */
  readonly badLot?: number;
  /** Share of the days whose humidity was written down. */
  readonly recorded?: number;
}

const logistic = (x: number) => 1 / (1 + Math.exp(-x));
const fact = (i: number, startedAt: string, levels: CastFacts['levels'], bad: boolean): CastFacts => ({
  code: `B-${i}`,
  startedAt,
  levels,
  seen: bad ? ['bubbles', 'bubbles/micro-throughout'] : [],
  limits: [],
  looked: true,
  grade: bad ? 'scrap' : 'pass',
  massG: 100,
  massAG: 55,
  massBG: 45,
  mendG: 0,
  leftG: null,
  pulls: null,
  gel: null,
});

/** A year of one product: damp weeks in summer, faults the oftener the damper, and lots one after the other. */
function dampYear(seed: number, { badLot = 0, recorded = 0.9 }: Summer = {}): CastFacts[] {
  const chance = chanceFrom(seed);
  return Array.from({ length: 260 }, (_, i) => {
    const day = (i / 260) * 365;
    const summer = Math.max(0, Math.sin(((day - 120) / 130) * Math.PI)) * (day > 120 && day < 250 ? 1 : 0);
    const humidity = 48 + 24 * summer + chance.normal(0, 6);
    const lot = `B-${Math.floor((day + 20) / LOT_DAYS)}`;
    const bad = lot === 'B-2' ? badLot : 0;
    const fault = chance.flip(logistic(-2.6 + Math.max(0, humidity - 60) * 0.2 + bad));
    const damp = humidity > 60 ? 'over' : 'within';
    const at = new Date(START_MS + day * DAY_MS).toISOString();
    const levels = {
      product: 'house-clear-6',
      'lot-b': lot,
      season: at.slice(5, 7),
      person: chance.pick(['KO', 'MT', 'RV']),
      ...(chance.flip(recorded) ? { damp } : {}),
    };
    return fact(i, at, levels as CastFacts['levels'], fault);
  });
}
const blamed = (facts: readonly CastFacts[], factor: string) =>
  findPatterns(facts).findings.filter((f) => f.factor === factor && f.independent);

describe('what happens to be there when it is damp', () => {
  const years = Array.from({ length: 24 }, (_, i) => i + 1);
  it('is not called independent: of two dozen damp summers, in one at most', () => {
    const lots = years.filter((seed) => blamed(dampYear(seed), 'lot-b').length > 0);
    const months = years.filter((seed) => blamed(dampYear(seed), 'season').length > 0);
    expect(lots.length).toBeLessThanOrEqual(1);
    expect(months.length).toBeLessThanOrEqual(1);
  });
  it('is told with the damp that explains it, and the damp comes first', () => {
    const told = years.flatMap((seed) => findPatterns(dampYear(seed)).findings.slice(0, 1));
    expect(told.length).toBeGreaterThan(20);
    expect(told.filter((f) => f.factor === 'damp').length / told.length).toBeGreaterThan(0.9);
    const others = years.flatMap((seed) => findPatterns(dampYear(seed)).findings.filter((f) => f.factor === 'lot-b'));
    for (const f of others.filter((o) => !o.independent)) expect(f.confoundedWith).toMatchObject({ factor: 'damp' });
  });
  it('is still found where it is bad by itself', () => {
    const found = years.filter((seed) =>
      blamed(dampYear(seed, { badLot: 2.6 }), 'lot-b').some((f) => f.level === 'B-2'),
    );
    expect(found.length).toBeGreaterThanOrEqual(18);
  });
});

describe('what the log could have shown', () => {
  const power = (n: number, m: number, p0: number, p1: number, chance: number, seed: number) => {
    const c = chanceFrom(seed);
    const draw = (size: number, p: number) => Array.from({ length: size }, () => c.flip(p)).filter(Boolean).length;
    const found = Array.from({ length: 800 }, () => {
      const [a, b] = [draw(n, p1), draw(m, p0)];
      return fisherExact(a, n - a, b, m - b) <= chance;
    });
    return found.filter(Boolean).length / found.length;
  };
  it.each([
    [20, 180, 0.12, 0.01],
    [40, 160, 0.2, 0.002],
    [12, 90, 0.1, 0.01],
  ])('is found four times in five: %i against %i at %f', (n, m, rate, chance) => {
    const least = smallestFound({ with: n, without: m, rate }, chance)!;
    expect(least).toBeGreaterThan(rate);
    expect(Math.abs(power(n, m, rate, least, chance, 3) - 0.8)).toBeLessThan(0.07);
  });
  it('shrinks with more castings, grows with more questions, and is nothing where the log is too short', () => {
    const of = (n: number, chance = 0.01) => smallestFound({ with: n, without: 4 * n, rate: 0.1 }, chance);
    expect(of(80)!).toBeLessThan(of(30)!);
    expect(of(30, 0.0001)!).toBeGreaterThan(of(30)!);
    expect(smallestFound({ with: 2, without: 30, rate: 0.3 }, 0.001)).toBeNull();
    expect(smallestFound({ with: 0, without: 30, rate: 0.3 }, 0.05)).toBeNull();
  });
  it('is told of each question that was not answered yes', () => {
    const { unanswered, findings, questions } = findPatterns(dampYear(3));
    expect(unanswered.length).toBeGreaterThan(3);
    expect(unanswered.length + findings.length).toBeLessThanOrEqual(questions);
    for (const u of unanswered) if (u.wouldFind !== null) expect(u.wouldFind).toBeGreaterThan(u.without.rate);
    const gaps = unanswered.map((u) => (u.wouldFind === null ? Infinity : u.wouldFind - u.without.rate));
    expect(gaps).toEqual([...gaps].sort((a, b) => a - b));
  });
});

describe('what is due to a finding', () => {
  const due = (k: number, n: number, faults: number, oddsRatio: number, years = 1) =>
    dueTo(n, { count: k, meanLoss: 12 }, faults, { oddsRatio, low: oddsRatio / 2, high: oddsRatio * 2 }, years);
  it('is what the odds of the others would not have spoiled', () => {
    // 20 of 40 at odds 1; a fourth of that is one in five, so 8 of 40 would be left.
    expect(due(20, 40, 30, 4)).toMatchObject({ share: 0.4 });
    expect(due(20, 40, 30, 4).castingsAYear).toBeCloseTo(12, 9);
    expect(due(20, 40, 30, 4).moneyAYear).toBeCloseTo(144, 9);
    expect(due(20, 40, 30, 4, 2).castingsAYear).toBeCloseTo(6, 9);
  });
  it('is nothing without a higher odds, all of it without end, and lies in its interval', () => {
    expect(due(20, 40, 30, 1)).toMatchObject({ share: 0, castingsAYear: 0 });
    expect(due(20, 40, 30, 1e9).castingsAYear).toBeCloseTo(20, 3);
    const { low, castingsAYear, high } = due(20, 40, 30, 4);
    expect(low).toBeLessThan(castingsAYear);
    expect(high).toBeGreaterThan(castingsAYear);
  });
  it('counts a year as the log is long, a month at the least', () => {
    const spans = (facts: readonly CastFacts[]) => logBook(facts).view().spans;
    const year = dampYear(1);
    expect(yearsOf(spans(year))).toBeCloseTo(1, 1);
    expect(yearsOf([...spans(year.slice(90)), ...spans([]), ...spans(year.slice(0, 90))])).toBe(yearsOf(spans(year)));
    expect(yearsOf([])).toBeCloseTo(30 / 365.25, 6);
    for (const startedAt of [null, 'no day'])
      expect(yearsOf(spans(year.map((f) => ({ ...f, startedAt }))))).toBeCloseTo(30 / 365.25, 6);
  });
  it('costs the resin of scrap, or what it would have sold for, and of a second the difference', () => {
    const sold = (i: number, grade: CastFacts['grade'], price: number | null): CastFacts => ({
      ...fact(i, '2026-01-01T00:00:00Z', { product: 'house-clear-6', mould: 'M-12' }, false),
      grade,
      price,
    });
    const castings = [sold(1, 'pass', 40), sold(2, 'pass', 44), sold(3, 'second', 20), sold(4, 'scrap', null)];
    const loss = castingLoss([mouldPrices(castings.slice(0, 1)), mouldPrices(castings.slice(1))], []);
    expect(loss(castings[2]!)).toBeCloseTo(22, 9);
    expect(loss(castings[0]!)).toBeNull();
    expect(loss(castings[3]!)).toBeCloseTo(42, 9);
    expect(loss({ ...castings[2]!, price: null })).toBeNull();
    expect(castingLoss([], [])(castings[2]!)).toBeNull();
  });
});

describe('what can be acted on', () => {
  it('comes before what is given, and a limit before a name', () => {
    const made = Array.from({ length: 120 }, (_, i) => {
      const [product, damp] = [i % 2 ? 'house-clear-6' : 'house-coat-9', i % 5 === 0 ? 'over' : 'within'];
      const bad = (product === 'house-clear-6' && i % 3 !== 0) || (damp === 'over' && i % 10 === 0);
      return fact(i, new Date(START_MS + i * DAY_MS).toISOString(), { product, damp } as CastFacts['levels'], bad);
    });
    const { findings } = findPatterns(made);
    expect(findings.some((f) => f.factor === 'product')).toBe(true);
    const places = findings.map((f) => f.actionable);
    expect(places).toEqual([...places].sort((a, b) => Number(b) - Number(a)));
    expect(isActionable({ factor: 'product', level: 'x' })).toBe(false);
    expect(isOverLimit({ factor: 'damp', level: 'over' })).toBe(true);
    expect(isOverLimit({ factor: 'damp', level: 'within' })).toBe(false);
  });
});

import { describe, expect, it } from 'vitest';
import { chanceFrom } from '../simulation/chance';
import { DRILL_LEVELS, drillResultSchema, drillViewSchema, type DrillResult } from '../formats/drill';
import { wordsIn } from '../units/wording';
import { drillAsks } from './drillAsk';
import { drillCase } from './drillCase';
import { drillCauses, drillResult, drillView } from './diagnosisDrill';
import { drillMends } from './drillMends';
import { drillProgress, type DrillDone } from './drillProgress';
import { drillScore } from './drillScore';
import { ledgerTakes, randomTakes } from './ledgerTrainee';

const cases = DRILL_LEVELS.flatMap((level) =>
  Array.from({ length: 10 }, (_, i) => drillCase(5000 + 13 * i + level, level)),
);
const state = { id: 'a', by: 'KO', asked: [], result: null, comesBack: null };
const answerFor = (c: (typeof cases)[number], share = 1) => ({
  shares: c.truth.map((id) => ({ id, share: share / c.truth.length })),
  mend: drillMends(c).find((m) => m.mends.some((id) => c.truth.includes(id)))?.id ?? null,
});

describe('what a trainee sees', () => {
  it('is the record and the cast, in the units that were chosen, and never the cause', () => {
    for (const c of cases) {
      const view = drillViewSchema.parse(
        drillView(c, state, wordsIn({ temperature: '°F', pressure: 'psi', mass: 'oz', volume: 'fl oz', length: 'in' })),
      );
      expect(JSON.stringify(view)).not.toMatch(/"truth"|"lived"|"mends":\["/);
      expect(view.facts.map((f) => f.says).join(' ')).not.toMatch(/°C|kPa|undefined|null|NaN/);
      expect(view.limits.every((r) => r.state !== 'not-stated')).toBe(true);
    }
  });
});

describe('the answer', () => {
  it('of all on what it was scores 100, with its mend right, and is argued to it', () => {
    for (const c of cases) {
      const result = drillResultSchema.parse(drillResult(c, [], answerFor(c)));
      expect(result.score).toBe(100);
      expect(result.mend?.isRight ?? true).toBe(true);
      expect(result.minutes).toBe(0);
      const [looks, record] = result.steps;
      expect(looks!.title).toBe('By how it looks alone');
      expect(record!.shares.map((s) => s.id)).toEqual(expect.arrayContaining(c.truth));
      for (const step of result.steps)
        for (const { share } of step.shares) {
          expect(share).toBeGreaterThanOrEqual(0);
          expect(share).toBeLessThanOrEqual(1);
        }
    }
  });
  it('counts the minutes of what was asked, and tells each of it in the argument', () => {
    const c = cases.find((k) => drillAsks(k, []).filter((a) => a.kind === 'field').length >= 2)!;
    const asked = drillAsks(c, [])
      .filter((a) => a.kind === 'field')
      .slice(0, 2)
      .map((a) => a.id);
    const result = drillResult(c, asked, { shares: [], mend: null });
    expect(result.minutes).toBe(2);
    expect(result.steps.filter((s) => s.title.startsWith('You asked'))).toHaveLength(2);
    expect(result.score).toBeCloseTo(0, 6);
  });
  it('says a wrong mend is wrong', () => {
    const c = cases.find((k) => drillMends(k).length > 1)!;
    const wrong = drillMends(c).find((m) => !m.mends.some((id) => c.truth.includes(id)))!;
    expect(drillResult(c, [], { shares: [], mend: wrong.id }).mend).toMatchObject({ isRight: false, chosen: wrong.id });
    expect(drillResult(c, [], { shares: [], mend: null }).mend).toMatchObject({ isRight: false, chosen: '' });
  });
});

describe('the ledger as a trainee', () => {
  it.each(DRILL_LEVELS)('is far better than one who knows nothing, at level %i', (level) => {
    const all = Array.from({ length: 25 }, (_, i) => drillCase(80_000 + 7 * i, level));
    const mean = (of: (c: (typeof all)[number]) => number) => all.reduce((sum, c) => sum + of(c), 0) / all.length;
    const ledger = mean((c) => drillScore(drillCauses(c), ledgerTakes(c).spread, c.truth));
    const random = mean((c) =>
      drillScore(drillCauses(c), randomTakes(c, drillCauses(c), chanceFrom(c.seed)).spread, c.truth),
    );
    expect(ledger).toBeGreaterThan(random + 20);
    expect(random).toBeLessThan(15);
  });
});

describe('progress', () => {
  const done = (i: number, share: number, right: boolean, level: 1 | 2 = 1): DrillDone => {
    const c = drillCase(300 + i, level, { family: 'polyurethane' });
    const id = right ? c.truth[0]! : drillCauses(c).find((k) => !c.truth.includes(k))!;
    const result: DrillResult = drillResult(c, [], { shares: [{ id, share }], mend: null });
    return { at: `2027-03-${String(10 + i).padStart(2, '0')}T09:00:00Z`, level, family: c.product.family, result };
  };
  it('of nobody says nothing', () => {
    const none = drillProgress([]);
    expect(none).toMatchObject({ times: 0, causes: [], families: [], runs: [] });
    expect(none.levels.every((l) => l.ready === null && l.score === null)).toBe(true);
    expect(none.calibration.every((b) => b.times === 0 && b.meanShare === null)).toBe(true);
  });
  it('holds sureness against how often it came true', () => {
    const all = [done(0, 0.9, true), done(1, 0.9, true), done(2, 0.9, false)];
    const top = drillProgress(all).calibration.at(-1)!;
    expect(top).toMatchObject({ times: 3, right: 2 });
    expect(top.meanShare).toBeGreaterThan(0.9);
    expect(top.low).toBeLessThan(2 / 3);
    expect(top.high).toBeGreaterThan(2 / 3);
  });
  it('says who is ready by the latest five alone, and not before', () => {
    const well = [0, 1, 2, 3].map((i) => done(i, 1, true));
    const level1 = (all: readonly DrillDone[]) => drillProgress(all).levels[0]!.ready;
    expect(level1(well)).toBeNull();
    expect(level1([...well, done(4, 1, true)])).toBe(true);
    const badly = [5, 6, 7, 8, 9].map((i) => done(i, 1, false));
    expect(level1([...well, done(4, 1, true), ...badly])).toBe(false);
    // In any order of telling: by their moments.
    expect(level1([...badly, ...well, done(4, 1, true)])).toBe(false);
  });
});

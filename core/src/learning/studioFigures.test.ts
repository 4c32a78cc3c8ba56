import { describe, expect, it } from 'vitest';
import { workingTime } from '../cure/workingTime';
import { limitReadings } from '../limits/limitReadings';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { saltmarshMoulds } from '../simulation/saltmarshMoulds';
import { saltmarshLot } from '../simulation/saltmarshShelf';
import { soundBatch } from '../simulation/soundBatch';
import { batchFacts, type BatchFacts } from './batchFacts';
import { castFacts, type CastFacts } from './castFacts';
import { mouldLives } from './mouldLife';
import { gelFigure, ownGel, studioFigures } from './studioFigures';

const now = new Date('2026-11-24T14:30:00Z');
const factsOf = (slug: string, patch: Record<string, unknown>, totalG = 200): CastFacts => {
  const card = saltmarshCard(slug);
  const batch = soundBatch(slug, patch, totalG);
  return castFacts(card, batch, limitReadings(card, batch));
};
const graded = (grade: string) => ({ checks: [{ afterH: 24, symptoms: [], grade }] });
const clear = saltmarshCard('house-clear-6');
const lots = (['A', 'B'] as const).map((part) => saltmarshLot('house-clear-6', part, now)!);
const lotCodes = { lotA: { code: lots[0]!.code }, lotB: { code: lots[1]!.code } };

describe('own gel times', () => {
  const timed = (share: number) =>
    [20, 23, 26, 29].map((resinC) => {
      const patch = {
        resin: { temperatureAC: resinC, temperatureBC: resinC, atPourC: resinC },
        room: { temperatureC: 22 },
      };
      const gel = workingTime(clear, soundBatch('house-clear-6', patch)).gelMin!;
      return factsOf('house-clear-6', { ...patch, witness: { setMin: gel * share } });
    });
  it('give back the card where the studio gels as the card says', () => {
    const { fit, says } = ownGel(clear, timed(1));
    expect(fit.status).toBe('fitted');
    if (fit.status === 'fitted') expect(Math.abs(fit.offPct)).toBeLessThan(1.5);
    expect(says).toContain('as the card says');
  });
  it("find a studio that gels a fifth slower, and say so beside the card's figure", () => {
    const { fit, says } = ownGel(clear, timed(1.2));
    if (fit.status !== 'fitted') throw new Error(fit.status);
    expect(fit.offPct).toBeGreaterThan(14);
    expect(fit.offPct).toBeLessThan(26);
    expect(says).toMatch(/slower than the card \(9\.0 min\), by 4 witness cups/);
  });
  it('say what is missing', () => {
    expect(ownGel(clear, []).says).toContain('three tell something');
    expect(
      ownGel(
        clear,
        [1, 1, 1].flatMap(() => timed(1)[0]!),
      ).says,
    ).toContain('within 5 K');
  });
});

describe('yield and cost', () => {
  const facts = ['pass', 'pass', 'second', 'scrap'].map((g) =>
    factsOf('house-clear-6', { ...graded(g), ...lotCodes, startedAt: '2026-08-05T10:00:00+00:00' }, 182),
  );
  const { yields } = studioFigures({
    facts: [...facts, factsOf('house-clear-6', { checks: [], ...lotCodes }, 182)],
    cards: [clear],
    lots,
    moulds: [],
  });
  it('count how castings ended, and add up', () => {
    const row = yields.product[0]!;
    expect(row).toMatchObject({
      key: 'house-clear-6',
      castings: 5,
      open: 1,
      grades: { pass: 2, second: 1, scrap: 1, mend: 0 },
    });
    expect(row.passed.rate).toBeCloseTo(0.5, 9);
    expect(yields.month.map((m) => m.key)).toContain('2026-08');
    for (const by of ['product', 'mould', 'month'] as const)
      expect(
        yields[by].reduce((sum, y) => sum + y.castings, 0),
        by,
      ).toBe(5);
  });
  it('cost the grams by the lots they came from; what was scrapped is lost', () => {
    const [a, b] = lots.map((l) => l.price! / l.quantityG!);
    const one = 100 * a! + 82 * b!;
    expect(yields.product[0]!.cost).toBeCloseTo(5 * one, 6);
    expect(yields.product[0]!.lost).toBeCloseTo(one, 6);
  });
  it('do not guess a price', () => {
    expect(studioFigures({ facts, cards: [clear], lots: [], moulds: [] }).yields.product[0]).toMatchObject({
      cost: null,
      lost: null,
      priced: 0,
    });
  });
});

describe('what stays in the cup and what a hollow casting takes', () => {
  it('is a mean with its spread, from those that were weighed', () => {
    const facts = [4, 8, null].map((leftG) =>
      factsOf('house-bone-3', { mould: { code: 'M-17' }, pour: { leftG } }, 200),
    );
    const { cupLoss, hollow } = studioFigures({ facts, cards: [], lots: [], moulds: saltmarshMoulds() });
    expect(cupLoss[0]).toMatchObject({ key: 'house-bone-3', n: 2 });
    expect(cupLoss[0]!.mean).toBeCloseTo(3, 6);
    expect(hollow[0]).toMatchObject({ key: 'M-17', n: 3 });
    expect(hollow[0]!.mean).toBeCloseTo(196, 6);
  });
});

describe('a fit', () => {
  const cups = [20, 23, 26, 29].map((resinC) => ({
    ...factsOf('house-clear-6', {}),
    code: `B-${resinC}`,
    gel: { minutes: 12 - (resinC - 20) / 2, resinC, roomC: 22, massG: 200 },
  }));
  it('of the same cups to the same card is the one that was found before, and of others another', () => {
    const { fit } = ownGel(clear, cups);
    const copied = <T>(of: T) => JSON.parse(JSON.stringify(of)) as T;
    expect(ownGel(copied(clear), copied(cups)).fit).toBe(fit);
    expect(ownGel(clear, cups.slice(0, 3)).fit).not.toBe(fit);
    expect(ownGel({ ...clear, revision: 2 }, cups).fit).not.toBe(fit);
  });
});

describe('how moulds wear', () => {
  const pulls = (worn: number) =>
    Array.from({ length: 40 }, (_, i) =>
      factsOf('house-clear-6', {
        mould: { code: 'M-01', pulls: i },
        checks: [
          {
            afterH: 24,
            grade: i < worn ? 'pass' : 'second',
            symptoms: i < worn ? [] : [{ kind: 'haze', pattern: 'unspecified' }],
          },
        ],
      }),
    );
  it('tells the pull from which on it shows', () => {
    const [life] = mouldLives(pulls(27));
    expect(life).toMatchObject({ mould: 'M-01', pulls: 40, wornFrom: 27 });
    expect(life!.bins.reduce((sum, b) => sum + b.pulls, 0)).toBe(40);
    expect(life!.bins.reduce((sum, b) => sum + b.spoiled, 0)).toBe(13);
  });
  it('sets castings of one pull in one step: they came out of the same wear', () => {
    // Four cavities a pull; from the eleventh pull on every casting is hazy.
    const four = pulls(10)
      .slice(0, 20)
      .flatMap((f) => [1, 2, 3, 4].map((cavity) => ({ ...f, cavity })));
    const [whole, ...each] = mouldLives(four);
    expect(whole).toMatchObject({ cavity: null, wornFrom: 10 });
    expect(whole!.says).toContain('(40 of 40)');
    expect(each.map((l) => [l.cavity, l.wornFrom])).toEqual([1, 2, 3, 4].map((cavity) => [cavity, 10]));
  });
  it('tells a long life in few bins, of every casting, and as soon', () => {
    const [sound, hazy] = [pulls(1)[0]!, pulls(0)[0]!];
    const long = Array.from({ length: 5_000 }, (_, i) => ({ ...(i < 3_000 ? sound : hazy), pulls: i }));
    const [life] = mouldLives(long);
    expect(life!.bins.length).toBeLessThanOrEqual(60);
    expect(life!.bins.reduce((sum, b) => sum + b.pulls, 0)).toBe(5_000);
    expect(Math.abs(life!.wornFrom! - 3_000)).toBeLessThanOrEqual(13);
  });
  it('tells none where none is, and nothing of a young mould', () => {
    expect(mouldLives(pulls(40))[0]).toMatchObject({ wornFrom: null });
    expect(mouldLives(pulls(40).slice(0, 6))).toEqual([]);
  });
});

describe('minutes to a gel in words', () => {
  it('have tenths below 100 min and none above, with no 100.0 between', () => {
    expect([8.64, 41.66, 99.94, 99.95, 268.46, 330].map(gelFigure)).toEqual([
      '8.6',
      '41.7',
      '99.9',
      '100',
      '268',
      '330',
    ]);
  });
});

describe('how often each cause is the one here', () => {
  it('is counted from what was settled, and is nothing where nobody said', () => {
    const settled = (cause: string) =>
      batchFacts(
        clear,
        soundBatch('house-clear-6', {
          checks: [{ afterH: 24, symptoms: [{ kind: 'soft', pattern: 'all-over' }] }],
          outcome: [{ symptom: 'soft', cause, how: 'test' }],
        }),
      );
    const of = (facts: readonly BatchFacts[]) => studioFigures({ facts, cards: [], lots: [], moulds: [] }).causes;
    expect(of([])).toMatchObject({ of: 0, all: [] });
    const told = of([settled('ratio-off'), settled('ratio-off'), settled('under-mixed')]);
    expect(told.of).toBe(3);
    expect(told.all[0]).toMatchObject({ id: 'ratio-off', times: 2 });
    expect(told.all[0]!.factor).toBeGreaterThan(1);
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { diagnose } from '../diagnosis/diagnose';
import { mendsOf } from '../diagnosis/mendChain';
import { batchSchema, type Batch } from '../formats/batch';
import { castFacts } from '../learning/castFacts';
import { batchFacts, castingFacts, castingShares } from '../learning/batchFacts';
import { limitReadings } from '../limits/limitReadings';
import { loadings } from '../mixing/loading';
import { dueCheck } from '../planning/checkSchedule';
import { stageOf } from '../planning/stage';
import { pairFromLooks } from '../shelf/pairFromLook';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { soundBatch } from '../simulation/soundBatch';
import { castingAsBatch, commonBatch, mixedMassG, placeOfField } from './castingAsBatch';
import { castingGrade, castingIds, gradeCount, nextCastingId } from './castingList';
import { castingName, parseCastingName } from '../formats/codes';
import { limitsOfCastings } from './castingLimits';
import { recordGaps } from '../bench/recordGaps';
import { batchMoney } from './castingMoney';
import { mouldLook } from './castingSpots';

const card = saltmarshCard('house-clear-6');
/** One mix of 273 g in two cups and four moulds' cavities. */
const mix = (over: Partial<Batch> = {}): Batch =>
  soundBatch('house-clear-6', {
    code: 'B-0431',
    mix: { measuredBy: 'weight', unit: 'g', amountA: 150, amountB: 123, stirMin: 2, scaleStepG: 0.1 },
    additives: [],
    mould: { rubber: 'platinum-silicone', degassed: true, clean: true },
    cups: [
      { id: 'c1', massG: 182 },
      {
        id: 'c2',
        massG: 91,
        additives: [{ name: 'green paste', kind: 'pigment-paste', massG: 1, drops: 14 }],
        restMin: 4,
      },
    ],
    castings: [
      { id: 'k1', cup: 'c1', mould: { code: 'M-12', cavity: 1 }, massG: 44, pouredMin: 3, depthMm: 20 },
      {
        id: 'k2',
        cup: 'c1',
        mould: { code: 'M-17', cavity: 1, degassed: false },
        massG: 61,
        pouredMin: 4,
        depthMm: 60,
      },
      {
        id: 'k3',
        cup: 'c1',
        mould: { code: 'M-12', cavity: 3 },
        massG: 44,
        pouredMin: 4.5,
        depthMm: 20,
        pressure: { gaugeKPa: 0 },
      },
      { id: 'k4', cup: 'c2', mould: { code: 'M-08', cavity: 2 }, massG: 39, pouredMin: 5, depthMm: 20, price: 18 },
    ],
    ...over,
  });
const state = (b: Batch, field: string) => limitReadings(card, b).find((r) => r.field === field)?.state;

describe('a casting seen as a batch', () => {
  it('has what it says of its own, and the rest from the batch', () => {
    const k2 = castingAsBatch(card, mix(), 'k2');
    expect(k2.mould).toMatchObject({ code: 'M-17', degassed: false, rubber: 'platinum-silicone', clean: true });
    expect(k2.pour).toMatchObject({ startedMin: 4, finishedMin: 4, depthMm: 60 });
    expect(k2.room).toEqual(mix().room);
    expect(state(k2, 'pour.depthMm')).toBe('above');
    expect(state(castingAsBatch(card, mix(), 'k1'), 'pour.depthMm')).toBe('inside');
  });
  it('was not pressed where it says so, whatever the others were', () => {
    expect(castingAsBatch(card, mix(), 'k3').pressure).toMatchObject({
      gaugeKPa: 0,
      reachedMin: null,
      releasedMin: null,
    });
    expect(castingAsBatch(card, mix(), 'k1').pressure?.gaugeKPa).toBe(mix().pressure?.gaugeKPa);
  });
  it('is loaded with what is in its own cup, at that cup’s share', () => {
    const pct = (id: string) => loadings(card, castingAsBatch(card, mix(), id))!.total.pct;
    // 1 g in the 90 g of resin that are in the cup.
    expect(pct('k4')).toBeCloseTo(100 / 90, 6);
    expect(pct('k1')).toBe(0);
    const rested = (method: 'none' | 'vacuum') =>
      castingAsBatch(card, mix({ degas: { method, minutes: 2 } }), 'k4').degas;
    expect(rested('none')).toMatchObject({ method: 'rest', minutes: 4 });
    expect(rested('vacuum')).toMatchObject({ method: 'vacuum', minutes: 2 });
  });
  it('says no loading where nobody knows how much was in the cup', () => {
    const cups = [{ id: 'c2', additives: [{ name: 'green paste', kind: 'pigment-paste' as const, massG: 1 }] }];
    expect(castingAsBatch(card, mix({ cups }), 'k4').additives).toEqual([expect.objectContaining({ massG: null })]);
  });
  it('is the same when it is laid out twice, and nothing changes where there is no such casting', () => {
    const once = castingAsBatch(card, mix(), 'k4');
    expect(castingAsBatch(card, once, 'k4')).toBe(once);
    expect(castingAsBatch(card, mix(), 'k9')).toEqual(mix());
    expect(castingAsBatch(card, mix(), null)).toEqual(mix());
  });
  it('is a document of the same format', () => {
    for (const id of castingIds(mix()))
      expect(batchSchema.safeParse(castingAsBatch(card, mix(), id)).success).toBe(true);
  });
  it('means what it meant, where a batch tells no castings apart', () => {
    const old = soundBatch('house-tide', { castings: [] });
    expect(commonBatch(saltmarshCard('house-tide'), old)).toBe(old);
    expect(castingIds(old)).toEqual([null]);
    const { castings, ...facts } = batchFacts(saltmarshCard('house-tide'), old);
    expect(castings).toBeUndefined();
    expect(facts).toEqual({
      ...castFacts(saltmarshCard('house-tide'), old, limitReadings(saltmarshCard('house-tide'), old)),
      grade: null,
    });
  });
  it('leaves of the batch what all castings share, with the first and the last of their times', () => {
    const common = commonBatch(card, mix({ pour: null }));
    expect(common.mould).toMatchObject({ rubber: 'platinum-silicone', clean: true });
    for (const field of ['code', 'cavity', 'degassed']) expect(common.mould).not.toHaveProperty(field);
    expect(common.pour).toEqual({ startedMin: 3, finishedMin: 5 });
    expect(common.additives).toBeNull();
  });
  it('has one weight for all that was mixed', () => {
    expect(mixedMassG(card, mix({ additives: [{ massG: 2 }, { massG: 1, applied: 'dusted' }] }))).toBe(275);
    expect(mixedMassG(card, mix({ mix: { amountA: null } }))).toBeNull();
  });
});

describe('the limits of a batch with castings', () => {
  it('say what is outside on single castings, beside what all share', () => {
    const { common, outside } = limitsOfCastings(card, mix());
    expect(outside.map((k) => [k.id, k.readings.map((r) => r.field)])).toEqual([['k2', ['pour.depthMm']]]);
    expect(common.map((r) => r.field)).toContain('room.temperatureC');
    expect(limitsOfCastings(card, soundBatch('house-clear-6', { castings: null })).outside).toEqual([]);
  });
  it('miss only what was recorded nowhere', () => {
    const fields = (b: Batch) => limitsOfCastings(card, b).missing.map((r) => r.field);
    // Each casting has its own depth: none of the batch, and none is missing.
    expect(fields(mix({ pour: null }))).not.toContain('pour.depthMm');
    const bare = mix({ pour: null, castings: [{ id: 'k1' }, { id: 'k2' }] });
    expect(fields(bare)).toContain('pour.depthMm');
    expect(recordGaps(card, bare).map((g) => g.field)).toContain('pour.depthMm');
    expect(recordGaps(card, mix({ pour: null })).map((g) => g.field)).not.toContain('pour.depthMm');
  });
});

describe('names of castings', () => {
  it('go to text and back', () => {
    expect(castingName('B-0431', 'k2')).toBe('B-0431/k2');
    for (const name of ['B-0431', 'B-0431/k2'])
      expect(castingName(parseCastingName(name).batch, parseCastingName(name).casting)).toBe(name);
    expect(nextCastingId(mix())).toBe('k5');
    expect(nextCastingId({})).toBe('k1');
  });
});

describe('grades', () => {
  const look = (afterH: number, grade: 'pass' | 'second' | 'scrap' | 'mend' | null, casting?: string) => ({
    afterH,
    symptoms: [],
    grade,
    ...(casting ? { casting } : {}),
  });
  it('are the latest look’s, one’s own before one at all of the same age', () => {
    const b = mix({ checks: [look(30, 'second', 'k2'), look(24, 'pass'), look(30, 'pass')] });
    expect(castingGrade(b, 'k2')).toBe('second');
    expect(castingGrade(b, 'k1')).toBe('pass');
    expect(castingGrade({ ...b, checks: [...b.checks!, look(48, 'scrap')] }, 'k2')).toBe('scrap');
  });
  it('are the record’s own where no look of its own graded it', () => {
    const castings = [{ id: 'k1', grade: 'scrap' as const }, { id: 'k2' }];
    const b = mix({ castings, checks: [look(24, 'pass')] });
    expect(gradeCount(b)).toEqual({ pass: 1, second: 0, scrap: 1, mend: 0, open: 0 });
    expect(castingGrade({ ...b, checks: [look(24, 'pass'), look(50, 'pass', 'k1')] }, 'k1')).toBe('pass');
  });
  it('are given by a look at one that the batch does not have as by a look at all', () => {
    expect(castingGrade({ castings: null, checks: [look(24, 'second', 'k9')] }, null)).toBe('second');
    expect(castingGrade(mix({ checks: [look(24, 'scrap', 'k9')] }), 'k1')).toBe('scrap');
  });
  it('end the batch only when each has one; what is to be mended has none that is final', () => {
    const some = mix({ checks: [look(24, 'pass', 'k1'), look(24, 'pass', 'k2'), look(24, 'mend', 'k3')] });
    expect(stageOf(card, some)).toBe('check');
    const rest = [look(40, 'second', 'k3'), look(40, 'scrap', 'k4')];
    const all = { ...some, checks: [...some.checks!, ...rest] };
    expect(stageOf(card, all)).toBe('done');
    expect(batchMoney(all)).toEqual({
      passed: 2,
      second: 1,
      scrap: 1,
      open: 0,
      valuePassed: null,
      valueSecond: null,
      unpriced: 3,
    });
  });
  it('make a look due on those that have none, and say on which', () => {
    const b = mix({ checks: [look(24, 'pass', 'k1'), look(24, null, 'k3')] });
    expect(dueCheck(card, b)).toMatchObject({ afterH: 24, why: expect.stringMatching(/of k2, k4$/) });
    expect(dueCheck(card, { ...b, checks: [look(24, 'scrap')] })).toBeNull();
  });
});

describe('how far a batch has come', () => {
  it('is told by its castings where nobody told it of the batch', () => {
    const each = mix({
      pour: { startedMin: null, finishedMin: null },
      pressure: { gaugeKPa: 0, startedMin: null, reachedMin: null, releasedMin: null },
      cure: { demouldedMin: null },
      checks: null,
    });
    expect(stageOf(card, each)).toBe('watch');
    expect(stageOf(card, { ...each, castings: each.castings!.map((k) => ({ ...k, demouldedMin: 200 })) })).toBe(
      'check',
    );
    // One of them is still in.
    expect(
      stageOf(card, { ...each, castings: each.castings!.map((k, i) => (i ? { ...k, demouldedMin: 200 } : k)) }),
    ).toBe('watch');
    // While the pour goes on there may be more to come.
    expect(
      stageOf(card, { ...each, pour: { startedMin: 3, finishedMin: null }, degas: { method: 'none', minutes: 0 } }),
    ).toBe('pour');
  });
});

describe('money', () => {
  it('counts what passed and what is a second by their prices', () => {
    const castings = [
      { id: 'k1', grade: 'pass' as const, price: 18 },
      { id: 'k2', grade: 'second' as const, price: 12 },
      { id: 'k3', grade: 'pass' as const },
      { id: 'k4', grade: 'scrap' as const, price: 18 },
      { id: 'k5' },
    ];
    expect(batchMoney({ castings })).toEqual({
      passed: 2,
      second: 1,
      scrap: 1,
      open: 1,
      valuePassed: 18,
      valueSecond: 12,
      unpriced: 1,
    });
  });
  it('shares the mix among its castings without losing a gram', () => {
    fc.assert(
      fc.property(
        fc.array(fc.option(fc.double({ min: 0.1, max: 500, noNaN: true }), { nil: null }), {
          minLength: 1,
          maxLength: 12,
        }),
        (masses) => {
          const castings = masses.map((massG, i) => ({ id: `k${i}`, massG }));
          expect(castingShares(castings).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
          const facts = batchFacts(
            card,
            mix({
              castings,
              pour: { leftG: 11 },
              mends: [{ atH: 30, kind: 'tacky', pattern: 'liquid', steps: [], coat: { massG: 6 } }],
            }),
          );
          const sum = (of: (f: typeof facts) => number | null) =>
            castingFacts([facts]).reduce((s, f) => s + (of(f) ?? 0), 0);
          expect(sum((f) => f.massG)).toBeCloseTo(facts.massG!, 6);
          expect(sum((f) => f.massAG)).toBeCloseTo(150, 6);
          expect(sum((f) => f.massBG)).toBeCloseTo(123, 6);
          expect(sum((f) => f.leftG)).toBeCloseTo(11, 6);
          expect(sum((f) => f.mendG)).toBeCloseTo(6, 6);
        },
      ),
    );
  });
});

const pimples = { kind: 'bubbles' as const, pattern: 'surface-pimples' };
describe('a diagnosis of castings', () => {
  const seen = mix({
    checks: [
      { afterH: 24, casting: 'k2', symptoms: [pimples], shore: 78 },
      { afterH: 24, symptoms: [] },
    ],
  });
  it('argues each from its own record', () => {
    const [of] = diagnose(card, seen).symptoms;
    expect(of!.casting).toBe('k2');
    expect(of!.causes[0]!.id).toBe('mould-not-degassed');
    const k1 = diagnose(card, { ...seen, checks: [{ afterH: 24, casting: 'k1', symptoms: [pimples] }] }).symptoms[0]!;
    const share = (s: typeof k1) => s.causes.find((c) => c.id === 'mould-not-degassed')?.share ?? 0;
    expect(share(k1)).toBeLessThan(0.6 * share(of!));
  });
  it('gives the limits of each one that something was seen on, looks by their place in the batch', () => {
    const later = { ...seen, checks: [{ afterH: 12, casting: 'k1', symptoms: [] }, ...seen.checks!] };
    const { castings, limits } = diagnose(card, later);
    expect(castings!.map((c) => c.id)).toEqual(['k2']);
    expect(castings![0]!.limits.map((l) => l.field)).toContain('checks[1].shore');
    expect(limits.find((l) => l.field === 'pour.depthMm')!.state).toBe('not-recorded');
  });
  it('takes a look at one that is not there as a look at all', () => {
    const odd = { ...seen, checks: [{ afterH: 24, casting: 'k77', symptoms: [pimples] }] };
    expect(diagnose(card, odd).symptoms[0]).not.toHaveProperty('casting');
  });
  it('asks earlier batches about the casting’s own mould', () => {
    const asked: string[] = [];
    diagnose(card, seen, { historyOf: (id) => (asked.push(id), null) });
    expect(asked).toEqual(['k2']);
  });
});

describe('where an answer about a casting is written', () => {
  it('goes to the casting, its cup, or the batch, whichever has the field', () => {
    const place = (field: string) => placeOfField(mix({ inclusions: [{ what: 'cork' }] }), 'k4', field);
    expect(place('mould.degassed')).toBe('castings[3].mould.degassed');
    // Nothing of the cure is said of it alone: it is the batch's.
    expect(place('cure.covered')).toBe('cure.covered');
    expect(place('additives[0].massG')).toBe('cups[1].additives[0].massG');
    expect(place('room.humidityPct')).toBe('room.humidityPct');
    expect(place('inclusions[0].moisturePct')).toBe('inclusions[0].moisturePct');
    expect(placeOfField(mix(), null, 'mould.degassed')).toBe('mould.degassed');
    expect(placeOfField(mix({ checks: [{ afterH: 1, casting: 'k1' }, { afterH: 2 }] }), 'k4', 'checks[0].shore')).toBe(
      'checks[1].shore',
    );
    expect(placeOfField(mix({ checks: [] }), 'k4', 'checks[5].shore')).toBe('checks[5].shore');
  });
});

describe('a mend of several castings', () => {
  const mended = (checks: Batch['checks']) =>
    mendsOf(
      mix({
        checks,
        mends: [{ atH: 25, doneH: 26, kind: 'tacky', pattern: 'sticky-spots', steps: [], castings: ['k1', 'k3'] }],
      }),
    )[0]!.outcome;
  const tacky = [{ kind: 'tacky' as const, pattern: 'sticky-spots' }];
  it('waits until each was looked at, and has failed when one has', () => {
    expect(mended([{ afterH: 50, casting: 'k1', symptoms: [] }])).toBe('waiting');
    expect(mended([{ afterH: 50, casting: 'k2', symptoms: tacky }])).toBe('waiting');
    expect(mended([{ afterH: 50, symptoms: [] }])).toBe('held');
    expect(
      mended([
        { afterH: 50, casting: 'k1', symptoms: [] },
        { afterH: 51, casting: 'k3', symptoms: tacky },
      ]),
    ).toBe('failed');
  });
  it('is judged for one casting by that casting’s looks', () => {
    const b = mix({
      checks: [{ afterH: 50, casting: 'k1', symptoms: [] }],
      mends: [{ atH: 25, doneH: 26, kind: 'tacky', pattern: 'sticky-spots', steps: [], castings: ['k1', 'k3'] }],
    });
    expect(mendsOf(castingAsBatch(card, b, 'k1'))[0]!.outcome).toBe('held');
    expect(mendsOf(castingAsBatch(card, b, 'k2'))).toEqual([]);
  });
});

describe('marks on a mould', () => {
  it('lie on the cavity that the casting came from, and count only castings of that mould', () => {
    const spots = [{ x: 0.2, y: 0.3 }];
    const b = mix({
      checks: [
        { afterH: 24, casting: 'k3', symptoms: [], spots },
        { afterH: 24, casting: 'k2', symptoms: [], spots },
      ],
    });
    expect(mouldLook(b, 'M-12')).toEqual({
      marks: [{ x: 0.2, y: 0.3, batch: 'B-0431', kind: null, cavity: 2 }],
      looked: [2],
    });
    expect(mouldLook(b, 'M-08').looked).toEqual([]);
    const old = soundBatch('house-clear-6', {
      code: 'B-1',
      mould: { code: 'M-12' },
      castings: null,
      checks: [{ afterH: 24, spots: [{ ...spots[0]!, cavity: 1 }] }],
    });
    expect(mouldLook(old, 'M-12')).toMatchObject({ marks: [{ cavity: 1 }], looked: [null] });
  });
});

describe('what is cast in', () => {
  it('went badly only where a casting that holds it did', () => {
    const oak = { format: 'warm-jar.inclusion/1' as const, code: 'I-01', what: 'oak offcut' };
    const bad = { afterH: 24, symptoms: [{ kind: 'bubbles' as const, pattern: 'around-inclusion' }] };
    const castings = [
      { id: 'k1', inclusions: [{ what: 'oak offcut' }] },
      { id: 'k2', inclusions: [{ what: 'cork' }] },
    ];
    expect(pairFromLooks(mix({ castings, checks: [{ ...bad, casting: 'k1' }] }), oak)).not.toBeNull();
    expect(pairFromLooks(mix({ castings, checks: [{ ...bad, casting: 'k2' }] }), oak)).toBeNull();
  });
});

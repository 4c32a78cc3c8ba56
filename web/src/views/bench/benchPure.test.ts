import {
  batchSchema,
  benchClock,
  benchSteps,
  currentStep,
  limitReadings,
  plan,
  planRequestSchema,
  saltmarshCard,
  wordsIn,
  type Batch,
} from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import { boardFacts } from '../board/boardFacts';
import { barShare, cueOf, deadlines, weighTarget } from '../../run/benchNumber';
import { dropRoom, gramsOf } from './colourCount';
import { countdown } from '../../run/countdown';
import { turnNow } from './turning';
import { plannedCupML } from './plannedCup';

const clear = saltmarshCard('house-clear-6');
const made = plan(
  planRequestSchema.parse({
    product: clear,
    want: { mixedMassG: 182 },
    route: 'pressure',
    gear: { scaleStepG: 0.1, vesselFreeL: 18, vesselRatedKPa: 400, freeAirLPerMin: 40 },
  }),
);
const batch = (patch: object): Batch =>
  batchSchema.parse({ format: 'warm-jar.batch/1', product: { slug: 'house-clear-6' }, plan: made, ...patch });

describe('what is weighed', () => {
  it('is A by the plan, and B by what A really was', () => {
    expect(weighTarget(clear, batch({}), 'A')).toEqual({ name: 'A', targetG: 100 });
    expect(weighTarget(clear, batch({ mix: { amountA: 110 } }), 'B').targetG).toBeCloseTo(90.2, 9);
    expect(weighTarget(clear, batch({ plan: null }), 'A').targetG).toBeNull();
  });
  it('is catalyst by its share, powder and liquid by their names', () => {
    const tide = saltmarshCard('house-tide');
    expect(weighTarget(tide, batch({ plan: null, mix: { amountA: 200 } }), 'B')).toEqual({
      name: 'Catalyst',
      targetG: 3.2,
    });
    const chalk = saltmarshCard('house-chalk');
    expect(weighTarget(chalk, batch({ plan: null, mix: { amountA: 100 } }), 'B')).toEqual({
      name: 'Powder',
      targetG: 210,
    });
    expect(weighTarget(chalk, batch({}), 'A').name).toBe('Liquid');
  });
  it('slows at its end: the last tenth takes two fifths of the bar, and the bar never runs backwards', () => {
    expect(barShare(90, 100)).toBeCloseTo(0.55, 9);
    expect(barShare(100, 100)).toBeCloseTo(0.95, 9);
    expect(barShare(150, 100)).toBe(1);
    const run = Array.from({ length: 130 }, (_, g) => barShare(g, 100));
    expect([...run].sort((a, b) => a - b)).toEqual(run);
  });
  it.each([
    [40, 'pour'],
    [90, 'slow'],
    [98, 'drops'],
    [99.8, 'there'],
    [100.2, 'there'],
    [101, 'over'],
  ] as const)('at %s g of 100 the hand should: %s', (g, cue) => expect(cueOf(g, 100, 0.1)).toBe(cue));
});

describe('deadlines', () => {
  it('leave the vessel its time before the gel', () => {
    const d = deadlines(made, 8, 9, true);
    const press = made.timeline.find((s) => s.what === 'pressurise')!;
    expect(d.pressureByMin).toBe(9);
    expect(d.pourByMin).toBeCloseTo(Math.min(8, 9 - 0.5 - (press.toMin - press.fromMin)), 9);
    expect(deadlines(null, 8, null, false)).toEqual({ pourByMin: 8, pressureByMin: null });
    expect(deadlines(null, null, null, false).pourByMin).toBeNull();
  });
});

describe('drops', () => {
  it('have room to the nearest limit, by their own weight', () => {
    const b = batch({
      mix: { amountA: 100, amountB: 100, unit: 'g' },
      additives: [{ name: 'd', kind: 'dye', massG: 1, applied: 'mixed' }],
    });
    const strips = limitReadings(clear, b).filter((r) => r.field.startsWith('additives.'));
    // 1.5 % of 200 g is 3 g; 1 g is in, 2 g at 30 drops a gram are 60.
    expect(dropRoom(strips, b.mix, 30)).toBeCloseTo(60, 6);
    expect(dropRoom(strips, b.mix, null)).toBeNull();
    expect(dropRoom([], b.mix, 30)).toBeNull();
    expect(gramsOf(15, 30)).toBe(0.5);
  });
});

describe('the clock face', () => {
  it.each([
    [4.1167, '4:07'],
    [0, '0:00'],
    [62.5, '1:02:30'],
    [-3, '0:00'],
  ])('%s min is %s', (m, face) => expect(countdown(m)).toBe(face));
  it('turns a mould one way and then the other', () => {
    expect(turnNow(0)).toEqual({ axis: 'end over end', number: 0, leftMin: 0.25 });
    expect([0.249, 0.25, 0.499, 0.5].map((min) => turnNow(min).number)).toEqual([0, 1, 1, 2]);
    expect(turnNow(0.3).axis).toBe('sideways');
    expect(turnNow(0.3).leftMin).toBeCloseTo(0.2, 9);
  });
});

describe('the cup in use', () => {
  it('is the one that the plan names, and none is guessed', () => {
    const withCup = (gear: object | null) => ({ ...made, request: { gear } });
    expect(plannedCupML(withCup({ cupVolumeML: 500 }))).toBe(500);
    expect(plannedCupML(withCup({ scaleStepG: 0.1 }))).toBeNull();
    expect(plannedCupML(withCup(null))).toBeNull();
    expect(plannedCupML(null)).toBeNull();
  });
});

describe('the wall board', () => {
  const facts = (patch: object, more: { netG?: number; nowMin?: number | null } = {}) => {
    const b = batch(patch);
    const nowMin = more.nowMin ?? null;
    const clock =
      nowMin === null ? null : benchClock(clear, { massG: 182, resinC: 23, roomC: 23, readings: [], nowMin });
    return boardFacts({
      window: null,
      product: clear,
      batch: b,
      step: currentStep(clear, b),
      steps: benchSteps(clear, b),
      nowMin,
      clock,
      due: deadlines(made, clock?.potLifeEndsMin ?? null, clock?.gelsMin ?? null, true),
      netG: more.netG ?? null,
      gaugeKPa: 120,
      say: wordsIn(),
    });
  };
  it('shows what is still to come, and the step after this one', () => {
    expect(facts({})).toMatchObject({ number: '100 g', says: 'A', time: 'not begun', next: 'Weigh B', over: false });
    expect(facts({}, { netG: 60 })).toMatchObject({ number: '40 g', says: 'A to come of 100 g' });
    expect(facts({ mix: { amountA: 100 } }, { netG: 85, nowMin: 0.2 })).toMatchObject({ number: '3 g', over: true });
  });
  it('counts pot life down while it is liquid, and up once it has set', () => {
    const stir = facts({ mix: { amountA: 100, amountB: 82, unit: 'g' }, bench: { stirFromMin: 1 } }, { nowMin: 2 });
    expect(stir).toMatchObject({ timeLabel: 'pot life left', number: '0:30', next: 'Pour' });
    expect(stir.time).toMatch(/^\d:\d\d$/);
    const late = facts({ mix: { amountA: 100, amountB: 82, unit: 'g', stirMin: 2 } }, { nowMin: 30 });
    expect(late).toMatchObject({ over: true, timeOver: true, says: 'too late' });
    const hold = facts(
      {
        mix: { amountA: 100, amountB: 82, unit: 'g', stirMin: 2 },
        pour: { startedMin: 3, finishedMin: 4 },
        pressure: { gaugeKPa: 340, startedMin: 5, reachedMin: 6 },
      },
      { nowMin: 30 },
    );
    expect(hold).toMatchObject({ timeLabel: 'since the parts met', time: '30:00', number: '120 kPa', next: 'Watch' });
  });
});

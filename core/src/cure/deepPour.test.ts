import { minutesAt } from './equivalentAge';
import { describe, expect, it } from 'vitest';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { bondWindow } from './bondWindow';
import { deepestPour, pourSchedule } from './deepPour';
import { inTheMould, type MouldAnswer } from './inTheMould';
import { simulateCup } from './simulateCup';
import { simulateSlab } from './simulateSlab';

const deep = saltmarshCard('house-deep-40');
const answered = (a: MouldAnswer) => {
  if (!('slab' in a)) throw new Error(a.status);
  return a;
};

describe('deepestPour', () => {
  it("is the card's own in the middle of its room band, and less in a warmer room, where its peak just meets the limit", () => {
    expect(deepestPour(deep, { resinC: 23, roomC: 23 })).toEqual({ depthMm: 60, by: 'card' });
    const warm = deepestPour(deep, { resinC: 27, roomC: 27 });
    expect(warm.by).toBe('peak');
    const slab = simulateSlab(deep, { depthMm: warm.depthMm, resinC: 27, roomC: 27 });
    expect(Math.abs(('peakC' in slab ? slab.peakC : 0) - 65)).toBeLessThan(1);
    expect(deepestPour(deep, { resinC: 29, roomC: 29 }).depthMm).toBeLessThan(warm.depthMm);
  });
  it('goes by what an inclusion bears where that is less', () => {
    const gentle = deepestPour(deep, { resinC: 22, roomC: 22, inclusionMaxC: 40 });
    expect(gentle.by).toBe('inclusion');
    expect(gentle.depthMm).toBeLessThan(40);
  });
});

describe('pourSchedule', () => {
  it('splits into equal pours, each after the one below bonds and has cooled', () => {
    const schedule = pourSchedule(deep, 150, 23, { depthMm: 60, by: 'card' }, 500);
    expect(schedule.pours.map((p) => p.depthMm)).toEqual([50, 50, 50]);
    expect(schedule.pours.map((p) => p.afterMin)).toEqual([0, 720, 1440]);
    expect(schedule.pours[1]!.untilMin).toBe(2880);
    expect(schedule.sand).toBe(false);
    expect(pourSchedule(deep, 150, 23, { depthMm: 60, by: 'card' }, 4000).sand).toBe(true);
  });
  it("waits longer in a cold room, by the card's window", () => {
    expect(bondWindow(deep, 23)).toEqual({ fromMin: 720, untilMin: 2880 });
    expect(bondWindow(deep, 15)!.fromMin).toBeGreaterThan(1100);
    expect(bondWindow(saltmarshCard('house-mould-p'), 23)).toBeNull();
  });
});

describe('inTheMould', () => {
  const wish = { depthMm: 22, thinnestMm: 5, massG: 260, leftoverG: 12, resinC: 23, roomC: 21, pourMin: 3 };
  const clear = saltmarshCard('house-clear-6');
  it('gels in the middle, then at the thin edge; the cup runs ahead; it is demoulded when old enough and cool', () => {
    const a = answered(inTheMould(clear, wish));
    expect(a.centreGelMin!).toBeGreaterThan(3);
    expect(a.lastGelMin!).toBeGreaterThan(a.centreGelMin!);
    expect(a.headStartMin!).toBeGreaterThan(0);
    expect(a.demouldMin!).toBeGreaterThanOrEqual(a.thinAgedMin!);
    expect(a.demouldMin!).toBeGreaterThanOrEqual(minutesAt(clear, clear.demould!.minutes!, wish.roomC, 23) - 1e-9);
    // As cool as the card's own cup at its demould, which is sooner than cool to the touch.
    expect(a.coolEnoughMin!).toBeLessThanOrEqual(a.coolMin! + 1e-9);
    expect(a.schedule.pours).toHaveLength(1);
    expect(a.atOncePeakC).toBeNull();
  });
  it('takes longer to gel when thinner, and gels sooner when it waited in the cup', () => {
    const base = answered(inTheMould(clear, wish));
    expect(answered(inTheMould(clear, { ...wish, thinnestMm: 2 })).lastGelMin!).toBeGreaterThan(base.lastGelMin!);
    const later = answered(inTheMould(clear, { ...wish, pourMin: 5 }));
    expect(later.centreGelMin! - 5).toBeLessThan(base.centreGelMin! - 3);
  });
  it('is split where it is too deep, with the peak that it would have had', () => {
    const a = answered(
      inTheMould(deep, { ...wish, depthMm: 140, thinnestMm: 20, massG: 3000, widthMm: 60, pourMin: 20 }),
    );
    expect(a.schedule.pours).toHaveLength(3);
    expect(a.slab.peakC).toBeLessThan(66);
    expect(a.atOncePeakC!).toBeGreaterThan(70);
  });
  it('says when it has set before it could be poured', () => {
    const cup = simulateCup(clear, { massG: 260, resinC: 23, roomC: 21 });
    const gel = 'gelMin' in cup ? cup.gelMin! : 0;
    expect(inTheMould(clear, { ...wish, pourMin: gel + 0.1 })).toEqual({ status: 'set-before-pour' });
    expect(inTheMould(saltmarshCard('house-noon'), wish)).toEqual({ status: 'no-kinetics' });
  });
});

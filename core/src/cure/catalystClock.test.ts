import { describe, expect, it } from 'vitest';
import { productSchema } from '../formats/product';
import type { PlanRequest } from '../formats/plan';
import { plan, quickPlan } from '../planning/plan';
import { limitReadings } from '../limits/limitReadings';
import { doseCurves } from '../shelf/curves';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { overlay, soundBatch } from '../simulation/soundBatch';
import { benchClock } from '../bench/benchClock';
import { doseEffect } from './catalystDose';
import { mixOfBatch, workingTime } from './workingTime';

const tide = saltmarshCard('house-tide');
const dosed = (pct: number) =>
  soundBatch('house-tide', {
    mix: { amountA: 200, amountB: 2 * pct, catalystPct: pct },
    resin: { temperatureAC: 23, temperatureBC: 23, atPourC: 23 },
    room: { temperatureC: 23 },
  });
const planned = (pct: number) =>
  quickPlan({
    product: tide,
    want: { mixedMassG: 200, catalystPct: pct },
    conditions: { roomC: 23, resinC: 23 },
  } as PlanRequest).plan;

describe('the dose of catalyst', () => {
  it('moves the rate by the law: t ∝ dose^−0.9, one at the typical dose', () => {
    expect(doseEffect(tide, 1.6)!.rate).toBe(1);
    expect(doseEffect(tide, 3.2)!.rate).toBeCloseTo(2 ** 0.9, 6);
    expect(doseEffect(tide, 0.8)!.rate).toBeCloseTo(0.5 ** 0.9, 6);
    expect(doseEffect(tide, 0)!.rate).toBe(0);
    expect(doseEffect(saltmarshCard('house-coat-9'), 2)).toBeNull();
  });
  it('is trusted from half the band to twice it, and no further', () => {
    expect([0.39, 0.4, 4.8, 4.9].map((pct) => doseEffect(tide, pct)!.trusted)).toEqual([false, true, true, false]);
  });
  it('takes its exponent from gel times of the card, where it states two', () => {
    const at = (pct: number, minutes: number) => ({ pct, minutes, atC: 23, massG: 200 });
    const card = productSchema.parse(
      overlay(tide as object as Record<string, unknown>, {
        ratio: { catalyst: { gel: [at(0.8, 44), at(1.6, 22), at(2.4, 14.7)] } },
      }),
    );
    const found = doseEffect(card, 2.4)!;
    expect(found.exponentFrom).toBe('card');
    // Isothermally minutes ∝ 1/dose is an exponent of one; its own warmth makes a quicker cup quicker still.
    expect(found.exponent).toBeGreaterThan(0.7);
    expect(found.exponent).toBeLessThan(1.1);
  });
  it('more is sooner, everywhere and by the same factor: plan, record, bench and limits', () => {
    const doses = [0.8, 1, 1.3, 1.6, 2, 2.4];
    const of = (minutes: (pct: number) => number) => doses.map(minutes);
    const clocks = {
      plan: of((pct) => planned(pct).potLifeMin!),
      record: of((pct) => workingTime(tide, dosed(pct)).potLifeMin!),
      bench: of((pct) => {
        const batch = dosed(pct);
        return benchClock(tide, {
          massG: 200 + 2 * pct,
          resinC: 23,
          roomC: 23,
          readings: [],
          mix: mixOfBatch(tide, batch),
          nowMin: 0,
        })!.potLifeEndsMin!;
      }),
    };
    for (const [name, minutes] of Object.entries(clocks)) {
      for (let i = 1; i < minutes.length; i += 1)
        expect(minutes[i], `${name} ${doses[i]} %`).toBeLessThan(minutes[i - 1]!);
      expect(minutes[0]! / minutes.at(-1)!, name).toBeCloseTo(clocks.record[0]! / clocks.record.at(-1)!, 1);
    }
    expect(clocks.plan[3]).toBeCloseTo(tide.potLife!.minutes!, 0);
  });
  it('is drawn for the card: pot life falls with the dose and with the warmth, and meets the card at its own', () => {
    const [cold, own, warm] = doseCurves(tide);
    for (const { points } of [cold!, own!, warm!])
      for (let i = 1; i < points.length; i += 1) expect(points[i]![1]).toBeLessThan(points[i - 1]![1]);
    for (let i = 0; i < own!.points.length; i += 1) {
      expect(cold!.points[i]![1]).toBeGreaterThan(own!.points[i]![1]);
      expect(warm!.points[i]![1]).toBeLessThan(own!.points[i]![1]);
    }
    const nearest = own!.points.reduce((a, b) => (Math.abs(b[0] - 1.6) < Math.abs(a[0] - 1.6) ? b : a));
    expect(nearest[1]).toBeCloseTo(tide.potLife!.minutes!, 0);
    expect(doseCurves(saltmarshCard('house-clear-6'))).toEqual([]);
  });
  it('of the plan stays in the band when it is rounded to the scale, whatever is mixed', () => {
    for (const slug of ['house-tide', 'house-shell'])
      for (let massG = 20; massG < 400; massG += 3.7) {
        const product = saltmarshCard(slug);
        const { minPct, maxPct } = product.ratio.catalyst!;
        for (const roomC of [17, 22, 27]) {
          const found = quickPlan({
            product,
            want: { mixedMassG: massG },
            conditions: { roomC, resinC: roomC },
            gear: { scaleStepG: 0.1 },
          } as PlanRequest).plan;
          expect(found.catalystPct!).toBeGreaterThanOrEqual(minPct! - 1e-9);
          expect(found.catalystPct!).toBeLessThanOrEqual(maxPct! + 1e-9);
          expect(found.warnings.filter((w) => w.code.startsWith('catalyst-'))).toEqual([]);
        }
      }
  });
  it('of one’s own is told against the band and the room, and never moved', () => {
    const found = plan({
      product: tide,
      want: { mixedMassG: 200, catalystPct: 3.4 },
      conditions: { roomC: 23, resinC: 23 },
    } as PlanRequest);
    expect(found.catalystPct).toBeCloseTo(3.4, 2);
    expect(found.warnings.map((w) => w.says).join(' ')).toMatch(/3\.4 %/);
    const reading = limitReadings(tide, dosed(3.4)).find((r) => r.field === 'mix.catalystPct')!;
    expect(reading.state).toBe('above');
  });
});

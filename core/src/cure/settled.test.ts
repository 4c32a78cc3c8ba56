import { describe, expect, it } from 'vitest';
import { productSchema } from '../formats/product';
import { limitReadings } from '../limits/limitReadings';
import { saltmarshCard } from '../simulation/saltmarshCards';
import type { Chemistry } from './chemistry';
import { coolingPerMin, integrateCup, minuteAtAlpha, type CupConditions } from './cup';
import { balanceC, cupStep, settledStep, startState } from './cupStep';
import { rateOf } from './cupSystem';
import { wholeRiseK } from './heatCapacity';
import { familyKinetics } from './kineticsDefaults';
import { simulateCup } from './simulateCup';
import { workingTime } from './workingTime';

const chemistry: Chemistry = { kinetics: familyKinetics('epoxy')!, kPerMin: 4e-4, referenceC: 23, heatJPerG: 380 };
const cup: CupConditions = { massG: 1, densityGPerML: 1.1, resinC: 23, roomC: 23, maxMinutes: 1e6 };
const slow = {
  rate: rateOf(chemistry),
  riseK: wholeRiseK(chemistry),
  coolingPerMin: coolingPerMin(cup),
  roomC: 23,
};

/** The same cup by fixed steps far shorter than its cooling takes: classical Runge–Kutta, written here by itself. */
function byFixedSteps(untilAlpha: number, resinC: number): number {
  const h = 0.1 / slow.coolingPerMin;
  const f = (a: number, T: number): [number, number] => {
    const rate = slow.rate(a, T);
    return [rate, slow.riseK * rate - slow.coolingPerMin * (T - 23)];
  };
  let [t, a, T] = [0, 0, resinC];
  while (a < untilAlpha) {
    const [a1, t1] = f(a, T);
    const [a2, t2] = f(a + (h / 2) * a1, T + (h / 2) * t1);
    const [a3, t3] = f(a + (h / 2) * a2, T + (h / 2) * t2);
    const [a4, t4] = f(a + h * a3, T + h * t3);
    [a, T, t] = [a + (h / 6) * (a1 + 2 * a2 + 2 * a3 + a4), T + (h / 6) * (t1 + 2 * t2 + 2 * t3 + t4), t + h];
  }
  return t;
}

describe('a cup that gives its heat away faster than it makes it', () => {
  it.each([23, 40])('gels when it would by steps a tenth as long as its cooling takes, begun at %i °C', (resinC) => {
    const curve = integrateCup(chemistry, { ...cup, resinC });
    const exact = byFixedSteps(0.5, resinC);
    expect(Math.abs(minuteAtAlpha(curve, 0.5)! / exact - 1)).toBeLessThan(1e-3);
    expect(curve.status).toBe('complete');
    expect(curve.energyError).toBeLessThan(2e-3);
  });
  it('is followed in few steps, however slow', () => {
    for (const kPerMin of [4e-4, 4e-5, 4e-6])
      expect(integrateCup({ ...chemistry, kPerMin }, { ...cup, maxMinutes: 1e9 }).minutes.length).toBeLessThan(1_500);
  });
  it('is at balance where it makes what it gives away', () => {
    const at = balanceC(slow, 0.3)!;
    expect(slow.riseK * slow.rate(0.3, at)).toBeCloseTo(slow.coolingPerMin * (at - 23), 6);
  });
  it('is not taken as at balance when it runs away, or is not there yet', () => {
    expect(balanceC({ ...slow, coolingPerMin: 1e-4 }, 0.3)).toBeNull();
    const to = startState(slow, 0, 23);
    expect(settledStep(slow, startState(slow, 0.3, 30), to, 5)).toBe(false);
    expect(to).toEqual(startState(slow, 0, 23));
    expect(settledStep(slow, startState(slow, 0.3, balanceC(slow, 0.3)!), to, 5)).toBe(true);
  });
  it('takes a step that is of the third order: a tenth of it errs a thousandth as much', () => {
    const from = startState(slow, 0.2, 60);
    const over = (h: number, steps: number) => {
      let [now, next] = [{ ...from }, { ...from }];
      for (let i = 0; i < steps; i += 1) {
        cupStep(slow, now, next, h);
        [now, next] = [next, now];
      }
      return now;
    };
    const exact = over(1e-4, 10_000);
    const miss = (h: number) => Math.abs(over(h, Math.round(1 / h)).temperatureC - exact.temperatureC);
    expect(miss(0.1) / miss(0.02)).toBeGreaterThan(90);
    expect(miss(0.1) / miss(0.02)).toBeLessThan(170);
  });
});

describe('a card at the ends of what the format takes', () => {
  it.each([
    [5_760, 1, 23],
    [4_000, 1, -40],
    [5_760, 250_000, 23],
    [0.1, 1, 400],
    [0.1, 250_000, 23],
  ])('of %d min at %d g and %d °C is followed to its end, and judged', (minutes, massG, atC) => {
    const card = productSchema.parse({
      ...saltmarshCard('house-clear-6'),
      potLife: { minutes, atC, massG },
      gel: { minutes: Math.min(5_760, minutes * 1.4), atC, massG },
    });
    const batch = {
      format: 'warm-jar.batch/1' as const,
      product: { slug: card.slug },
      room: { temperatureC: 20 },
      mix: { amountA: 100, amountB: 82, unit: 'g' as const },
    };
    const cup = simulateCup(card, { massG, resinC: atC, roomC: atC });
    if ('curve' in cup) expect(cup.curve.minutes.length).toBeLessThan(1_500);
    else expect(cup.status).not.toBe('too-many-steps');
    expect(workingTime(card, batch)).toBeDefined();
    expect(limitReadings(card, batch).length).toBeGreaterThan(0);
  });
  it('is refused beyond them, at its field', () => {
    for (const potLife of [{ minutes: 0.05 }, { minutes: 5_761 }, { minutes: 6, massG: 0.5 }])
      expect(productSchema.safeParse({ ...saltmarshCard('house-clear-6'), potLife }).success).toBe(false);
  });
});

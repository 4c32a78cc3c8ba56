import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { SALTMARSH_CARDS } from '../simulation/saltmarshCards';
import { productSchema } from '../formats/product';
import { overlay } from '../simulation/soundBatch';
import { calibrate, isCalibrated } from './calibration';
import type { Chemistry } from './chemistry';
import { alphaAtMinute, coolingPerMin, integrateCup, minuteAtAlpha } from './cup';
import { HEAT_CAPACITY_J_PER_GK, familyKinetics } from './kineticsDefaults';
import { simulateCup } from './simulateCup';

const epoxy = familyKinetics('epoxy')!;
const chemistry = (patch: Partial<Chemistry> = {}): Chemistry => ({
  kinetics: epoxy,
  kPerMin: 0.03,
  referenceC: 23,
  heatJPerG: 380,
  ...patch,
});
const cup = { massG: 150, densityGPerML: 1.1, resinC: 23, roomC: 23, maxMinutes: 5000 };

describe('integrateCup', () => {
  it("cools by Newton's law where nothing reacts", () => {
    const curve = integrateCup(chemistry({ kPerMin: 1e-12 }), { ...cup, resinC: 60, maxMinutes: 90 });
    const expected = 23 + (60 - 23) * Math.exp(-coolingPerMin(cup) * 90);
    expect(curve.temperatureC.at(-1)).toBeCloseTo(expected, 1);
  });

  it('follows the closed form of the isothermal autocatalytic cure where there is no heat (m 1, n 1)', () => {
    const kinetics = { ...epoxy, m: 1, n: 1, b: 0.02 };
    const curve = integrateCup(chemistry({ kinetics, heatJPerG: 0 }), cup);
    const [k, b, t] = [0.03, 0.02, 100];
    const growth = Math.exp(k * (1 + b) * t);
    const exact = (b * (growth - 1)) / (1 + b * growth);
    expect(alphaAtMinute(curve, t)).toBeCloseTo(exact, 4);
  });

  it('reaches, and never passes, the adiabatic peak as the cup grows', () => {
    const bound = 23 + 380 / HEAT_CAPACITY_J_PER_GK;
    const huge = integrateCup(chemistry({ kPerMin: 0.2 }), { ...cup, massG: 1e7 });
    expect(huge.peakC).toBeLessThanOrEqual(bound);
    expect(huge.peakC).toBeGreaterThan(bound - 2.5);
  });

  it('keeps its energy balance and its bound whatever the cup', () => {
    const mass = fc.double({ min: 1, max: 5000, noNaN: true });
    const temp = fc.double({ min: 5, max: 45, noNaN: true });
    fc.assert(
      fc.property(mass, temp, temp, (massG, resinC, roomC) => {
        const curve = integrateCup(chemistry(), { ...cup, massG, resinC, roomC });
        expect(curve.energyError).toBeLessThan(2e-3);
        expect(curve.peakC).toBeLessThanOrEqual(Math.max(resinC, roomC) + 200.01);
        expect(curve.alpha.every((a, i) => i === 0 || a >= curve.alpha[i - 1]!)).toBe(true);
      }),
      { numRuns: 40 },
    );
  });

  it('has a check on its energy that fails where the heat lost is not what the curve lost', () => {
    // A small cup loses most of its heat while it cures.
    const small = { ...cup, massG: 4 };
    const right = integrateCup(chemistry({ kPerMin: 0.01 }), small);
    // The same curve, its losses told for a cup that loses a tenth more, is out of balance by about as much.
    const area = (factor: number) =>
      right.minutes.slice(1).reduce((sum, t, i) => {
        const h = t - right.minutes[i]!;
        const away = (right.temperatureC[i]! + right.temperatureC[i + 1]!) / 2 - cup.roomC;
        return sum + factor * coolingPerMin(small) * away * h;
      }, 0);
    const made = (right.alpha.at(-1)! * chemistry().heatJPerG) / HEAT_CAPACITY_J_PER_GK;
    const kept = right.temperatureC.at(-1)! - cup.resinC;
    expect(made).toBeGreaterThan(100);
    expect(Math.abs(made - kept - area(1)) / made).toBeLessThan(5e-3);
    expect(Math.abs(made - kept - area(1.1)) / made).toBeGreaterThan(0.08);
    expect(right.energyError).toBeLessThan(2e-3);
    expect(right.energyError).toBeGreaterThan(0);
  });

  it('says so when the time ran out', () => {
    expect(integrateCup(chemistry(), { ...cup, maxMinutes: 5 }).status).toBe('time-ran-out');
  });

  it('reads the same minute back from the conversion at it', () => {
    const curve = integrateCup(chemistry(), cup);
    for (const minute of [3, 17, 28]) expect(minuteAtAlpha(curve, alphaAtMinute(curve, minute))).toBeCloseTo(minute, 5);
  });
});

describe('calibrate and simulateCup', () => {
  const curing = SALTMARSH_CARDS.filter((c) => familyKinetics(c.family));
  it.each(curing.map((c) => [c.slug, c] as const))(
    "%s: the card's own cup meets the card's own pot life, gel and peak",
    (_slug, card) => {
      const at = { massG: card.potLife!.massG!, resinC: card.potLife!.atC!, roomC: card.potLife!.atC! };
      const result = simulateCup(card, at);
      if (!('curve' in result)) throw new Error(result.status);
      expect(Math.abs(result.potLifeMin! / card.potLife!.minutes! - 1)).toBeLessThan(1e-3);
      if (card.gel?.minutes != null) expect(Math.abs(result.gelMin! / card.gel.minutes - 1)).toBeLessThan(1e-3);
      if (card.exotherm?.peakC != null) expect(Math.abs(result.peakC - card.exotherm.peakC)).toBeLessThan(0.5);
    },
  );

  it('gives the orientation values of an epoxy of 40 min at 150 g: about 28 from 30 °C, about 60 at 18 °C', () => {
    const card = productSchema.parse(overlay(saltmarshCard('house-coat-9'), { exotherm: null }));
    const minutes = (resinC: number, roomC: number) => {
      const r = simulateCup(card, { massG: 150, resinC, roomC });
      return 'curve' in r ? r.potLifeMin! : Number.NaN;
    };
    expect(minutes(30, 23)).toBeGreaterThan(26.5);
    expect(minutes(30, 23)).toBeLessThan(29.5);
    expect(minutes(18, 18)).toBeGreaterThan(57);
    expect(minutes(18, 18)).toBeLessThan(64);
  });

  it('finds the heat of a slow deep-casting epoxy near 170–200 J/g and of a clear urethane near 155', () => {
    const [deep, clear] = ['house-deep-40', 'house-clear-6'].map((s) => calibrate(saltmarshCard(s)));
    if (!isCalibrated(deep!) || !isCalibrated(clear!)) throw new Error('not calibrated');
    expect(deep.heatJPerG).toBeGreaterThan(170);
    expect(deep.heatJPerG).toBeLessThan(200);
    expect(Math.abs(clear.heatJPerG - 155)).toBeLessThan(10);
    expect(deep.heatFrom).toBe('card');
  });

  it('shortens pot life with mass and with warmth', () => {
    const at = (massG: number, resinC: number) => {
      const r = simulateCup(saltmarshCard('house-clear-6'), { massG, resinC, roomC: 22 });
      return 'curve' in r ? r.potLifeMin! : Number.NaN;
    };
    expect(at(50, 22)).toBeGreaterThan(at(500, 22));
    expect(at(150, 18)).toBeGreaterThan(at(150, 22));
    expect(at(150, 22)).toBeGreaterThan(at(150, 30));
  });

  it('says why there are no figures for a light-cured product or a card without a pot life', () => {
    expect(simulateCup(saltmarshCard('house-noon'), { massG: 10, resinC: 20, roomC: 20 })).toEqual({
      status: 'no-kinetics',
    });
    const bare = productSchema.parse(overlay(saltmarshCard('house-coat-9'), { potLife: null, gel: null }));
    expect(simulateCup(bare, { massG: 10, resinC: 20, roomC: 20 })).toEqual({ status: 'no-pot-life' });
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { arrheniusFactor } from './arrhenius';
import { fitGelTimes, type GelPoint } from './fitGelTimes';
import { cureDepthMm, doseBelowMJPerCM2, doseForDepthMJPerCM2, lampMin } from './light';
import { potLifeSpent } from './potLifeSpent';
import { powderThickening } from './powderThickening';
import { simulateCup } from './simulateCup';
import { warmUpMin } from './warmUp';

const coat = saltmarshCard('house-coat-9');
const cupOf = (massG: number, resinC: number, roomC: number) => {
  const cup = simulateCup(coat, { massG, resinC, roomC });
  if (!('curve' in cup)) throw new Error(cup.status);
  return cup;
};

describe('potLifeSpent', () => {
  it('is 1 when the cup that was read ends its pot life, whatever its mass and warmth', () => {
    for (const [massG, resinC, roomC] of [
      [150, 23, 23],
      [600, 26, 20],
      [40, 30, 18],
    ] as const) {
      const cup = cupOf(massG, resinC, roomC);
      const readings = cup.curve.minutes.map((atMin, i) => ({ atMin, temperatureC: cup.curve.temperatureC[i]! }));
      expect(Math.abs(potLifeSpent(coat, readings, cup.potLifeMin!)! - 1)).toBeLessThan(0.003);
    }
  });
  it("runs at the Arrhenius rate where the temperature is held, and takes a batch's readings", () => {
    const at = (value: number) =>
      potLifeSpent(
        coat,
        [
          { atMin: 0, what: 'resin', value },
          { atMin: 1, what: 'room', value: 99 },
        ],
        20,
      )!;
    expect(at(33) / at(23)).toBeCloseTo(arrheniusFactor(55, 33, 23), 6);
  });
  it('only grows with time and with warmth', () => {
    fc.assert(
      fc.property(fc.double({ min: 10, max: 45, noNaN: true }), fc.double({ min: 0, max: 60, noNaN: true }), (c, t) => {
        expect(potLifeSpent(coat, [{ atMin: 0, temperatureC: c }], t + 1)!).toBeGreaterThan(
          potLifeSpent(coat, [{ atMin: 0, temperatureC: c }], t)!,
        );
        expect(potLifeSpent(coat, [{ atMin: 0, temperatureC: c + 1 }], t + 1)!).toBeGreaterThan(
          potLifeSpent(coat, [{ atMin: 0, temperatureC: c }], t + 1)!,
        );
      }),
    );
  });
  it('goes by the label for a family without a cure model, and is not known without a reading', () => {
    expect(potLifeSpent(saltmarshCard('house-chalk'), [{ atMin: 0, temperatureC: 20 }], 9)).toBe(0.5);
    expect(potLifeSpent(coat, [])).toBeNull();
    expect(potLifeSpent(saltmarshCard('house-noon'), [{ atMin: 0, temperatureC: 20 }], 9)).toBeNull();
  });
});

describe('fitGelTimes', () => {
  const logged = (e: number, faster: number): GelPoint[] =>
    [
      [16, 150],
      [20, 120],
      [24, 200],
      [30, 150],
    ].map(([resinC, massG]) => {
      const cup = cupOf(massG!, resinC!, resinC!);
      // What another activation energy would do to these times, near enough: its own Arrhenius shift about 23 °C.
      return {
        resinC: resinC!,
        massG: massG!,
        minutes: (cup.gelMin! * arrheniusFactor(55, resinC!, 23)) / arrheniusFactor(e, resinC!, 23) / faster,
      };
    });
  it("finds the card again from the card's own gel times", () => {
    const fit = fitGelTimes(coat, logged(55, 1));
    if (fit.status !== 'fitted') throw new Error(fit.status);
    expect(fit.activationKJPerMol).toBeCloseTo(55, 0);
    expect(Math.abs(fit.offPct)).toBeLessThan(0.5);
    expect(fit.residual).toBeLessThan(0.01);
  });
  it('finds a lot that gels a tenth sooner, with the card outside its interval', () => {
    const fit = fitGelTimes(coat, logged(55, 1 / 0.9));
    if (fit.status !== 'fitted') throw new Error(fit.status);
    expect(Math.abs(fit.offPct + 10)).toBeLessThan(3);
    expect(fit.interval[1]).toBeLessThan(fit.cardGelMin);
    expect(fit.interval[0]).toBeLessThanOrEqual(fit.gelMin);
  });
  it('says why it cannot tell', () => {
    expect(fitGelTimes(coat, logged(55, 1).slice(0, 2)).status).toBe('too-few');
    expect(
      fitGelTimes(
        coat,
        [20, 21, 23].map((resinC) => ({ resinC, minutes: 40 })),
      ).status,
    ).toBe('too-close');
    expect(fitGelTimes(saltmarshCard('house-noon'), logged(55, 1)).status).toBe('no-kinetics');
  });
  it('admits that no resin gels later the warmer it is', () => {
    const backwards = [
      [18, 6],
      [24, 8],
      [30, 10],
    ].map(([resinC, minutes]) => ({ resinC: resinC!, minutes: minutes! }));
    expect(fitGelTimes(coat, backwards)).toEqual({ status: 'at-bound', points: 3, odd: 0 });
  });
  it('points at the one reading that was mistyped, and at none of a lot that is fast as a whole', () => {
    const readings = logged(55, 1);
    const mistyped = readings.map((p, i) => (i === 2 ? { ...p, minutes: p.minutes * 10 } : p));
    expect(fitGelTimes(coat, mistyped)).toMatchObject({ odd: 2 });
    expect(fitGelTimes(coat, logged(55, 2))).toMatchObject({ status: 'fitted', odd: null });
  });
  it('widens its interval by Student, as few readings ask', () => {
    const scattered = logged(55, 1).map((p, i) => ({ ...p, minutes: p.minutes * (i % 2 === 0 ? 1.05 : 0.95) }));
    const width = (points: GelPoint[]) => {
      const fit = fitGelTimes(coat, points);
      if (fit.status !== 'fitted') throw new Error(fit.status);
      return Math.log(fit.interval[1] / fit.interval[0]);
    };
    expect(width(scattered.slice(0, 3))).toBeGreaterThan(2 * width(scattered));
    expect(width(scattered)).toBeGreaterThan(width([...scattered, ...scattered, ...scattered]));
  });
});

describe('light', () => {
  it('cures one penetration depth deeper for each e-fold of dose, nothing under the critical dose', () => {
    const at = (doseMJPerCM2: number) => cureDepthMm({ doseMJPerCM2, criticalMJPerCM2: 10, penetrationMm: 2 });
    expect(at(10 * Math.E ** 3)).toBeCloseTo(6, 9);
    expect(at(9.9)).toBe(0);
  });
  it('asks for the dose that cures so deep, and what passes a layer is what cures the rest', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 20, noNaN: true }),
        fc.double({ min: 0.2, max: 6, noNaN: true }),
        (depthMm, penetrationMm) => {
          const dose = doseForDepthMJPerCM2({ depthMm, criticalMJPerCM2: 15, penetrationMm });
          if (dose < 1e7)
            expect(cureDepthMm({ doseMJPerCM2: dose, criticalMJPerCM2: 15, penetrationMm })).toBeCloseTo(depthMm, 6);
          if (dose < 1e7) expect(doseBelowMJPerCM2(dose, depthMm, penetrationMm)).toBeCloseTo(15, 6);
        },
      ),
    );
  });
  it('takes a minute for 60 mJ/cm² at 1 mW/cm²', () => expect(lampMin(60, 1)).toBe(1));
});

describe('powder and warmth', () => {
  it('thickens by half the packing to 2^1.6, and never flows when packed', () => {
    expect(powderThickening(0)).toBe(1);
    expect(powderThickening(0.32)).toBeCloseTo(2 ** 1.6, 9);
    expect(powderThickening(0.64)).toBe(Infinity);
  });
  it('warms half the way in the same time wherever it starts, and never past the bath', () => {
    const at = (fromC: number, toC: number, around: number) =>
      warmUpMin({ massG: 800, fromC, toC, around, way: 'bath' });
    expect(at(10, 25, 40)).toBeCloseTo(at(20, 30, 40), 9);
    expect(at(10, 25, 40) + at(25, 32.5, 40)).toBeCloseTo(at(10, 32.5, 40), 9);
    expect(at(25, 20, 40)).toBe(0);
    expect(at(20, 40, 40)).toBe(Infinity);
    expect(warmUpMin({ massG: 800, fromC: 15, toC: 25, around: 40, way: 'hot-box' })).toBeGreaterThan(
      2.5 * at(15, 25, 40),
    );
  });
});

import { describe, expect, it } from 'vitest';
import { productSchema, type Product } from '../formats/product';
import type { PlanRequest } from '../formats/plan';
import { plan } from '../planning/plan';
import { saltmarshCard } from '../simulation/saltmarshCards';
import { calibrate, isCalibrated } from './calibration';
import { simulateCup } from './simulateCup';
import { inTheMould } from './inTheMould';
import { simulateSlab } from './simulateSlab';
import { HEAT_CAPACITY_J_PER_GK } from './kineticsDefaults';

const slabOf = (product: Product, depthMm: number, more: object = {}) => {
  const slab = simulateSlab(product, { depthMm, resinC: 22, roomC: 22, ...more });
  if (!('peakC' in slab)) throw new Error(slab.status);
  return slab;
};
/** The hottest that all the heat of a cup could make it, by hand: ΔH over the heat capacity. */
const allAtOnceC = (product: Product, fromC: number) => {
  const fit = calibrate(product);
  if (!isCalibrated(fit)) throw new Error(fit.status);
  return fromC + fit.heatJPerG / HEAT_CAPACITY_J_PER_GK;
};
/** An epoxy of which the card says no more than how long it can be worked. */
const bare = productSchema.parse({
  format: 'warm-jar.product/1',
  slug: 'house-bare',
  revision: 1,
  name: 'House Bare',
  family: 'epoxy',
  ratio: { byWeight: { a: 100, b: 44 }, tolerancePct: 3 },
  mixedDensityGPerML: 1.1,
  potLife: { minutes: 30, atC: 23, massG: 100 },
});
const planned = (product: Product, request: Partial<PlanRequest>) => plan({ product, ...request } as PlanRequest);

describe('the heat of a pour', () => {
  it('is told to the end of the reaction: polyester gels with nearly all its heat to come', () => {
    const slab = slabOf(saltmarshCard('house-tide'), 9);
    expect(slab.peakMin).toBeGreaterThan(slab.centreGelMin!);
    expect(slab.peakC).toBeGreaterThan(60);
  });
  it('rises with depth without a jump, millimetre by millimetre and finer', () => {
    const tide = saltmarshCard('house-tide');
    const peaks = Array.from({ length: 21 }, (_, i) => slabOf(tide, 8.5 + i * 0.05).peakC);
    for (let i = 1; i < peaks.length; i += 1) {
      expect(peaks[i]! - peaks[i - 1]!).toBeGreaterThan(-0.6);
      expect(peaks[i]! - peaks[i - 1]!).toBeLessThan(6);
    }
    expect(peaks.at(-1)! - peaks[0]!).toBeGreaterThan(0);
  });
  it.each([10, 25, 50, 80, 120])('is never more than all its heat at once: a bare epoxy, %s mm', (depthMm) => {
    expect(slabOf(bare, depthMm).peakC).toBeLessThanOrEqual(allAtOnceC(bare, 22) + 0.5);
  });
  it('moves by less than two kelvin when the mesh is doubled, in a runaway too', () => {
    for (const depthMm of [30, 50])
      expect(
        Math.abs(slabOf(bare, depthMm, { nodes: 60 }).peakC - slabOf(bare, depthMm, { nodes: 120 }).peakC),
      ).toBeLessThan(2);
  });
  it('stops a silent card where a mix smokes: five kilograms at fifty millimetres', () => {
    const { verdict, warnings, peakC } = planned(bare, {
      want: { mixedMassG: 5000 },
      conditions: { roomC: 22, resinC: 22 },
      mould: { depthMm: 50 },
    });
    expect(verdict).toBe('no-go');
    expect(peakC!).toBeLessThanOrEqual(allAtOnceC(bare, 22) + 0.5);
    expect(
      warnings.find((w) => w.code === 'over-exotherm' || w.code === 'too-deep-at-once' || w.code === 'cup-too-hot'),
    ).toBeDefined();
    expect(warnings.find((w) => w.code === 'heat-guessed')?.says).toContain('How hot it gets is a guess');
  });
  it('is taken by filler: the cup is cooler the more of it there is, and never warmer than without', () => {
    const clear = saltmarshCard('house-bone-3');
    const peaks = [0, 20, 40, 80].map((massG) => {
      const cup = simulateCup(clear, {
        massG: 200 + massG,
        resinC: 22,
        roomC: 22,
        mix: { resinG: 200, inert: massG > 0 ? [{ massG, kind: 'filler' }] : [] },
      });
      if (!('peakC' in cup)) throw new Error(cup.status);
      return cup.peakC;
    });
    for (let i = 1; i < peaks.length; i += 1) expect(peaks[i]!).toBeLessThan(peaks[i - 1]!);
  });
  it('is waited for: no pour goes on before the one below has gelled and cooled', () => {
    const tide = saltmarshCard('house-tide');
    const found = inTheMould(tide, {
      depthMm: 60,
      massG: 800,
      leftoverG: 0,
      pourMin: 5,
      resinC: 22,
      roomC: 22,
      mouldC: 22,
    });
    if (!('schedule' in found)) throw new Error('no model');
    const { pours } = found.schedule;
    expect(pours.length).toBeGreaterThan(2);
    for (let i = 1; i < pours.length; i += 1) {
      const alone = slabOf(tide, pours[i - 1]!.depthMm);
      expect(pours[i]!.afterMin - pours[i - 1]!.afterMin).toBeGreaterThan(alone.centreGelMin!);
    }
  });
  it('never lets the card’s own depth pass for a hint: fifty millimetres of a coat that takes ten', () => {
    const { verdict, warnings } = planned(saltmarshCard('house-coat-9'), {
      want: { mixedMassG: 1315 },
      conditions: { roomC: 22, resinC: 22 },
      mould: { depthMm: 50 },
    });
    expect(verdict).toBe('no-go');
    const found = warnings.find((w) => w.code === 'too-deep-at-once')!;
    expect(found.stop).toBe(true);
    expect(found.says).toContain("the card's deepest pour is 10 mm, and poured at once it would reach");
  });
  it('stops no sound plan of the demo studio by a guess', () => {
    for (const slug of [
      'house-deep-40',
      'house-coat-9',
      'house-clear-6',
      'house-bone-3',
      'house-tide',
      'house-mould-p',
      'house-mould-t',
    ]) {
      const product = saltmarshCard(slug);
      const depthMm = Math.min(10, product.depth?.maxMm ?? 10);
      const { warnings } = planned(product, {
        want: { mixedMassG: 150 },
        conditions: { roomC: 22, resinC: 22, humidityPct: 50 },
        mould: { depthMm },
      });
      expect(
        warnings.filter((w) => w.stop && /too-hot|exotherm|heat/.test(w.code)),
        slug,
      ).toEqual([]);
    }
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findRoot } from '../numeric/findRoot';
import { solveTridiagonal } from '../numeric/tridiagonal';
import { SALTMARSH_CARDS, saltmarshCard } from '../simulation/saltmarshCards';
import { productSchema } from '../formats/product';
import { overlay } from '../simulation/soundBatch';
import { calibrate, isCalibrated, type Calibration } from './calibration';
import type { Chemistry } from './chemistry';
import { cureRatePerMin } from './cup';
import { HEAT_CAPACITY_J_PER_GK, familyKinetics } from './kineticsDefaults';
import { sideLoss } from './sideLoss';
import { simulateSlab } from './simulateSlab';
import { adiabaticPeakC, integrateSlab, type SlabConditions } from './slab';
import { CONDUCTIVITY_W_PER_MK } from './slabSystem';

const inert: Chemistry = { kinetics: familyKinetics('epoxy')!, kPerMin: 1e-15, referenceC: 23, heatJPerG: 380 };
const bare: SlabConditions = {
  depthMm: 40,
  densityGPerML: 1.1,
  resinC: 60,
  alpha: 0,
  roomC: 20,
  mouldC: 20,
  mouldMm: 0,
  topWPerM2K: 10,
  bottomWPerM2K: 10,
  sideWPerM3K: 0,
  nodes: 60,
  maxMinutes: 60,
  alphaGel: 0.55,
  coolK: 0,
};
const fitOf = (slug: string): Calibration => {
  const fit = calibrate(saltmarshCard(slug));
  if (!isCalibrated(fit)) throw new Error(fit.status);
  return fit;
};

/**
 * Excess temperature in the middle of a plate cooling by convection on both
 * faces, as a share of the first: the textbook series.
 */
function plateSeries(biot: number, fourier: number): number {
  let sum = 0;
  for (let n = 0; n < 12; n += 1) {
    const z = findRoot(
      (x) => x * Math.sin(x) - biot * Math.cos(x),
      n * Math.PI + 1e-9,
      n * Math.PI + Math.PI / 2,
      1e-12,
    ).value;
    sum += ((4 * Math.sin(z)) / (2 * z + Math.sin(2 * z))) * Math.exp(-z * z * fourier);
  }
  return sum;
}

describe('a slab that only conducts', () => {
  it.each([
    [10, 20],
    [10, 60],
    [200, 30],
  ])('follows the series for a plate in air: h %s after %s min', (h, minutes) => {
    const curve = integrateSlab(inert, { ...bare, topWPerM2K: h, bottomWPerM2K: h, maxMinutes: minutes });
    const half = 0.02;
    const diffusivity = CONDUCTIVITY_W_PER_MK / (1.1e6 * HEAT_CAPACITY_J_PER_GK);
    const share = plateSeries((h * half) / CONDUCTIVITY_W_PER_MK, (diffusivity * minutes * 60) / half ** 2);
    const middle = (curve.temperatureC.at(-1)![29]! + curve.temperatureC.at(-1)![30]!) / 2;
    expect(Math.abs((middle - 20) / 40 - share)).toBeLessThan(0.004);
  });
  it('cools as one lump where it is thin', () => {
    const curve = integrateSlab(inert, { ...bare, depthMm: 1, maxMinutes: 3 });
    const perMin = (60 * 20) / (1.1e6 * 0.001 * HEAT_CAPACITY_J_PER_GK);
    expect(Math.abs(curve.temperatureC.at(-1)![30]! - (20 + 40 * Math.exp(-perMin * 3)))).toBeLessThan(0.15);
  });
  it('warms a cold mould below it: the mean of both where nothing is lost, by what each holds', () => {
    const curve = integrateSlab(inert, { ...bare, mouldMm: 40, topWPerM2K: 0, bottomWPerM2K: 0, maxMinutes: 3000 });
    const [resin, rubber] = [1.1 * 1.9, 1.1 * 1.4];
    for (const t of curve.temperatureC.at(-1)!)
      expect(Math.abs(t - (60 * resin + 20 * rubber) / (resin + rubber))).toBeLessThan(0.05);
  });
});

describe('a slab that cures', () => {
  it('reaches the adiabatic peak where nothing is lost, and never passes it', () => {
    const fit = fitOf('house-clear-6');
    const sealed = {
      ...bare,
      resinC: 22,
      roomC: 22,
      mouldC: 22,
      topWPerM2K: 0,
      bottomWPerM2K: 0,
      maxMinutes: 600,
      alphaGel: fit.alphaGel,
    };
    const curve = integrateSlab(fit, sealed);
    expect(curve.peakC).toBeLessThanOrEqual(adiabaticPeakC(fit, sealed) + 1e-6);
    expect(curve.peakC).toBeGreaterThan(adiabaticPeakC(fit, sealed) - 1.5);
  });
  it('agrees with a plain explicit integration of the same equations, steps of a fiftieth of a second', () => {
    const fit = fitOf('house-clear-6');
    const [nodes, dx] = [12, 0.03 / 12];
    const c = {
      ...bare,
      depthMm: 30,
      nodes,
      resinC: 22,
      roomC: 20,
      maxMinutes: 25,
      alphaGel: fit.alphaGel,
      densityGPerML: fit.densityGPerML,
    };
    const curve = integrateSlab(fit, c);
    const holds = fit.densityGPerML * 1e6 * HEAT_CAPACITY_J_PER_GK * dx;
    const [between, face] = [CONDUCTIVITY_W_PER_MK / dx, 1 / (dx / 2 / CONDUCTIVITY_W_PER_MK + 1 / 10)];
    let [T, a, peak] = [Array<number>(nodes).fill(22), Array<number>(nodes).fill(0), 0];
    const dt = 1 / 3000;
    for (let t = 0; t < 25; t += dt) {
      const rates = T.map((v, i) => cureRatePerMin(fit, a[i]!, v));
      const flow = T.map(
        (v, i) =>
          (i > 0 ? between * (T[i - 1]! - v) : face * (20 - v)) +
          (i < nodes - 1 ? between * (T[i + 1]! - v) : face * (20 - v)),
      );
      T = T.map((v, i) => v + dt * ((60 * flow[i]!) / holds + (fit.heatJPerG / HEAT_CAPACITY_J_PER_GK) * rates[i]!));
      a = a.map((v, i) => v + dt * rates[i]!);
      peak = Math.max(peak, ...T);
    }
    expect(Math.abs(curve.peakC - peak)).toBeLessThan(0.35);
    for (let i = 0; i < nodes; i += 1) expect(Math.abs(curve.temperatureC.at(-1)![i]! - T[i]!)).toBeLessThan(0.35);
    for (let i = 0; i < nodes; i += 1) expect(Math.abs(curve.alpha.at(-1)![i]! - a[i]!)).toBeLessThan(0.004);
  });
  it('keeps its energy, the bound of the whole, and its conversion rising, whatever the pour', () => {
    const fit = fitOf('house-coat-9');
    const some = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(some(1, 120), some(10, 40), some(5, 35), some(0, 40), (depthMm, resinC, roomC, mouldMm) => {
        const c = {
          ...bare,
          depthMm,
          resinC,
          roomC,
          mouldC: roomC,
          mouldMm,
          nodes: 24,
          maxMinutes: 400,
          alphaGel: fit.alphaGel,
          sideWPerM3K: 300,
        };
        const curve = integrateSlab(fit, c);
        expect(curve.energyError).toBeLessThan(0.01);
        expect(curve.peakC).toBeLessThanOrEqual(adiabaticPeakC(fit, c) + 1e-9);
        expect(Math.max(...curve.temperatureC.map((row) => row.reduce((x, y) => x + y, 0) / 24))).toBeLessThanOrEqual(
          adiabaticPeakC(fit, c) + 0.01,
        );
        const falls = curve.alpha.slice(1).flatMap((row, t) => row.map((a, i) => curve.alpha[t]![i]! - a));
        expect(Math.max(...falls)).toBeLessThan(1e-6);
      }),
      { numRuns: 25 },
    );
  });
  it('moves little when the grid is doubled', () => {
    const at = (nodes: number) => {
      const s = simulateSlab(saltmarshCard('house-deep-40'), { depthMm: 50, resinC: 23, roomC: 22, nodes });
      if (!('peakC' in s)) throw new Error(s.status);
      return s;
    };
    const [coarse, fine] = [at(30), at(120)];
    expect(Math.abs(coarse.peakC - fine.peakC)).toBeLessThan(0.4);
    expect(Math.abs(coarse.lastGelMin! / fine.lastGelMin! - 1)).toBeLessThan(0.01);
  });
  it('is hottest inside, gels there first and at a face last, and is cool after its peak', () => {
    const s = simulateSlab(saltmarshCard('house-deep-40'), { depthMm: 55, resinC: 23, roomC: 22 });
    if (!('peakC' in s)) throw new Error(s.status);
    expect(s.status).toBe('complete');
    expect(s.peakAtMm).toBeGreaterThan(15);
    expect(s.peakAtMm).toBeLessThan(40);
    expect(s.centreGelMin!).toBeLessThan(s.lastGelMin!);
    expect(Math.min(s.lastGelAtMm, 55 - s.lastGelAtMm)).toBeLessThan(5);
    expect(s.coolMin!).toBeGreaterThan(s.peakMin);
  });
  it('says when the time ran out, and tells how far it is', () => {
    const told: number[] = [];
    const s = simulateSlab(saltmarshCard('house-deep-40'), {
      depthMm: 55,
      resinC: 23,
      roomC: 22,
      hours: 1,
      onProgress: (share) => told.push(share),
    });
    if (!('peakC' in s)) throw new Error(s.status);
    expect(s.lastGelMin).toBeNull();
    expect(s.minutes.at(-1)).toBeCloseTo(60, 6);
    expect(told.length).toBeGreaterThan(3);
    expect([...told].sort((a, b) => a - b)).toEqual(told);
  });
  it('has nothing to say of a light-cured product, and refuses what cannot be', () => {
    expect(simulateSlab(saltmarshCard('house-noon'), { depthMm: 5, resinC: 20, roomC: 20 })).toEqual({
      status: 'no-kinetics',
    });
    expect(() => simulateSlab(saltmarshCard('house-deep-40'), { depthMm: 0, resinC: 20, roomC: 20 })).toThrow(
      'depthMm',
    );
  });
});

describe('sideLoss', () => {
  it.each(SALTMARSH_CARDS.filter((c) => familyKinetics(c.family)).map((c) => [c.slug, c] as const))(
    '%s: its own deepest pour meets its own exotherm limit',
    (_slug, card) => {
      const loss = sideLoss(card);
      const roomC = (card.room!.minC! + card.room!.maxC!) / 2;
      const slab = simulateSlab(card, { depthMm: card.depth!.maxMm!, resinC: roomC, roomC });
      if (!('peakC' in slab)) throw new Error(slab.status);
      expect(['card', 'not-needed']).toContain(loss.from);
      if (loss.from === 'card') expect(Math.abs(slab.peakC - card.exothermMaxC!)).toBeLessThan(1);
      else expect(slab.peakC).toBeLessThanOrEqual(card.exothermMaxC! + 0.5);
    },
  );
  it('takes the worst case where the card lacks a figure, and says when its figures cannot all be true', () => {
    const card = saltmarshCard('house-deep-40');
    expect(sideLoss(productSchema.parse(overlay(card, { exothermMaxC: null })))).toEqual({
      wPerM3K: 0,
      from: 'worst-case',
    });
    expect(sideLoss(productSchema.parse(overlay(card, { exothermMaxC: 30 }))).from).toBe('not-met');
  });
});

describe('solveTridiagonal', () => {
  it('solves any diagonally dominant system', () => {
    const numbers = fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 5, maxLength: 5 });
    fc.assert(
      fc.property(numbers, numbers, numbers, (l, u, x) => {
        const d = [3, 4, 5, 3, 4];
        const right = Float64Array.from(
          d,
          (v, i) => v * x[i]! + (i > 0 ? l[i]! * x[i - 1]! : 0) + (i < 4 ? u[i]! * x[i + 1]! : 0),
        );
        solveTridiagonal(Float64Array.from(l), Float64Array.from(d), Float64Array.from(u), right, new Float64Array(5));
        right.forEach((v, i) => {
          expect(v).toBeCloseTo(x[i]!, 9);
        });
      }),
    );
  });
});

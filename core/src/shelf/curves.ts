import { isCalibrated, calibrate } from '../cure/calibration';
import { expectedShore } from '../cure/hardness';
import { SHEET_MASS_G } from '../cure/kineticsDefaults';
import { simulateCup } from '../cure/simulateCup';
import { mixedViscosityMPaS } from '../cure/viscosity';
import type { Product } from '../formats/product';
import { askedCatalystPct } from '../mixing/askedCatalyst';

export type Point = readonly [x: number, y: number];
/** One line of a chart: what it holds constant, and its points. */
export interface Curve {
  readonly held: number;
  readonly points: readonly Point[];
}

const STEP_C = 1;
/** Beyond the card's band on each side, K. */
const BEYOND_K = 4;

function temperatures(low: number, high: number): number[] {
  const from = Math.floor(low - BEYOND_K);
  return Array.from({ length: Math.floor((high + BEYOND_K - from) / STEP_C) + 1 }, (_, i) => from + i * STEP_C);
}

const resinBand = (p: Product): [number, number] => [p.resin?.minC ?? 18, p.resin?.maxC ?? 30];
const roomBand = (p: Product): [number, number] => [p.room?.minC ?? 18, p.room?.maxC ?? 28];

/**
 * Pot life in minutes against resin temperature, in a room at the card's temperature, for a third, once and three
 * times the card's mass. Empty where there is no cure model.
 */
export function potLifeCurves(product: Product): Curve[] {
  if (!isCalibrated(calibrate(product))) return [];
  const massG = product.potLife?.massG ?? product.gel?.massG ?? SHEET_MASS_G;
  const roomC = product.potLife?.atC ?? product.gel?.atC ?? 23;
  return [massG / 3, massG, massG * 3].map((held) => ({
    held: Math.round(held),
    points: temperatures(...resinBand(product)).flatMap((resinC): Point[] => {
      const cup = simulateCup(product, { massG: held, resinC, roomC });
      return 'curve' in cup && cup.potLifeMin !== null ? [[resinC, cup.potLifeMin]] : [];
    }),
  }));
}

/** Viscosity of the fresh mix in mPa·s against temperature; empty where the card states none. */
export function viscosityCurve(product: Product): Point[] {
  return temperatures(...resinBand(product)).flatMap((t): Point[] => {
    const v = mixedViscosityMPaS(product, t);
    return v === null ? [] : [[t, v]];
  });
}

/** Points along a hardness curve; enough for a smooth line on a log axis of time. */
const HARDNESS_POINTS = 48;

/**
 * Expected Shore hardness against hours at the card's coldest, middle and
 * warmest room; empty where the card lacks a figure.
 */
export function hardnessCurves(product: Product): Curve[] {
  const fullH = product.fullCure?.hours;
  const firstH = (product.demould?.minutes ?? 0) / 60;
  if (fullH == null || firstH <= 0 || expectedShore(product, 60, 23) === null) return [];
  const [low, high] = roomBand(product);
  const [from, to] = [Math.log(firstH / 10), Math.log(fullH * 2)];
  return [low, (low + high) / 2, high].map((held) => ({
    held,
    points: Array.from({ length: HARDNESS_POINTS }, (_, i): Point => {
      const hours = Math.exp(from + ((to - from) * i) / (HARDNESS_POINTS - 1));
      return [hours, expectedShore(product, hours * 60, held) ?? 0];
    }),
  }));
}

/** Catalyst in per cent that the room asks for, over the card's room band; empty for a system without catalyst. */
export function catalystCurve(product: Product): Point[] {
  return temperatures(...roomBand(product)).flatMap((roomC): Point[] => {
    const pct = askedCatalystPct(product, roomC);
    return pct === null ? [] : [[roomC, pct]];
  });
}

const DOSE_STEPS = 24;

/**
 * Pot life in minutes against the dose of catalyst in per cent, over the card's band, with resin and room at the card's
 * coldest, its own and its warmest temperature, for the card's mass; empty for a system without catalyst.
 */
export function doseCurves(product: Product): Curve[] {
  const { minPct, maxPct } = product.ratio.catalyst ?? {};
  if (minPct == null || maxPct == null || !(minPct > 0) || !isCalibrated(calibrate(product))) return [];
  const massG = product.potLife?.massG ?? product.gel?.massG ?? SHEET_MASS_G;
  const [low, high] = roomBand(product);
  const own = product.potLife?.atC ?? product.gel?.atC ?? (low + high) / 2;
  return [...new Set([low, own, high])].map((held) => ({
    held,
    points: Array.from({ length: DOSE_STEPS + 1 }, (_, i) => minPct + ((maxPct - minPct) * i) / DOSE_STEPS).flatMap(
      (pct): Point[] => {
        const cup = simulateCup(product, { massG, resinC: held, roomC: held, mix: { catalystPct: pct } });
        return 'curve' in cup && cup.potLifeMin !== null ? [[pct, cup.potLifeMin]] : [];
      },
    ),
  }));
}

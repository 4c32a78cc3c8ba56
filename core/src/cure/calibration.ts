import { z } from 'zod';
import type { Product } from '../formats/product';
import { findRoot } from '../numeric/findRoot';
import { memoize } from '../numeric/memoize';
import type { Chemistry } from './chemistry';
import { alphaAtMinute, integrateCup, minuteAtAlpha, type CupConditions } from './cup';
import {
  POT_LIFE_SHARE_OF_GEL,
  SHEET_DENSITY_G_PER_ML,
  SHEET_MASS_G,
  SHEET_TEMPERATURE_C,
  familyKinetics,
  type FamilyKinetics,
} from './kineticsDefaults';

/** A product's chemistry fitted to its own card, and how well the card allowed it. */
export interface Calibration extends Chemistry {
  readonly densityGPerML: number;
  readonly alphaGel: number;
  /** Conversion at which the card's pot life ends. */
  readonly alphaPot: number;
  /** `card` where a stated peak exotherm fixed the heat; `family` where it is the family's upper guess. */
  readonly heatFrom: 'card' | 'family';
  /** `peak-not-met` where no heat of reaction meets pot life and peak together; the nearest is used. */
  readonly status: 'met' | 'peak-not-met';
  /** True where the card gives pot life or gel without the mass it was measured at. */
  readonly massAssumed: boolean;
}

export type CalibrationResult = Calibration | { readonly status: 'no-kinetics' | 'no-pot-life' | 'did-not-converge' };

const densityOf = (p: Product) => p.mixedDensityGPerML ?? p.densityAGPerML ?? SHEET_DENSITY_G_PER_ML;

interface CardPoint {
  readonly minutes: number;
  readonly atC: number;
  readonly massG: number;
}

function pointOf(stated: Product['potLife']): CardPoint | null {
  if (stated?.minutes == null) return null;
  return { minutes: stated.minutes, atC: stated.atC ?? SHEET_TEMPERATURE_C, massG: stated.massG ?? SHEET_MASS_G };
}

function cupAt(point: CardPoint, densityGPerML: number, maxMinutes: number, untilAlpha?: number): CupConditions {
  return { massG: point.massG, densityGPerML, resinC: point.atC, roomC: point.atC, maxMinutes, untilAlpha };
}

/** Conversion that the card's point must reach, and the point that fixes the rate constant. */
function anchorOf(product: Product, kinetics: FamilyKinetics): { point: CardPoint; alpha: number } | null {
  const gel = pointOf(product.gel);
  if (gel) return { point: gel, alpha: kinetics.alphaGel };
  const pot = pointOf(product.potLife);
  return pot && { point: pot, alpha: POT_LIFE_SHARE_OF_GEL * kinetics.alphaGel };
}

/** ln k as it was found so far for other heats of reaction. */
type Found = readonly { readonly heat: number; readonly lnK: number }[];

/**
 * What ln k is likely to be for a heat, by how it moved so far; that of a cup that stays cold where nothing is known.
 */
function foretold(found: Found, heat: number, { minutes }: CardPoint): number {
  const [last, before] = [found.at(-1), found.at(-2)];
  if (!last) return -Math.log(minutes);
  if (!before || before.heat === last.heat) return last.lnK;
  return last.lnK + ((last.lnK - before.lnK) / (last.heat - before.heat)) * (heat - last.heat);
}

/** Without self-heating, ln(k·minutes) lies between these for every family; heating only lowers it. */
const [LEAST_LN, MOST_LN] = [-6, 5];
/** ln k is found to this; so many steps of the secant, and then the bracket is searched. */
const [LN_K_TOLERANCE, SECANT_STEPS] = [1e-8, 12];

/**
 * Solves the rate constant so that the card's cup reaches `alpha` at the card's minute. Works in ln k, where the miss
 * is nearly a straight line: the secant needs few cups, and where it does not settle the bracket is searched.
 * @param guess what ln k is likely to be
 * @returns ln k; null where there is none
 */
function solveRate(
  base: Omit<Chemistry, 'kPerMin'>,
  { point, alpha }: { point: CardPoint; alpha: number },
  densityGPerML: number,
  guess: number,
): number | null {
  const miss = (lnK: number) => {
    const curve = integrateCup(
      { ...base, kPerMin: Math.exp(lnK) },
      cupAt(point, densityGPerML, point.minutes * 50, alpha),
    );
    const minute = minuteAtAlpha(curve, alpha);
    return minute === null ? -Math.log(50) : Math.log(point.minutes / minute);
  };
  const [low, high] = [LEAST_LN - Math.log(point.minutes), MOST_LN - Math.log(point.minutes)];
  let [x0, f0] = [guess, miss(guess)];
  let x1 = x0 - f0;
  for (let step = 0; step < SECANT_STEPS && x1 > low && x1 < high; step += 1) {
    if (Math.abs(x1 - x0) <= LN_K_TOLERANCE) return x1;
    const f1 = miss(x1);
    const next = f1 === f0 ? x1 - f1 : x1 - (f1 * (x1 - x0)) / (f1 - f0);
    [x0, f0, x1] = [x1, f1, next];
  }
  const root = findRoot(miss, low, high, 1e-7, 80);
  return root.status === 'converged' || Math.abs(root.residual) < 1e-3 ? root.value : null;
}

/** The peak that the card's exotherm cup reaches with this chemistry, °C. */
function cardPeak(chemistry: Chemistry, exotherm: CardPoint, densityGPerML: number): number {
  return integrateCup(chemistry, cupAt(exotherm, densityGPerML, exotherm.minutes)).peakC;
}

function solve(product: Product): CalibrationResult {
  const kinetics = familyKinetics(product.family);
  if (!kinetics) return { status: 'no-kinetics' };
  const anchor = anchorOf(product, kinetics);
  if (!anchor) return { status: 'no-pot-life' };
  const densityGPerML = densityOf(product);
  const found: { heat: number; lnK: number }[] = [];
  const chemistryFor = (heatJPerG: number): Chemistry | null => {
    const base = { kinetics, referenceC: anchor.point.atC, heatJPerG };
    const known = found.find((f) => f.heat === heatJPerG)?.lnK;
    const lnK = known ?? solveRate(base, anchor, densityGPerML, foretold(found, heatJPerG, anchor.point));
    if (lnK !== null && known === undefined) found.push({ heat: heatJPerG, lnK });
    return lnK === null ? null : { ...base, kPerMin: Math.exp(lnK) };
  };
  const { chemistry, status, heatFrom } = fitHeat(product, kinetics, anchor.point, densityGPerML, chemistryFor);
  if (!chemistry) return { status: 'did-not-converge' };
  return {
    ...chemistry,
    densityGPerML,
    status,
    heatFrom,
    alphaGel: kinetics.alphaGel,
    alphaPot: potAlpha(product, chemistry, densityGPerML, kinetics),
    massAssumed: (product.gel?.minutes != null ? product.gel.massG : product.potLife?.massG) == null,
  };
}

/** The cup whose peak the card states, followed long enough to have had it. */
const exothermPoint = (product: Product, point: CardPoint): CardPoint => ({
  minutes: point.minutes * 60,
  atC: product.exotherm?.atC ?? point.atC,
  massG: product.exotherm?.massG ?? point.massG,
});

/** Heats of reaction tried when the card states a peak, J/g: from nearly none to above any bench resin. */
const HEAT_RANGE_J_PER_G = [15, 600] as const;

function fitHeat(
  product: Product,
  kinetics: FamilyKinetics,
  point: CardPoint,
  densityGPerML: number,
  chemistryFor: (heatJPerG: number) => Chemistry | null,
): { chemistry: Chemistry | null; status: Calibration['status']; heatFrom: Calibration['heatFrom'] } {
  const peakC = product.exotherm?.peakC;
  if (peakC == null) return { chemistry: chemistryFor(kinetics.heatJPerG), status: 'met', heatFrom: 'family' };
  const exotherm = exothermPoint(product, point);
  const miss = (heat: number) => {
    const chemistry = chemistryFor(heat);
    return chemistry ? cardPeak(chemistry, exotherm, densityGPerML) - peakC : Number.NaN;
  };
  const root = findRoot(miss, HEAT_RANGE_J_PER_G[0], HEAT_RANGE_J_PER_G[1], 1e-4, 40);
  const met = Math.abs(root.residual) < 0.5;
  return { chemistry: chemistryFor(root.value), status: met ? 'met' : 'peak-not-met', heatFrom: 'card' };
}

/** A stated gel time fixes the share of the gel conversion at which pot life ends. */
function potAlpha(product: Product, chemistry: Chemistry, densityGPerML: number, kinetics: FamilyKinetics): number {
  const pot = pointOf(product.potLife);
  if (!pot || product.gel?.minutes == null) return POT_LIFE_SHARE_OF_GEL * kinetics.alphaGel;
  const curve = integrateCup(chemistry, cupAt(pot, densityGPerML, pot.minutes));
  return Math.min(alphaAtMinute(curve, pot.minutes), kinetics.alphaGel);
}

/** Goes up when the sums of a fit change: what was fitted before is fitted anew. */
const FIT_VERSION = 1;
/** Fits remembered, far more than a studio has cards; the oldest makes room. */
const MAX_FITS = 500;
const fits = new Map<string, CalibrationResult>();

/** All that a fit goes by, as one word: cards that say the same of it have the same fit. */
const fitKey = (p: Product): string =>
  JSON.stringify([FIT_VERSION, p.family, densityOf(p), p.gel, p.potLife, p.exotherm]);

function remember(key: string, fit: CalibrationResult): CalibrationResult {
  if (fits.size >= MAX_FITS) fits.delete(fits.keys().next().value!);
  fits.set(key, fit);
  return fit;
}

function remembered(product: Product): CalibrationResult {
  const key = fitKey(product);
  return fits.get(key) ?? remember(key, solve(product));
}

/** What was fitted to a card, under all that the fit goes by: to be kept. */
export const fitToKeep = (product: Product): readonly [key: string, fit: CalibrationResult] => [
  fitKey(product),
  calibrate(product),
];

/** A kept fit is believed where the card's own cup comes as near its minutes, as a share, and its peak, K, as it did. */
const [KEPT_SHARE, KEPT_K] = [1e-4, 0.5];

/** Whether a fit still does what it is for: by the card's own cup, which takes far less than the fit did. */
function stillMeets(product: Product, fit: Calibration): boolean {
  const kinetics = familyKinetics(product.family);
  const anchor = kinetics && anchorOf(product, kinetics);
  if (!anchor || JSON.stringify(fit.kinetics) !== JSON.stringify(kinetics)) return false;
  const { point, alpha } = anchor;
  const curve = integrateCup(fit, cupAt(point, fit.densityGPerML, point.minutes * 50, alpha));
  const minute = minuteAtAlpha(curve, alpha);
  if (minute === null || Math.abs(minute / point.minutes - 1) > KEPT_SHARE) return false;
  const peakC = product.exotherm?.peakC;
  if (peakC == null || fit.status === 'peak-not-met') return true;
  return Math.abs(cardPeak(fit, exothermPoint(product, point), fit.densityGPerML) - peakC) < KEPT_K;
}

/**
 * Takes the fit that was kept of a card, after a restart.
 * @param kept by key, as `fitToKeep` gave them; what does not read as a fit, or no longer meets its card, is left, and
 * the card fitted anew when it is asked for
 */
export function takeKeptFit(product: Product, kept: ReadonlyMap<string, unknown>): void {
  const key = fitKey(product);
  const read = keptFit.safeParse(kept.get(key));
  if (!read.success || fits.has(key)) return;
  const fit: CalibrationResult = read.data;
  if (isCalibrated(fit) && stillMeets(product, fit)) remember(key, fit);
}

const positive = z.number().positive();
const share = z.number().min(0).max(1);
const keptFit = z.strictObject({
  kinetics: z.strictObject({
    activationKJPerMol: positive,
    m: positive,
    n: positive,
    b: positive,
    heatJPerG: positive,
    alphaGel: share,
    flowKJPerMol: positive,
  }),
  kPerMin: positive,
  referenceC: z.number(),
  heatJPerG: positive,
  densityGPerML: positive,
  alphaGel: share,
  alphaPot: share,
  heatFrom: z.enum(['card', 'family']),
  status: z.enum(['met', 'peak-not-met']),
  massAssumed: z.boolean(),
});

/**
 * Fits a product's rate constant (and, where the card states a peak exotherm, its heat of reaction) to its card, so
 * that the card's own cup meets the card's own minutes. Remembered for each card object, and for cards that say the
 * same.
 * @returns the fit, or why there is none: the family does not cure by its
 * own heat, or the card states neither pot life nor gel
 */
export const calibrate: (product: Product) => CalibrationResult = memoize(remembered);

/** Narrows to a usable fit. */
export const isCalibrated = (c: CalibrationResult): c is Calibration =>
  c.status === 'met' || c.status === 'peak-not-met';

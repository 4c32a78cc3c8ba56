import { firstReach, valueAlong } from '../numeric/alongCurve';
import { requireNumber } from '../formats/errors';
import { calibrate, isCalibrated } from '../cure/calibration';
import { mixFit, type CupMix } from '../cure/cupMix';
import { alphaAtMinute, minuteAtAlpha, type CupCurve } from '../cure/cup';
import { alphaAtSpent, potLifeSpent, resinPoints, type ResinReading } from '../cure/potLifeSpent';
import { integrateSplitCup, type CupSplit } from '../cure/splitCup';
import type { Product } from '../formats/product';

/** The cup at the bench: what it holds, what was read of it, and when now is. */
export interface CupNow {
  readonly massG: number;
  /** The mix when the parts met, °C. */
  readonly resinC: number;
  readonly roomC: number;
  readonly cupDiameterMm?: number | undefined;
  readonly readings: readonly ResinReading[];
  /** Where it was poured off from a mix: when, minutes since the parts met, and with how much; then it is that cup. */
  readonly split?: CupSplit | null | undefined;
  /** Dose, colours and fillers in it. */
  readonly mix?: CupMix | undefined;
  /** Minutes since the parts met. */
  readonly nowMin: number;
}

/** What the bench clock counts down. Minutes count from when the parts met. */
export interface BenchClock {
  /** Share of pot life that is spent; above 1 it is over. */
  readonly spent: number;
  readonly potLifeEndsMin: number | null;
  readonly gelsMin: number | null;
  /** The mix as it should be now, °C; null where only the label is known. */
  readonly resinNowC: number | null;
  /**
   * `readings`: from the temperatures read so far. `start`: from the temperature
   * it began at. `label`: the card's minutes by the clock.
   */
  readonly from: 'readings' | 'start' | 'label';
}

/** Longest cure followed in a cup, min. */
const MAX_MINUTES = 14_400;

/** The cup's curve from the last thing that is known of it, and when that was. */
function curveFrom(product: Product, cup: CupNow): { curve: CupCurve; sinceMin: number; read: boolean } | null {
  const fit = mixFit(product, cup.mix);
  if (!isCalibrated(fit)) return null;
  const points = resinPoints(cup.readings).filter((p) => p.atMin <= cup.nowMin + 1e-9);
  const last = points.at(-1);
  const start = {
    massG: Math.max(cup.massG, 0.1),
    densityGPerML: fit.densityGPerML,
    roomC: cup.roomC,
    cupDiameterMm: cup.cupDiameterMm,
    maxMinutes: MAX_MINUTES,
  };
  if (!last || last.atMin === 0)
    return {
      curve: integrateSplitCup(fit, { ...start, resinC: last?.temperatureC ?? cup.resinC }, cup.split ?? null),
      sinceMin: 0,
      read: Boolean(last),
    };
  const path = points[0]!.atMin > 0 ? [{ atMin: 0, temperatureC: cup.resinC }, ...points] : points;
  const held = calibrate(product);
  if (!isCalibrated(held)) return null;
  const alpha = alphaAtSpent(held, potLifeSpent(product, path, last.atMin, cup.mix?.catalystPct) ?? 0);
  const split = cup.split ? { ...cup.split, atMin: cup.split.atMin - last.atMin } : null;
  const curve = integrateSplitCup(fit, { ...start, alpha, resinC: last.temperatureC }, split);
  return { curve, sinceMin: last.atMin, read: true };
}

/**
 * Pot life left at the bench: what is spent is summed from the temperatures read so far, what is to come is followed by
 * the cup model from the last of them. Without a reading it is the model from the start; without a model, the label.
 * @returns null where the card states no pot life
 * @throws CoreError `out-of-range`
 */
export function benchClock(product: Product, cup: CupNow): BenchClock | null {
  requireNumber(cup.nowMin, 'nowMin', 0, 1e6);
  const fit = mixFit(product, cup.mix);
  const held = calibrate(product);
  const known = curveFrom(product, cup);
  if (!known || !isCalibrated(fit) || !isCalibrated(held)) {
    const potLife = product.potLife?.minutes;
    return potLife == null
      ? null
      : {
          spent: cup.nowMin / potLife,
          potLifeEndsMin: potLife,
          gelsMin: product.gel?.minutes ?? null,
          resinNowC: null,
          from: 'label',
        };
  }
  const { curve, sinceMin, read } = known;
  const at = (alpha: number) => {
    const m = minuteAtAlpha(curve, alpha);
    return m === null ? null : sinceMin + m;
  };
  const alphaNow = alphaAtMinute(curve, Math.max(0, cup.nowMin - sinceMin));
  // Spent is the share of held pot life that this conversion stands for, found on the same curve from both ends.
  const ends = at(fit.alphaPot);
  return {
    // Held at one temperature every mix of the product runs through the same shares, whatever its dose.
    spent: spentAt(held, alphaNow),
    potLifeEndsMin: ends === null ? null : Math.max(ends, sinceMin),
    gelsMin: at(fit.alphaGel),
    resinNowC: valueAlong(curve.minutes, curve.temperatureC, Math.max(0, cup.nowMin - sinceMin)),
    from: read ? 'readings' : 'start',
  };
}

/** The share of pot life that a conversion stands for: the inverse of `alphaAtSpent`, by bisection. */
function spentAt(fit: Parameters<typeof alphaAtSpent>[0], alpha: number): number {
  let [low, high] = [0, 1];
  while (high < 16 && alphaAtSpent(fit, high) < Math.min(alpha, fit.alphaGel)) high *= 2;
  for (let i = 0; i < 40; i += 1) {
    const middle = (low + high) / 2;
    if (alphaAtSpent(fit, middle) < alpha) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Longest look ahead, min. */
const AHEAD_MIN = 600;

/**
 * The mix's temperature from the last thing known of it on, until it gels, for drawing.
 * @returns minutes since the parts met and °C; empty without a model
 */
export function resinAhead(product: Product, cup: CupNow): { readonly atMin: number; readonly temperatureC: number }[] {
  const fit = mixFit(product, cup.mix);
  const known = curveFrom(product, cup);
  if (!known || !isCalibrated(fit)) return [];
  const { curve, sinceMin } = known;
  const gel = minuteAtAlpha(curve, fit.alphaGel) ?? AHEAD_MIN;
  return curve.minutes.flatMap((m, i) =>
    m > Math.min(gel, AHEAD_MIN) ? [] : [{ atMin: sinceMin + m, temperatureC: curve.temperatureC[i]! }],
  );
}

/** When the mix, warming by its own heat, comes into a window of pour temperatures and leaves it. */
export interface PourWindow {
  readonly opensMin: number | null;
  readonly closesMin: number | null;
  readonly open: boolean;
}

/**
 * Waiting for a pour temperature on the way up: when the window opens and when it closes, at the latest with pot life.
 * @param window the coldest and the warmest the pour may be, °C
 * @returns null where there is no model; minutes null where it never comes to that before pot life ends
 */
export function pourWindow(
  product: Product,
  cup: CupNow,
  window: { readonly fromC: number; readonly toC: number },
): PourWindow | null {
  const fit = mixFit(product, cup.mix);
  const known = curveFrom(product, cup);
  if (!known || !isCalibrated(fit)) return null;
  const { curve, sinceMin } = known;
  const end = minuteAtAlpha(curve, fit.alphaPot);
  const reaches = (t: number): number | null => firstReach(curve.minutes, curve.temperatureC, t);
  const opens = reaches(window.fromC);
  const tooWarm = reaches(window.toC);
  const closes = [tooWarm, end].filter((m): m is number => m !== null);
  const closesMin = closes.length === 0 ? null : sinceMin + Math.min(...closes);
  const opensMin = opens === null || (end !== null && opens >= end) ? null : sinceMin + opens;
  return {
    opensMin,
    closesMin: opensMin === null ? null : closesMin,
    open: opensMin !== null && cup.nowMin >= opensMin && (closesMin === null || cup.nowMin < closesMin),
  };
}

import { fluidityIntegral, smallestClearedMm } from '../bubbles/rise';
import { SHEET_DENSITY_G_PER_ML } from '../cure/kineticsDefaults';
import { WARMING_WAYS, warmUpMin, type WarmingWay } from '../cure/warmUp';
import type { PlanRequest } from '../formats/plan';
import type { Say } from '../units/wording';
import { cupDepthMm } from './planAir';
import { timeBudget } from './timeBudget';

/** What one resin temperature would give. */
export interface WarmPoint {
  readonly resinC: number;
  readonly potLifeMin: number;
  readonly spareMin: number;
  /** Smallest bubble that rises out in the rest as it is planned, and in all the time that can be spared, mm; null where none does. */
  readonly restedMm: number | null;
  readonly waitedMm: number | null;
}

export interface WarmAnswer {
  readonly points: readonly WarmPoint[];
  readonly restMin: number;
  readonly depthMm: number;
  readonly cardC: readonly [number | null, number | null];
  /** The best within the card's limits: the smallest bubble in the planned rest with time to spare. */
  readonly best: WarmPoint | null;
  readonly nowC: number;
}

/** Spread of the chart around the card's limits, K, and its step. */
const AROUND_K = 4;
const STEP_K = 1;
/** A route without a rest is looked at with this one, min: long enough to be worth a look. */
const LOOK_REST_MIN = 5;

/**
 * Whether to warm the resin: pot life, spare time and the smallest bubble that clears, against resin temperature.
 * @returns null where pot life or viscosity is not known
 * @throws CoreError `ratio-not-stated`
 */
export function warmOrNot(request: PlanRequest, say?: Say): WarmAnswer | null {
  const now = timeBudget(request, say);
  if (now.curve.from !== 'model' || now.curve.viscosityMPaS.length === 0) return null;
  const { minC, maxC } = request.product.resin ?? {};
  const from = Math.floor(Math.min(minC ?? now.case.resinC, now.case.resinC) - AROUND_K);
  const to = Math.ceil(Math.max(maxC ?? now.case.resinC, now.case.resinC) + AROUND_K);
  const restMin = now.case.clearMin > 0 ? now.case.clearMin : LOOK_REST_MIN;
  const depthMm = request.mould?.depthMm ?? cupDepthMm(now.case, now.amounts);
  const density = request.product.mixedDensityGPerML ?? SHEET_DENSITY_G_PER_ML;
  const handling = (now.timeline.at(-1)?.toMin ?? 0) - now.case.clearMin - now.case.stirMin;
  const points: WarmPoint[] = [];
  for (let resinC = from; resinC <= to; resinC += STEP_K) {
    const { curve, case: c, timeline } = timeBudget({ ...request, conditions: { ...request.conditions, resinC } }, say);
    if (curve.potLifeMin === null) return null;
    const until = curve.potLifeMin - handling;
    const clears = (toMin: number) => {
      if (toMin <= c.stirMin) return null;
      const d = smallestClearedMm({
        depthMm,
        densityGPerML: density,
        fluidity: fluidityIntegral(curve.minutes, curve.viscosityMPaS, c.stirMin, toMin),
      });
      return Number.isFinite(d) ? d : null;
    };
    const usedMin = timeline.at(-1)?.toMin ?? 0;
    points.push({
      resinC,
      potLifeMin: curve.potLifeMin,
      spareMin: curve.potLifeMin - usedMin,
      restedMm: clears(Math.min(c.stirMin + restMin, until)),
      waitedMm: clears(until),
    });
  }
  const within = points.filter(
    (p) =>
      p.restedMm !== null &&
      p.spareMin >= 0 &&
      (minC == null || p.resinC >= minC) &&
      (maxC == null || p.resinC <= maxC),
  );
  const best = within.reduce<WarmPoint | null>(
    (a, b) => (a === null || b.restedMm! < a.restedMm! - 1e-9 ? b : a),
    null,
  );
  return { points, restMin, depthMm, cardC: [minC ?? null, maxC ?? null], best, nowC: now.case.resinC };
}

/** How long one way of warming takes for each bottle, and how warm it may be. */
export interface WarmingTime {
  readonly way: WarmingWay;
  readonly aroundC: number;
  readonly minutes: number;
}

/** A bath this much over the target warms well and spares the resin at the wall, K; and the most a card's limit is passed by, K. */
const BATH_OVER_K = 10;
const OVER_CARD_K = 8;

/**
 * Minutes in bath, hot box or on a mat until this bottle is at a temperature.
 * @param maxC the card's warmest resin; the bath stays near it
 * @param hotBoxMaxC what the studio's hot box reaches
 */
export function warmingTimes(bottle: {
  massG: number;
  fromC: number;
  toC: number;
  maxC: number | null;
  hotBoxMaxC: number | null;
}): WarmingTime[] {
  const around = Math.min(bottle.toC + BATH_OVER_K, (bottle.maxC ?? bottle.toC + BATH_OVER_K) + OVER_CARD_K);
  return (Object.keys(WARMING_WAYS) as WarmingWay[]).map((way) => {
    const aroundC = way === 'hot-box' && bottle.hotBoxMaxC !== null ? Math.min(around, bottle.hotBoxMaxC) : around;
    return { way, aroundC, minutes: warmUpMin({ ...bottle, around: aroundC, way }) };
  });
}

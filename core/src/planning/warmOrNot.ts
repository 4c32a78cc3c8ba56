import { WARMING_WAYS, warmUpMin, type WarmingWay } from '../cure/warmUp';
import { fluidityIntegral, smallestClearedMm } from '../bubbles/rise';
import { SHEET_DENSITY_G_PER_ML } from '../cure/kineticsDefaults';
import { COLDEST_C, WARMEST_C } from '../cure/temperatureBounds';
import type { PlanRequest, TimelineStep } from '../formats/plan';
import type { Say } from '../units/wording';
import { airOf, risingDepthMm } from './planAir';
import { timeBudget, type TimeBudget } from './timeBudget';

/** What one resin temperature would give. */
export interface WarmPoint {
  readonly resinC: number;
  readonly potLifeMin: number;
  readonly spareMin: number;
  /** Smallest bubble that rises out by the plan as it stands, mm: the plan's own figure; null where none does. */
  readonly clearedMm: number | null;
  /** The same in so many minutes of rest alone, and with all the time that can be spared rested, mm. */
  readonly restedMm: number | null;
  readonly waitedMm: number | null;
}

export interface WarmAnswer {
  readonly points: readonly WarmPoint[];
  /** Minutes of rest that `restedMm` is told for. */
  readonly restMin: number;
  readonly depthMm: number;
  readonly cardC: readonly [number | null, number | null];
  /** The best within the card's limits: the smallest bubble in the same rest, with time to spare. */
  readonly best: WarmPoint | null;
  readonly nowC: number;
}

/** Spread of the chart around the card's limits, K, its step, and the most points it is drawn with. */
const AROUND_K = 4;
const STEP_K = 1;
const MAX_POINTS = 60;
/** A plan without a rest is looked at with this one, min: long enough to be worth a look. */
const LOOK_REST_MIN = 5;

/** The same steps with a rest of so many minutes put in before the pour. */
function rested(timeline: readonly TimelineStep[], restMin: number): TimelineStep[] {
  const pour = timeline.findIndex((s) => s.what === 'pour');
  const own = timeline.find((s) => s.what === 'rest');
  if (restMin <= 0 || pour < 0) return [...timeline];
  const from = own?.fromMin ?? timeline[pour]!.fromMin;
  const later = timeline.slice(pour).map((s) => ({ ...s, fromMin: s.fromMin + restMin, toMin: s.toMin + restMin }));
  const rest: TimelineStep = { what: 'rest', fromMin: from, toMin: (own?.toMin ?? from) + restMin };
  return [...timeline.slice(0, pour).filter((s) => s.what !== 'rest'), rest, ...later];
}

/** Smallest bubble that leaves a depth in so many minutes after the stir, mm; null where none does. */
function restedMm({ case: c, curve }: TimeBudget, depthMm: number, restMin: number): number | null {
  if (restMin <= 0 || curve.viscosityMPaS.length === 0) return null;
  const fluidity = fluidityIntegral(curve.minutes, curve.viscosityMPaS, c.stirMin, c.stirMin + restMin);
  const densityGPerML = c.product.mixedDensityGPerML ?? SHEET_DENSITY_G_PER_ML;
  return finite(smallestClearedMm({ depthMm, densityGPerML, fluidity }));
}

const finite = (d: number | null) => (d !== null && Number.isFinite(d) ? d : null);

/**
 * Whether to warm the resin: pot life, spare time and the smallest bubble that clears by the plan, against resin
 * temperature. At the plan's own temperature the bubble is the plan's own figure.
 * @returns null where pot life or viscosity is not known
 * @throws CoreError `ratio-not-stated`, `additives-fill-it`
 */
export function warmOrNot(request: PlanRequest, say?: Say): WarmAnswer | null {
  const now = timeBudget(request, say);
  if (now.curve.from !== 'model' || now.curve.viscosityMPaS.length === 0) return null;
  const { minC, maxC } = request.product.resin ?? {};
  const nowC = now.case.resinC;
  const from = Math.max(Math.floor(Math.min(minC ?? nowC, nowC) - AROUND_K), COLDEST_C);
  const to = Math.min(Math.ceil(Math.max(maxC ?? nowC, nowC) + AROUND_K), WARMEST_C);
  const step = Math.max(STEP_K, (to - from) / MAX_POINTS);
  const restMin = now.case.clearMin > 0 ? now.case.clearMin : LOOK_REST_MIN;
  const depthMm = risingDepthMm(now.case, now.amounts);
  const handling = (now.timeline.at(-1)?.toMin ?? 0) - now.case.clearMin - now.case.stirMin;
  const points: WarmPoint[] = [];
  for (let resinC = from; resinC <= to; resinC += step) {
    const b = timeBudget({ ...request, conditions: { ...request.conditions, resinC } }, say);
    if (b.curve.potLifeMin === null || b.spareMin === null) continue;
    const clears = (timeline: readonly TimelineStep[]) =>
      finite(airOf(b.case, b.amounts, b.curve, timeline, b.pressing?.gaugeKPa ?? null).clearedMm);
    points.push({
      resinC,
      potLifeMin: b.curve.potLifeMin,
      spareMin: b.spareMin,
      clearedMm: clears(b.timeline),
      restedMm: restedMm(b, depthMm, Math.min(restMin, b.curve.potLifeMin - handling - b.case.stirMin)),
      waitedMm: clears(rested(b.timeline, b.spareMin)),
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
  return { points, restMin, depthMm, cardC: [minC ?? null, maxC ?? null], best, nowC };
}

/** How long one way of warming takes for each bottle, and how warm it may be. */
export interface WarmingTime {
  readonly way: WarmingWay;
  readonly aroundC: number;
  readonly minutes: number;
}

/**
 * A bath this much over the target warms well and spares the resin at the
 * wall, K; and the most a card's limit is passed by, K.
 */
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

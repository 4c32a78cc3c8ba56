import type { PlanAmounts } from './planAmounts';
import type { PlanCase } from './planCase';
import type { MixCurve } from '../cure/mixCurve';
import { co2FromWaterML } from '../bubbles/moisture';
import { inTheMould, type MouldAnswer } from '../cure/inTheMould';
import { powderThickening } from '../cure/powderThickening';
import { mixedViscosityMPaS } from '../cure/viscosity';
import type { Plan, PlanRequest, PlanWarning } from '../formats/plan';
import type { Say } from '../units/wording';
import { airOf } from './planAir';
import { planCautions } from './planCautions';
import { mouldHeat, poursByCard, poursBySlab, severalPours } from './planHeat';
import { planHelp } from './planHelp';
import { plannedLoading } from './planLoading';
import { plannedMix, powderShare, verdictOf } from './planTime';
import { cupNeed, planWarnings, plannedWaterG } from './planWarnings';
import { timeBudget, type TimeBudget } from './timeBudget';

/** A plan without the mould, and the budget it came from. */
export interface QuickPlan {
  readonly plan: Plan;
  readonly budget: TimeBudget;
}

const finite = (value: number | null): number | null => (value === null || !Number.isFinite(value) ? null : value);

/** What forbids stands first. */
const stopsFirst = (warnings: readonly PlanWarning[]) => [
  ...warnings.filter((w) => w.stop),
  ...warnings.filter((w) => !w.stop),
];

/** Warnings that the card's own limit makes: a plan with one is never plainly *go*. */
const BREAKS_LIMIT = new Set(['scale-too-coarse', 'dose-not-trusted', 'too-deep-at-once']);
export const breaksLimit = (w: Pick<PlanWarning, 'code'>): boolean => w.code.includes(':') || BREAKS_LIMIT.has(w.code);

/** Nothing passes these: people would be hurt, or it cannot be done at all. */
const NEVER_PASSED = new Set([
  'over-rating',
  'pressure-above-card',
  'vessel-too-weak',
  'pressure-not-stated',
  'never-at-pressure',
  'styrene-under-vacuum',
  'cup-too-small',
  'over-scale',
]);

/** What a plan may not be begun with at all. */
export const forbiddenBy = (plan: Pick<Plan, 'warnings'>): PlanWarning[] =>
  plan.warnings.filter((w) => w.stop && NEVER_PASSED.has(w.code));

/** What a plan may be begun with only for a reason that goes into the record: a stop, or a limit of the card. */
export const reasonsNeeded = (plan: Pick<Plan, 'warnings'>): PlanWarning[] =>
  plan.warnings.filter((w) => (w.stop || breaksLimit(w)) && !NEVER_PASSED.has(w.code));

const verdictBy = (warnings: readonly PlanWarning[], spareMin: number | null, potLifeMin: number | null) =>
  verdictOf(spareMin, potLifeMin, { limit: warnings.some(breaksLimit), stop: warnings.some((w) => w.stop) });

function noTime({ case: c, timeline, curve, spareMin }: TimeBudget): PlanWarning[] {
  if (spareMin === null || spareMin >= 0) return [];
  const usedMin = timeline.at(-1)?.toMin ?? 0;
  return [
    {
      code: 'no-time',
      says: `It takes ${c.say(usedMin, 'min')}; pot life here is ${c.say(curve.potLifeMin ?? 0, 'min')}.`,
      measured: usedMin,
      limit: curve.potLifeMin,
      unit: 'min',
      stop: true,
    },
  ];
}

/** What is weighed, as a plan tells it. */
function amountsTold(amounts: PlanAmounts) {
  const onePart = amounts.massBG === 0;
  return {
    partA: { massG: amounts.massAG, volumeML: amounts.volumeAML },
    partB: {
      massG: onePart ? null : amounts.massBG,
      volumeML: onePart ? null : amounts.volumeBML,
      drops: amounts.drops,
    },
    order: [...amounts.order],
    mixedMassG: amounts.mixedMassG,
    totalMassG: amounts.mixedMassG + amounts.additiveMassG,
    ratioErrorFromScalePct: amounts.scaleErrorPct,
    roundingErrorPct: amounts.roundingErrorPct,
    smallestSafeBatchG: amounts.smallestSafeG,
    catalystPct: amounts.catalystPct,
    additives: amounts.additives.map((a) => ({
      name: a.of.name ?? null,
      kind: a.of.kind ?? 'other',
      massG: a.massG,
      drops: a.drops,
    })),
  };
}

/** What the cup's own curve tells; the mould's peak is left to the slab. */
const curveTold = (curve: MixCurve) => ({
  potLifeMin: curve.potLifeMin,
  gelMin: curve.gelMin,
  workingFrom: curve.from,
  peakC: curve.peakC,
  peakFrom: curve.peakC === null ? ('none' as const) : ('cup' as const),
  peakWithinK: null,
  heatFrom: curve.heatFrom,
});

/** Viscosity of the fresh mix with its powder, mPa·s; null where the card states none. */
function plannedViscosityMPaS(c: PlanCase, amounts: PlanAmounts): number | null {
  const fresh = mixedViscosityMPaS(c.product, c.resinC) ?? c.product.viscosity?.mixedMPaS ?? null;
  return fresh === null ? null : finite(fresh * powderThickening(powderShare(c, amounts)));
}

/**
 * Everything of a plan that is answered at once: amounts, pot life, time, air, loading, warnings, and the pours that
 * the card's depth asks for. Peak is the cup's own; the mould's peak, demould, and pours by heat are left to `plan`.
 * @throws CoreError `ratio-not-stated`, `additives-fill-it`
 */
export function quickPlan(request: PlanRequest, say?: Say): QuickPlan {
  const budget = timeBudget(request, say);
  const { case: c, amounts, curve, pressing, timeline, spareMin } = budget;
  const pours = poursByCard(c);
  const own = planWarnings(budget).filter((w) => pours.count === 1 || w.code !== 'pour.depthMm:above');
  const warnings = stopsFirst([...noTime(budget), ...severalPours(c, amounts, pours), ...own]);
  const air = airOf(c, amounts, curve, timeline, pressing?.gaugeKPa ?? null);
  const waterG = plannedWaterG(amounts);
  return {
    budget,
    plan: {
      format: 'warm-jar.plan/1',
      product: { slug: c.product.slug, revision: c.product.revision },
      ...amountsTold(amounts),
      ...curveTold(curve),
      viscosityMPaS: plannedViscosityMPaS(c, amounts),
      dewPointC: c.dewC,
      smallestClearedMm: finite(air.clearedMm),
      pressureKPa: pressing?.gaugeKPa ?? null,
      minutesToPressure: pressing?.minutes ?? null,
      largestDissolvedMm: air.dissolvedUnderPressureMm,
      spareMin,
      pours: pours.count,
      pourSchedule: [],
      demouldMin: null,
      route: c.route,
      timeline: [...timeline],
      verdict: verdictBy(warnings, spareMin, curve.potLifeMin),
      warnings,
      loading: plannedLoading(c, amounts),
      waterG,
      co2ML: c.product.family === 'polyurethane' ? co2FromWaterML(waterG, c.resinC, c.ambientKPa) : null,
      cup: cupNeed(c, amounts),
      help: planHelp(budget),
      cautions: planCautions(c),
      assumed: [...c.assumed],
    },
  };
}

/** The slab's part of a plan, for the depth that was given; null where there is none to look at. */
export function mouldOf({ budget }: QuickPlan, onProgress?: (share: number) => void): MouldAnswer | null {
  const { case: c, amounts, timeline } = budget;
  const { depthMm, thinnestMm, widthMm, inclusionMaxC } = c.request.mould ?? {};
  if (depthMm == null) return null;
  return inTheMould(c.product, {
    depthMm,
    thinnestMm,
    widthMm,
    inclusionMaxC,
    massG: amounts.mixedMassG + amounts.additiveMassG,
    leftoverG: Math.max(amounts.lossG, 2),
    resinC: c.resinC,
    roomC: c.roomC,
    mouldC: c.mouldC,
    pourMin: timeline.find((s) => s.what === 'pour')?.toMin ?? 0,
    cupDiameterMm: c.request.gear?.cupDiameterMm ?? undefined,
    mix: plannedMix(amounts),
    onProgress,
  });
}

/** What the mould says in place of what the card alone said at once. */
const BY_DEPTH = new Set(['too-deep-at-once', 'pour.depthMm:above']);

/** Lays the mould's answer over a quick plan. */
export function withMould({ plan, budget }: QuickPlan, mould: MouldAnswer | null): Plan {
  if (mould === null || !('slab' in mould)) return plan;
  const { case: c, amounts } = budget;
  const pours = poursBySlab(c, mould);
  const warnings = stopsFirst([
    ...severalPours(c, amounts, pours),
    ...plan.warnings.filter((w) => !BY_DEPTH.has(w.code)),
    ...mouldHeat(c, mould),
  ]);
  return {
    ...plan,
    peakC: mould.slab.peakC,
    peakFrom: 'mould',
    peakWithinK: mould.slab.peakWithinK,
    pours: pours.count,
    demouldMin: mould.demouldMin,
    pourSchedule: mould.schedule.pours.map((p) => ({ ...p })),
    warnings,
    verdict: verdictBy(warnings, plan.spareMin, plan.potLifeMin),
  };
}

/**
 * A batch worked out before it is mixed: `warm-jar.plan/1`, with the mould where its depth is given.
 * @throws CoreError `ratio-not-stated` where the card has no ratio to weigh by; `additives-fill-it`
 */
export function plan(request: PlanRequest, say?: Say, onProgress?: (share: number) => void): Plan {
  const quick = quickPlan(request, say);
  return withMould(quick, mouldOf(quick, onProgress));
}

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
import {
  isOfMould,
  mixRequest,
  mouldShares,
  mouldsWanted,
  namedAfter,
  pouredG,
  type MouldShare,
} from './severalMoulds';
import { timeBudget, type TimeBudget } from './timeBudget';

/** A plan without the mould, and the budget it came from. */
export interface QuickPlan {
  readonly plan: Plan;
  readonly budget: TimeBudget;
  /** The mix alone, without any mould; each of several moulds for itself, none where there is one. */
  readonly mix: Plan;
  readonly each: readonly { readonly share: MouldShare; readonly quick: QuickPlan }[];
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
    smallestSafeBatchG: finite(amounts.smallestSafeG),
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

/** One mould's part of a mix that fills several: as much as it takes of it. */
function partOf(amounts: PlanAmounts, share: number): PlanAmounts {
  const poured = pouredG(amounts.mixedMassG + amounts.additiveMassG, amounts.lossG) * share;
  const whole = amounts.mixedMassG + amounts.additiveMassG;
  const factor = whole > 0 ? poured / whole : 0;
  return { ...amounts, mixedMassG: amounts.mixedMassG * factor, additiveMassG: amounts.additiveMassG * factor };
}

/** A mould's answer among several: its own mass, peak, pours, time out, and what speaks against it. */
const castingOf = ({ share, quick }: QuickPlan['each'][number], plan: Plan, mix: Plan) => ({
  mould: share.code,
  massG: pouredG(quick.plan.totalMassG, quick.budget.amounts.lossG) * share.share,
  peakC: plan.peakFrom === 'mould' ? plan.peakC : null,
  pours: plan.pours,
  demouldMin: plan.demouldMin,
  // What the mix alone does not warn of is this mould's doing.
  warnings: plan.warnings.filter((w) => isOfMould(w) || !mix.warnings.some((o) => o.code === w.code)),
});

const largest = (values: readonly (number | null)[]): number | null => {
  const known = values.filter((v): v is number => v !== null);
  return known.length === 0 ? null : Math.max(...known);
};

/** The mix's plan with each mould's answer beside it: the one that fails is named, the others stand. */
function together(mix: Plan, each: QuickPlan['each'], answers: readonly Plan[]): Plan {
  const castings = each.map((m, i) => castingOf(m, answers[i]!, mix));
  const own = castings.flatMap((k, i) => namedAfter(k.mould, i, k.warnings));
  const warnings = stopsFirst([...own, ...mix.warnings.filter((w) => !isOfMould(w))]);
  const peakC = largest(castings.map((k) => k.peakC));
  return {
    ...mix,
    castings,
    ...(peakC === null ? {} : { peakC, peakFrom: 'mould' as const }),
    pours: Math.max(1, ...castings.map((k) => k.pours)),
    demouldMin: largest(castings.map((k) => k.demouldMin)),
    warnings,
    verdict: verdictBy(warnings, mix.spareMin, mix.potLifeMin),
  };
}

/**
 * Everything of a plan that is answered at once, for one mould or for several from one cup.
 * @throws CoreError `ratio-not-stated`, `additives-fill-it`
 */
export function quickPlan(request: PlanRequest, say?: Say): QuickPlan {
  if (mouldsWanted(request).length === 0) return quickPlanOfOne(request, say);
  const mix = quickPlanOfOne(mixRequest(request), say);
  const each = mouldShares(request).map((share) => ({ share, quick: quickPlanOfOne(share.request, say, share.share) }));
  return {
    ...mix,
    each,
    mix: mix.plan,
    plan: together(
      mix.plan,
      each,
      each.map((m) => m.quick.plan),
    ),
  };
}

/**
 * Everything of a plan that is answered at once: amounts, pot life, time, air, loading, warnings, and the pours that
 * the card's depth asks for. Peak is the cup's own; the mould's peak, demould, and pours by heat are left to `plan`.
 * @throws CoreError `ratio-not-stated`, `additives-fill-it`
 */
function quickPlanOfOne(request: PlanRequest, say?: Say, share = 1): QuickPlan {
  const budget = timeBudget(request, say);
  const { case: c, amounts, curve, pressing, timeline, spareMin } = budget;
  const pours = poursByCard(c);
  const own = planWarnings(budget).filter((w) => pours.count === 1 || w.code !== 'pour.depthMm:above');
  const poured = share === 1 ? amounts : partOf(amounts, share);
  const warnings = stopsFirst([...noTime(budget), ...severalPours(c, poured, pours), ...own]);
  const air = airOf(c, amounts, curve, timeline, pressing?.gaugeKPa ?? null);
  const waterG = plannedWaterG(amounts);
  const plan: Plan = {
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
  };
  return { budget, each: [], mix: plan, plan };
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
export function withMould({ plan, budget }: QuickPlan, mould: MouldAnswer | null, share = 1): Plan {
  if (mould === null || !('slab' in mould)) return plan;
  const { case: c } = budget;
  const amounts = share === 1 ? budget.amounts : partOf(budget.amounts, share);
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

/** The slab's part for each mould of a plan; one, where it is for one. */
export function mouldsOf(
  quick: QuickPlan,
  onProgress: (share: number) => void = () => undefined,
): (MouldAnswer | null)[] {
  if (quick.each.length === 0) return [mouldOf(quick, onProgress)];
  return quick.each.map((m, i) =>
    mouldOf(m.quick, (share) => {
      onProgress((i + share) / quick.each.length);
    }),
  );
}

/** Lays each mould's answer over a quick plan; those that are not there yet stay as the card alone has them. */
export function withMoulds(quick: QuickPlan, answers: readonly (MouldAnswer | null)[]): Plan {
  if (quick.each.length === 0) return withMould(quick, answers[0] ?? null);
  const plans = quick.each.map((m, i) => withMould(m.quick, answers[i] ?? null, m.share.share));
  return together(quick.mix, quick.each, plans);
}

/**
 * A batch worked out before it is mixed: `warm-jar.plan/1`, with the mould where its depth is given.
 * @throws CoreError `ratio-not-stated` where the card has no ratio to weigh by; `additives-fill-it`
 */
export function plan(request: PlanRequest, say?: Say, onProgress?: (share: number) => void): Plan {
  const quick = quickPlan(request, say);
  return withMoulds(quick, mouldsOf(quick, onProgress));
}

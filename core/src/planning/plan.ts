import { co2FromWaterML } from '../bubbles/moisture';
import { inTheMould, type MouldAnswer } from '../cure/inTheMould';
import { mixedViscosityMPaS } from '../cure/viscosity';
import { powderThickening } from '../cure/powderThickening';
import type { Plan, PlanRequest } from '../formats/plan';
import type { Say } from '../units/wording';
import { airOf } from './planAir';
import { plannedLoading } from './planLoading';
import { planHelp } from './planHelp';
import { powderShare, verdictOf } from './planTime';
import { cupNeed, planWarnings, plannedWaterG } from './planWarnings';
import { timeBudget, type TimeBudget } from './timeBudget';

/** A plan without the mould, and the budget it came from. */
export interface QuickPlan {
  readonly plan: Plan;
  readonly budget: TimeBudget;
}

const finite = (value: number | null): number | null => (value === null || !Number.isFinite(value) ? null : value);

/**
 * Everything of a plan that is answered at once: amounts, pot life, time, air, loading, warnings. Peak is the cup's own;
 * pours, demould and the mould's peak are left to `plan`.
 * @throws CoreError `ratio-not-stated`
 */
export function quickPlan(request: PlanRequest, say?: Say): QuickPlan {
  const budget = timeBudget(request, say);
  const { case: c, amounts, curve, pressing, timeline, spareMin } = budget;
  const warnings = planWarnings(c, amounts, timeline, pressing);
  if (spareMin !== null && spareMin < 0) {
    warnings.unshift({
      code: 'no-time',
      says: `It takes ${c.say(timeline.at(-1)?.toMin ?? 0, 'min')}; pot life here is ${c.say(curve.potLifeMin ?? 0, 'min')}.`,
      measured: timeline.at(-1)?.toMin ?? null,
      limit: curve.potLifeMin,
      unit: 'min',
      stop: true,
    });
  }
  const air = airOf(c, amounts, curve, timeline, pressing?.gaugeKPa ?? null);
  const fresh = mixedViscosityMPaS(c.product, c.resinC) ?? c.product.viscosity?.mixedMPaS ?? null;
  const waterG = plannedWaterG(amounts);
  const onePart = amounts.massBG === 0;
  return {
    budget,
    plan: {
      format: 'warm-jar.plan/1',
      product: { slug: c.product.slug, revision: c.product.revision },
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
      potLifeMin: curve.potLifeMin,
      gelMin: curve.gelMin,
      workingFrom: curve.from,
      viscosityMPaS: fresh === null ? null : finite(fresh * powderThickening(powderShare(c, amounts))),
      peakC: curve.peakC,
      peakFrom: curve.peakC === null ? 'none' : 'cup',
      dewPointC: c.dewC,
      smallestClearedMm: finite(air.clearedMm),
      pressureKPa: pressing?.gaugeKPa ?? null,
      minutesToPressure: pressing?.minutes ?? null,
      largestDissolvedMm: air.dissolvedUnderPressureMm,
      spareMin,
      pours: 1,
      pourSchedule: [],
      demouldMin: null,
      route: c.route,
      timeline: [...timeline],
      verdict: verdictOf(spareMin, curve.potLifeMin, {
        limit: warnings.some((w) => w.code.includes(':') || w.code === 'scale-too-coarse'),
        stop: warnings.some((w) => w.stop),
      }),
      warnings,
      loading: plannedLoading(c, amounts),
      additives: amounts.additives.map((a) => ({
        name: a.of.name ?? null,
        kind: a.of.kind ?? 'other',
        massG: a.massG,
        drops: a.drops,
      })),
      waterG,
      co2ML: c.product.family === 'polyurethane' ? co2FromWaterML(waterG, c.resinC, c.ambientKPa) : null,
      cup: cupNeed(c, amounts),
      help: planHelp(budget),
      assumed: [...c.assumed],
    },
  };
}

/** The slab's part of a plan, for the depth that was given; null where there is none to look at. */
export function mouldOf({ budget }: QuickPlan, onProgress?: (share: number) => void): MouldAnswer | null {
  const { case: c, amounts, timeline } = budget;
  const { depthMm, thinnestMm, inclusionMaxC } = c.request.mould ?? {};
  if (depthMm == null) return null;
  return inTheMould(c.product, {
    depthMm,
    thinnestMm,
    inclusionMaxC,
    massG: amounts.mixedMassG + amounts.additiveMassG,
    leftoverG: Math.max(amounts.lossG, 2),
    resinC: c.resinC,
    roomC: c.roomC,
    mouldC: c.mouldC,
    pourMin: timeline.find((s) => s.what === 'pour')?.toMin ?? 0,
    cupDiameterMm: c.request.gear?.cupDiameterMm ?? undefined,
    onProgress,
  });
}

/** Lays the mould's answer over a quick plan. */
export function withMould({ plan, budget }: QuickPlan, mould: MouldAnswer | null): Plan {
  if (mould === null || !('slab' in mould)) return plan;
  const { say, product, request } = budget.case;
  const warnings = [...plan.warnings];
  const { slab, schedule } = mould;
  const limit = product.exothermMaxC;
  const count = schedule.pours.length;
  if (count > 1) {
    const why =
      schedule.deepest.by === 'card'
        ? `the card's deepest pour is ${say(schedule.deepest.depthMm, 'mm')}`
        : `poured at once it would reach ${say(mould.atOncePeakC ?? slab.peakC, '°C')}`;
    warnings.push({
      code: 'too-deep-at-once',
      says: `Pour it in ${count}, about ${say(plan.totalMassG / count, 'g')} each: ${why}.${schedule.sand ? ' Sand between: it is not cool before the bond window closes.' : ''}`,
      measured: request.mould?.depthMm ?? null,
      limit: schedule.deepest.depthMm,
      unit: 'mm',
      stop: false,
    });
  }
  if (limit != null && slab.peakC > limit + 0.5)
    warnings.push({
      code: 'over-exotherm',
      says: `The model's peak of ${say(slab.peakC, '°C')} is over the card's ${say(limit, '°C')}, however thin it is poured: start cooler.`,
      measured: slab.peakC,
      limit,
      unit: '°C',
      stop: true,
    });
  const bears = request.mould?.inclusionMaxC;
  if (bears != null && slab.peakC > bears + 0.5)
    warnings.push({
      code: 'inclusion-too-hot',
      says: `What is cast in bears ${say(bears, '°C')}; the model's peak is ${say(slab.peakC, '°C')}.`,
      measured: slab.peakC,
      limit: bears,
      unit: '°C',
      stop: true,
    });
  const kept = count > 1 ? warnings.filter((w) => w.code !== 'pour.depthMm:above') : warnings;
  return {
    ...plan,
    peakC: slab.peakC,
    peakFrom: 'mould',
    pours: count,
    demouldMin: mould.demouldMin,
    pourSchedule: schedule.pours.map((p) => ({ ...p })),
    warnings: kept,
    verdict: verdictOf(plan.spareMin, plan.potLifeMin, {
      limit: kept.some((w) => w.code.includes(':') || w.code === 'scale-too-coarse'),
      stop: kept.some((w) => w.stop),
    }),
  };
}

/**
 * A batch worked out before it is mixed: `warm-jar.plan/1`, with the mould where its depth is given.
 * @throws CoreError `ratio-not-stated` where the card has no ratio to weigh by
 */
export function plan(request: PlanRequest, say?: Say, onProgress?: (share: number) => void): Plan {
  const quick = quickPlan(request, say);
  return withMould(quick, mouldOf(quick, onProgress));
}

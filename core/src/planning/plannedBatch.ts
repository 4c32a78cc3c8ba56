import type { Batch } from '../formats/batch';
import type { TimelineStep } from '../formats/plan';
import type { PlanAmounts } from './planAmounts';
import { isPressed, isVacuumed, type PlanCase } from './planCase';
import { plannedVacuumKPaAbs } from './planAir';
import type { PlannedPressure } from './planPressing';

function measuredBy(c: PlanCase, amounts: PlanAmounts): NonNullable<Batch['mix']>['measuredBy'] {
  if (c.product.ratio.catalyst) return 'catalyst';
  if (c.product.ratio.powder) return 'powder';
  return amounts.massBG === 0 ? 'light' : 'weight';
}

/** How each route clears the air before the pour. */
const METHODS = {
  vacuum: 'vacuum',
  'vacuum-then-pressure': 'vacuum-then-pressure',
  'warm-and-rest': 'rest',
  pressure: 'none',
  none: 'none',
} as const;

function plannedMix(c: PlanCase, amounts: PlanAmounts): Batch['mix'] {
  return {
    measuredBy: measuredBy(c, amounts),
    amountA: amounts.massAG,
    amountB: amounts.massBG || null,
    unit: 'g',
    stirMin: c.stirMin,
    catalystPct: amounts.catalystPct,
    scaleStepG: c.request.gear?.scaleStepG ?? null,
  };
}

const plannedAdditives = (amounts: PlanAmounts): Batch['additives'] =>
  amounts.additives.map((a) => ({
    name: a.of.name ?? null,
    kind: a.of.kind ?? 'other',
    massG: a.massG,
    drops: a.drops,
    applied: 'mixed',
    ...(a.of.densityGPerML == null ? {} : { densityGPerML: a.of.densityGPerML }),
  }));

type Finder = (what: TimelineStep['what']) => TimelineStep | undefined;

function plannedPressing(c: PlanCase, pressing: PlannedPressure | null, step: Finder): Batch['pressure'] {
  if (!isPressed(c.route) || !pressing) return { gaugeKPa: 0 };
  return {
    gaugeKPa: pressing.gaugeKPa,
    startedMin: step('load')?.toMin ?? null,
    reachedMin: step('pressurise')?.toMin ?? null,
  };
}

function plannedMould({ mouldC, request: { mould } }: PlanCase): Batch['mould'] {
  return {
    rubber: mould?.rubber ?? null,
    degassed: mould?.degassed ?? null,
    temperatureC: mouldC,
    thinnestMm: mould?.thinnestMm ?? null,
  };
}

/**
 * The batch as it would be recorded if everything went by the plan: so that
 * the card's limits judge it as they judge a record.
 */
export function plannedBatch(
  c: PlanCase,
  amounts: PlanAmounts,
  timeline: readonly TimelineStep[],
  pressing: PlannedPressure | null,
): Batch {
  const { depthMm = null, inclusionMoisturePct = null } = c.request.mould ?? {};
  const step: Finder = (what) => timeline.find((s) => s.what === what);
  const pour = step('pour');
  return {
    format: 'warm-jar.batch/1',
    product: { slug: c.product.slug, revision: c.product.revision },
    room: { temperatureC: c.roomC, humidityPct: c.humidityPct },
    resin: { temperatureAC: c.resinC, temperatureBC: c.resinC, atPourC: c.resinC },
    mix: plannedMix(c, amounts),
    additives: plannedAdditives(amounts),
    degas: {
      method: METHODS[c.route],
      minutes: c.clearMin,
      vacuumKPaAbs: isVacuumed(c.route) ? plannedVacuumKPaAbs(c) : null,
    },
    pour: { startedMin: pour?.fromMin ?? null, finishedMin: pour?.toMin ?? null, depthMm },
    pressure: plannedPressing(c, pressing, step),
    mould: plannedMould(c),
    inclusions: inclusionMoisturePct === null ? [] : [{ moisturePct: inclusionMoisturePct }],
    cure: { temperatureC: c.roomC },
  };
}

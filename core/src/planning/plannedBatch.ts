import type { Batch } from '../formats/batch';
import type { TimelineStep } from '../formats/plan';
import type { PlanAmounts } from './planAmounts';
import { isPressed, isVacuumed, type PlanCase } from './planCase';
import { plannedVacuumKPaAbs } from './planAir';
import type { PlannedPressure } from './planPressing';

const measuredBy = (c: PlanCase, amounts: PlanAmounts) =>
  c.product.ratio.catalyst ? 'catalyst' : c.product.ratio.powder ? 'powder' : amounts.massBG === 0 ? 'light' : 'weight';

/** The batch as it would be recorded if everything went by the plan: so that the card's limits judge it as they judge a record. */
export function plannedBatch(
  c: PlanCase,
  amounts: PlanAmounts,
  timeline: readonly TimelineStep[],
  pressing: PlannedPressure | null,
): Batch {
  const { mould } = c.request;
  const at = (what: TimelineStep['what']) => timeline.find((s) => s.what === what);
  const vacuumed = isVacuumed(c.route);
  return {
    format: 'warm-jar.batch/1',
    product: { slug: c.product.slug, revision: c.product.revision },
    room: { temperatureC: c.roomC, humidityPct: c.humidityPct },
    resin: { temperatureAC: c.resinC, temperatureBC: c.resinC, atPourC: c.resinC },
    mix: {
      measuredBy: measuredBy(c, amounts),
      amountA: amounts.massAG,
      amountB: amounts.massBG || null,
      unit: 'g',
      stirMin: c.stirMin,
      catalystPct: amounts.catalystPct,
      scaleStepG: c.request.gear?.scaleStepG ?? null,
    },
    additives: amounts.additives.map((a) => ({
      name: a.of.name ?? null,
      kind: a.of.kind ?? 'other',
      massG: a.massG,
      drops: a.drops,
      applied: 'mixed',
      ...(a.of.densityGPerML == null ? {} : { densityGPerML: a.of.densityGPerML }),
    })),
    degas: {
      method: vacuumed
        ? c.route === 'vacuum'
          ? 'vacuum'
          : 'vacuum-then-pressure'
        : c.route === 'warm-and-rest'
          ? 'rest'
          : 'none',
      minutes: c.clearMin,
      vacuumKPaAbs: vacuumed ? plannedVacuumKPaAbs(c) : null,
    },
    pour: {
      startedMin: at('pour')?.fromMin ?? null,
      finishedMin: at('pour')?.toMin ?? null,
      depthMm: mould?.depthMm ?? null,
    },
    pressure:
      isPressed(c.route) && pressing
        ? {
            gaugeKPa: pressing.gaugeKPa,
            startedMin: at('load')?.toMin ?? null,
            reachedMin: at('pressurise')?.toMin ?? null,
          }
        : { gaugeKPa: 0 },
    mould: {
      rubber: mould?.rubber ?? null,
      degassed: mould?.degassed ?? null,
      temperatureC: c.mouldC,
      thinnestMm: mould?.thinnestMm ?? null,
    },
    inclusions: mould?.inclusionMoisturePct == null ? [] : [{ moisturePct: mould.inclusionMoisturePct }],
    cure: { temperatureC: c.roomC },
  };
}

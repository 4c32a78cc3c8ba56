import { SHEET_DENSITY_G_PER_ML } from '../cure/kineticsDefaults';
import { GRAIN_G_PER_ML, GRAIN_KINDS, type CupMix } from '../cure/cupMix';
import { mixCurve, type MixCurve } from '../cure/mixCurve';
import { powderThickening } from '../cure/powderThickening';
import type { TimelineStep, Verdict } from '../formats/plan';
import type { PlanAmounts } from './planAmounts';
import { isPressed, isVacuumed, type PlanCase } from './planCase';
import type { PlannedPressure } from './planPressing';

/** Volume share of powder in the whole mix. */
export function powderShare(c: PlanCase, amounts: PlanAmounts): number {
  const grainsML = amounts.additives.reduce(
    (sum, a) =>
      sum +
      (GRAIN_KINDS.has(a.of.kind ?? '') && a.massG !== null ? a.massG / (a.of.densityGPerML ?? GRAIN_G_PER_ML) : 0),
    0,
  );
  const liquidML = amounts.mixedMassG / (c.product.mixedDensityGPerML ?? SHEET_DENSITY_G_PER_ML);
  return grainsML / (grainsML + liquidML);
}

/** What the planned mix holds beside the resin as its card describes it: its dose, its colours and fillers. */
export function plannedMix(amounts: PlanAmounts): CupMix {
  return {
    catalystPct: amounts.catalystPct,
    resinG: amounts.mixedMassG,
    inert: amounts.additives.flatMap(({ of, massG }) =>
      massG !== null && massG > 0
        ? [{ massG, kind: of.kind, densityGPerML: of.densityGPerML, heatCapacityJPerGK: of.heatCapacityJPerGK }]
        : [],
    ),
  };
}

/** The cup of a plan at its mass and temperatures, thickened by what powder is in it. */
export function planCurve(c: PlanCase, amounts: PlanAmounts): MixCurve {
  return mixCurve(
    c.product,
    {
      massG: amounts.mixedMassG + amounts.additiveMassG,
      resinC: c.resinC,
      roomC: c.roomC,
      cupDiameterMm: c.request.gear?.cupDiameterMm ?? undefined,
      mix: plannedMix(amounts),
    },
    powderThickening(powderShare(c, amounts)),
  );
}

/** What is done one after the other from when the parts meet; steps of no length are left out. */
export function timelineOf(c: PlanCase, pressing: PlannedPressure | null): TimelineStep[] {
  const wanted: [TimelineStep['what'], number][] = [
    ['stir', c.stirMin],
    [isVacuumed(c.route) ? 'vacuum' : 'rest', c.clearMin],
    ['pour', c.pourMin],
    ...(isPressed(c.route)
      ? ([
          ['load', c.loadMin],
          ['pressurise', pressing?.minutes ?? pressing?.minMinutes ?? 0],
        ] satisfies [TimelineStep['what'], number][])
      : []),
  ];
  let at = 0;
  return wanted
    .filter(([, minutes]) => minutes > 0)
    .map(([what, minutes]) => {
      const step = { what, fromMin: at, toMin: at + minutes };
      at = step.toMin;
      return step;
    });
}

/** Spare below this share of pot life is tight: a dropped stick or a stuck lid eats it. */
const TIGHT_SHARE = 0.15;

/** Minutes of pot life left when everything is done; null where pot life is not known. */
export const spareOf = (curve: MixCurve, timeline: readonly TimelineStep[]): number | null =>
  curve.potLifeMin === null ? null : curve.potLifeMin - (timeline.at(-1)?.toMin ?? 0);

/** @param broken whether a limit of the card is not kept, and whether something forbids it */
export function verdictOf(
  spareMin: number | null,
  potLifeMin: number | null,
  broken: { limit: boolean; stop: boolean },
): Verdict {
  if (broken.stop || (spareMin !== null && spareMin < 0)) return 'no-go';
  const short = spareMin !== null && potLifeMin !== null && spareMin < TIGHT_SHARE * potLifeMin;
  return short || broken.limit ? 'tight' : 'go';
}

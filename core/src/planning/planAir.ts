import { boyleDiameterRatio, vacuumGrowth } from '../air/boyle';
import { largestDissolvedMm } from '../bubbles/dissolve';
import { fluidityIntegral, smallestClearedMm } from '../bubbles/rise';
import { SHEET_DENSITY_G_PER_ML } from '../cure/kineticsDefaults';
import type { MixCurve } from '../cure/mixCurve';
import type { TimelineStep } from '../formats/plan';
import type { PlanAmounts } from './planAmounts';
import { isPressed, isVacuumed, type PlanCase } from './planCase';

/** What a route does to bubbles. Diameters are as the eye sees them in the room, mm. */
export interface AirAnswer {
  /** Bubbles from this size on rise out; infinite where none has the time, null where the viscosity is not stated. */
  readonly clearedMm: number | null;
  /** Bubbles up to this size are pressed into solution before it gels; null where it is not pressed or gel is not known. */
  readonly dissolvedMm: number | null;
  /** The same under pressure, as the formula has it. */
  readonly dissolvedUnderPressureMm: number | null;
  /** The largest that is left in the cast once it is back in the room; 0 where none is, null where it cannot be told. */
  readonly leftMm: number | null;
}

/** Depth of the liquid in its cup, mm: the cup's own diameter, else a cylinder as tall as wide. */
export function cupDepthMm(c: PlanCase, amounts: PlanAmounts): number {
  const volumeMm3 =
    ((amounts.mixedMassG + amounts.additiveMassG) / (c.product.mixedDensityGPerML ?? SHEET_DENSITY_G_PER_ML)) * 1000;
  const d = c.request.gear?.cupDiameterMm;
  return d ? volumeMm3 / ((Math.PI / 4) * d * d) : Math.cbrt((4 * volumeMm3) / Math.PI);
}

/** Vacuum that is planned, kPa absolute: the gear's own, never below what the card asks. */
export function plannedVacuumKPaAbs(c: PlanCase): number | null {
  const [gear, card] = [c.request.gear?.vacuumKPaAbs ?? null, c.product.degas?.vacuumKPaAbs ?? null];
  return gear !== null && card !== null ? Math.max(gear, card) : (gear ?? card);
}

/** A time in which a bubble rises, and its diameter then over its diameter in the room. */
interface Rise {
  readonly fromMin: number;
  readonly toMin: number;
  readonly size: number;
}

/** Smallest bubble, as it is in the room, that leaves a depth over one or more times: it rises with the square of its size. */
function cleared(c: PlanCase, curve: MixCurve, depthMm: number, rises: readonly Rise[]): number | null {
  if (curve.viscosityMPaS.length === 0) return null;
  const fluidity = rises.reduce(
    (sum, r) =>
      sum + r.size ** 2 * fluidityIntegral(curve.minutes, curve.viscosityMPaS, r.fromMin, Math.max(r.fromMin, r.toMin)),
    0,
  );
  return smallestClearedMm({
    depthMm,
    densityGPerML: c.product.mixedDensityGPerML ?? SHEET_DENSITY_G_PER_ML,
    fluidity,
  });
}

const least = (values: (number | null)[]): number | null => {
  const known = values.filter((v) => v !== null);
  return known.length === 0 ? null : Math.min(...known);
};

/**
 * The air that a route leaves: first in the cup, at rest or grown under vacuum, then in the mould until the lid is on
 * or it gels, then in solution under pressure.
 */
export function airOf(
  c: PlanCase,
  amounts: PlanAmounts,
  curve: MixCurve,
  timeline: readonly TimelineStep[],
  gaugeKPa: number | null,
): AirAnswer {
  const step = (what: TimelineStep['what']) => timeline.find((s) => s.what === what);
  const [clear, pour, press] = [step('rest') ?? step('vacuum'), step('pour'), step('pressurise') ?? step('load')];
  const vacuum = plannedVacuumKPaAbs(c);
  const growth =
    isVacuumed(c.route) && vacuum !== null ? Math.cbrt(vacuumGrowth(Math.min(vacuum, c.ambientKPa), c.ambientKPa)) : 1;
  const inCup = clear ? cleared(c, curve, cupDepthMm(c, amounts), [{ ...clear, size: growth }]) : null;
  const pouredMin = pour?.toMin ?? c.stirMin + c.clearMin;
  const lidMin = press?.fromMin ?? (isPressed(c.route) ? pouredMin : curve.gelMin);
  const depthMm = c.request.mould?.depthMm ?? cupDepthMm(c, amounts);
  const open = { fromMin: pouredMin, toMin: lidMin ?? pouredMin, size: 1 };
  const inMould = lidMin === null ? null : cleared(c, curve, depthMm, [open]);
  const clearedMm = least([inCup, inMould]);
  if (!isPressed(c.route) || gaugeKPa === null || curve.gelMin === null)
    return { clearedMm, dissolvedMm: null, dissolvedUnderPressureMm: null, leftMm: clearedMm };
  const ratio = boyleDiameterRatio(gaugeKPa, c.ambientKPa);
  const under = largestDissolvedMm({
    gaugeKPa,
    minutes: Math.max(0, curve.gelMin - (timeline.at(-1)?.toMin ?? 0)),
    ambientKPa: c.ambientKPa,
  });
  const dissolvedMm = under / ratio;
  // Under the lid what is left goes on rising, smaller and so slower.
  const stays = least([
    inCup,
    cleared(c, curve, depthMm, [open, { fromMin: open.toMin, toMin: curve.gelMin, size: ratio }]),
  ]);
  return {
    clearedMm,
    dissolvedMm,
    dissolvedUnderPressureMm: under,
    leftMm: stays === null ? null : stays <= dissolvedMm ? 0 : stays * ratio,
  };
}

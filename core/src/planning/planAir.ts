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
  /**
   * Bubbles up to this size are pressed into solution before it gels;
   * null where it is not pressed or gel is not known.
   */
  readonly dissolvedMm: number | null;
  /** The same under pressure, as the formula has it. */
  readonly dissolvedUnderPressureMm: number | null;
  /**
   * The largest that is left in the cast once it is back in the room; 0 where none is, null where it cannot be told.
   */
  readonly leftMm: number | null;
}

/** Nothing is shallower than this, so that a depth can be divided by, mm. */
const MIN_DEPTH_MM = 1e-3;

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

/** A time in which a bubble rises: its diameter then over its diameter in the room, and the depth it has to leave. */
interface Rise {
  readonly fromMin: number;
  readonly toMin: number;
  readonly size: number;
  readonly depthMm: number;
}

/**
 * Smallest bubble, as it is in the room, that rises out over one or more times: each takes it a share of its depth,
 * with the square of its size.
 */
function cleared(c: PlanCase, curve: MixCurve, rises: readonly Rise[]): number | null {
  if (curve.viscosityMPaS.length === 0) return null;
  const perDepth = rises.reduce((sum, r) => {
    const to = Math.max(r.fromMin, r.toMin);
    return sum + (r.size ** 2 * fluidityIntegral(curve.minutes, curve.viscosityMPaS, r.fromMin, to)) / r.depthMm;
  }, 0);
  return smallestClearedMm({
    depthMm: 1,
    densityGPerML: c.product.mixedDensityGPerML ?? SHEET_DENSITY_G_PER_ML,
    fluidity: perDepth,
  });
}

/** Diameter under the planned vacuum over that in the room. */
function growthUnderVacuum(c: PlanCase): number {
  const vacuum = plannedVacuumKPaAbs(c);
  return isVacuumed(c.route) && vacuum !== null
    ? Math.cbrt(vacuumGrowth(Math.min(vacuum, c.ambientKPa), c.ambientKPa))
    : 1;
}

/** Depth that a bubble has to leave in the mould, mm; the cup's own where the mould's is not known. */
export const risingDepthMm = (c: PlanCase, amounts: PlanAmounts): number =>
  c.request.mould?.depthMm ?? cupDepthMm(c, amounts);

/** The times in which bubbles can rise before and while it stands open, and when the lid goes on. */
interface OpenTimes {
  /** At rest or under vacuum, in the cup. */
  readonly inCup: readonly Rise[];
  /** From the pour until the lid is on, or it gels. */
  readonly open: Rise;
  readonly lidMin: number | null;
}

function openTimes(
  c: PlanCase,
  amounts: PlanAmounts,
  gelMin: number | null,
  timeline: readonly TimelineStep[],
  pressed: boolean,
): OpenTimes {
  const step = (what: TimelineStep['what']) => timeline.find((s) => s.what === what);
  const [rest, vacuum, pour, press] = [step('rest'), step('vacuum'), step('pour'), step('pressurise') ?? step('load')];
  // What still stands in the cup goes on rising while it is poured.
  const pourFromMin = pour?.fromMin ?? c.stirMin + c.clearMin;
  const lidMin = pressed ? (press?.fromMin ?? pour?.toMin ?? pourFromMin) : gelMin;
  const depthMm = Math.max(risingDepthMm(c, amounts), MIN_DEPTH_MM);
  const inCupMm = Math.min(depthMm, Math.max(cupDepthMm(c, amounts), MIN_DEPTH_MM));
  const inCup: Rise[] = [];
  if (rest) inCup.push({ ...rest, size: 1, depthMm: inCupMm });
  if (vacuum) inCup.push({ ...vacuum, size: growthUnderVacuum(c), depthMm: inCupMm });
  return { inCup, open: { fromMin: pourFromMin, toMin: lidMin ?? pourFromMin, size: 1, depthMm }, lidMin };
}

/**
 * The air that a route leaves: what rises out in the cup, at rest or grown under vacuum, and in the mould until the lid
 * is on or it gels, then what dissolves under pressure. In the cup a bubble is counted as having no more to leave than
 * in the mould: the same minutes are never worth less for being spent before the pour.
 */
export function airOf(
  c: PlanCase,
  amounts: PlanAmounts,
  curve: MixCurve,
  timeline: readonly TimelineStep[],
  gaugeKPa: number | null,
): AirAnswer {
  // Under a pressure that nobody named nothing is known to change: it goes on rising as it would in the room.
  const pressedTo = isPressed(c.route) ? gaugeKPa : null;
  const { inCup, open, lidMin } = openTimes(c, amounts, curve.gelMin, timeline, pressedTo !== null);
  if (pressedTo === null || curve.gelMin === null) {
    const openMm = lidMin === null && inCup.length === 0 ? null : cleared(c, curve, [...inCup, open]);
    return { clearedMm: openMm, dissolvedMm: null, dissolvedUnderPressureMm: null, leftMm: openMm };
  }
  const ratio = boyleDiameterRatio(pressedTo, c.ambientKPa);
  const pressedMin = Math.max(0, curve.gelMin - (timeline.at(-1)?.toMin ?? 0));
  const under = largestDissolvedMm({ gaugeKPa: pressedTo, minutes: pressedMin, ambientKPa: c.ambientKPa });
  const dissolvedMm = under / ratio;
  // Under the lid what is left goes on rising, smaller and so slower.
  const underLid = { fromMin: open.toMin, toMin: curve.gelMin, size: ratio, depthMm: open.depthMm };
  const clearedMm = cleared(c, curve, [...inCup, open, underLid]);
  return {
    clearedMm,
    dissolvedMm,
    dissolvedUnderPressureMm: under,
    leftMm: clearedMm === null ? null : leftOver(clearedMm, dissolvedMm, ratio),
  };
}

/** What neither rose nor dissolved, as it is once back in the room, mm. */
const leftOver = (clearedMm: number, dissolvedMm: number, ratio: number): number =>
  clearedMm <= dissolvedMm ? 0 : clearedMm * ratio;

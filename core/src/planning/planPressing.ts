import { pressurisationMin } from '../air/compressor';
import type { PlanWarning } from '../formats/plan';
import type { PlanCase } from './planCase';

/** Pressure is let in no faster than this, so that nothing splashes, kPa a minute (studio practice). */
export const LET_IN_KPA_PER_MIN = 400;

/** The pressure that is planned, how long it takes to reach, and what forbids it. */
export interface PlannedPressure {
  /** kPa gauge; null where neither the wish nor the card names one. */
  readonly gaugeKPa: number | null;
  /** By tank and pump, never faster than it may be let in; null where neither was named. */
  readonly minutes: number | null;
  /** What letting it in takes at the least, whatever fills it. */
  readonly minMinutes: number;
  readonly warnings: readonly PlanWarning[];
}

const stop = (code: string, says: string, measured: number | null, limit: number | null): PlanWarning => ({
  code,
  says,
  measured,
  limit,
  unit: 'kPa',
  stop: true,
});

/** The range that card and vessel both allow. */
export function allowedPressure(c: PlanCase): { low: number | null; high: number | null } {
  const { minKPa, maxKPa } = c.product.pressure ?? {};
  const rated = c.request.gear?.vesselRatedKPa ?? null;
  const highs = [maxKPa, rated].filter((v): v is number => v != null);
  return { low: minKPa ?? null, high: highs.length > 0 ? Math.min(...highs) : null };
}

/** The middle of the allowed range, never above it: the wish where there is one. */
function target(c: PlanCase): number | null {
  const asked = c.request.handling?.pressureKPa;
  if (asked != null) return asked;
  const { low, high } = allowedPressure(c);
  if (c.product.pressure == null || (c.product.pressure.minKPa == null && c.product.pressure.maxKPa == null))
    return null;
  if (low !== null && high !== null) return low > high ? high : Math.round((low + high) / 2);
  return low ?? high;
}

/** What speaks against a pressure that is planned: the vessel's rating first, then the card's range. */
function pressureWarnings(c: PlanCase, gaugeKPa: number, ratedKPa: number | null): PlanWarning[] {
  const { say } = c;
  const { minKPa = null, maxKPa = null } = c.product.pressure ?? {};
  const found: PlanWarning[] = [];
  if (ratedKPa !== null && gaugeKPa > ratedKPa) {
    const says = `The vessel is rated to ${say(ratedKPa, 'kPa')}; ${say(gaugeKPa, 'kPa')} must not be put on it.`;
    found.push(stop('over-rating', says, gaugeKPa, ratedKPa));
  }
  if (maxKPa !== null && gaugeKPa > maxKPa) {
    const says = `${say(gaugeKPa, 'kPa')} is above the card's ${say(maxKPa, 'kPa')}.`;
    found.push(stop('pressure-above-card', says, gaugeKPa, maxKPa));
  }
  if (minKPa === null) return found;
  if (ratedKPa !== null && ratedKPa < minKPa) {
    const says = `The card asks for ${say(minKPa, 'kPa')} or more; the vessel is rated to ${say(ratedKPa, 'kPa')}.`;
    found.push(stop('vessel-too-weak', says, ratedKPa, minKPa));
  } else if (gaugeKPa < minKPa) {
    const says = `${say(gaugeKPa, 'kPa')} is below the card's ${say(minKPa, 'kPa')}: bubbles stay.`;
    found.push({ ...stop('pressure-below-card', says, gaugeKPa, minKPa), stop: false });
  }
  return found;
}

const notStated = (name: string) =>
  stop(
    'pressure-not-stated',
    `${name}'s card states no pressure, so none is planned. Ask the maker before pressing it.`,
    null,
    null,
  );

const RATING_UNKNOWN: PlanWarning = {
  code: 'vessel-rating-unknown',
  says: 'No vessel with a rating was named. Press only a rated vessel, within its rating.',
  measured: null,
  limit: null,
  unit: 'kPa',
  stop: false,
};

/** Minutes by tank and pump; infinite where they never bring it there, null where neither was named. */
function fillMinutes(c: PlanCase, gaugeKPa: number | null): number | null {
  const { vesselFreeL, freeAirLPerMin, compressorTankL, compressorTankKPa } = c.request.gear ?? {};
  if (gaugeKPa === null || vesselFreeL == null) return null;
  if (freeAirLPerMin == null && compressorTankL == null) return null;
  return pressurisationMin({
    freeL: vesselFreeL,
    targetKPa: gaugeKPa,
    tankL: compressorTankL ?? 0,
    tankKPa: compressorTankKPa ?? 0,
    freeAirLPerMin: freeAirLPerMin ?? 0,
    ambientKPa: c.ambientKPa,
  });
}

/** Plans the pressing of a case within the vessel's rating and the card's range, whichever is less. */
export function plannedPressure(c: PlanCase): PlannedPressure {
  const ratedKPa = c.request.gear?.vesselRatedKPa ?? null;
  const gaugeKPa = target(c);
  const warnings = gaugeKPa === null ? [notStated(c.product.name)] : pressureWarnings(c, gaugeKPa, ratedKPa);
  if (ratedKPa === null) warnings.push(RATING_UNKNOWN);
  const minMinutes = (gaugeKPa ?? 0) / LET_IN_KPA_PER_MIN;
  const minutes = fillMinutes(c, gaugeKPa);
  if (minutes === Infinity) {
    const says = 'The tank alone does not bring the vessel to pressure, and no pump was named.';
    warnings.push(stop('never-at-pressure', says, null, gaugeKPa));
  }
  return {
    gaugeKPa,
    minutes: minutes === null || minutes === Infinity ? null : Math.max(minutes, minMinutes),
    minMinutes,
    warnings,
  };
}

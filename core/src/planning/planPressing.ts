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

/** Plans the pressing of a case within the vessel's rating and the card's range, whichever is less. */
export function plannedPressure(c: PlanCase): PlannedPressure {
  const { say, product } = c;
  const gear = c.request.gear ?? {};
  const { minKPa, maxKPa } = product.pressure ?? {};
  const rated = gear.vesselRatedKPa ?? null;
  const gaugeKPa = target(c);
  const warnings: PlanWarning[] = [];
  if (gaugeKPa === null) {
    warnings.push(
      stop(
        'pressure-not-stated',
        `${product.name}'s card states no pressure, so none is planned. Ask the maker before pressing it.`,
        null,
        null,
      ),
    );
  } else {
    if (rated !== null && gaugeKPa > rated)
      warnings.push(
        stop(
          'over-rating',
          `The vessel is rated to ${say(rated, 'kPa')}; ${say(gaugeKPa, 'kPa')} must not be put on it.`,
          gaugeKPa,
          rated,
        ),
      );
    if (maxKPa != null && gaugeKPa > maxKPa)
      warnings.push(
        stop(
          'pressure-above-card',
          `${say(gaugeKPa, 'kPa')} is above the card's ${say(maxKPa, 'kPa')}.`,
          gaugeKPa,
          maxKPa,
        ),
      );
    if (minKPa != null && rated !== null && rated < minKPa)
      warnings.push(
        stop(
          'vessel-too-weak',
          `The card asks for ${say(minKPa, 'kPa')} or more; the vessel is rated to ${say(rated, 'kPa')}.`,
          rated,
          minKPa,
        ),
      );
    else if (minKPa != null && gaugeKPa < minKPa)
      warnings.push({
        ...stop(
          'pressure-below-card',
          `${say(gaugeKPa, 'kPa')} is below the card's ${say(minKPa, 'kPa')}: bubbles stay.`,
          gaugeKPa,
          minKPa,
        ),
        stop: false,
      });
  }
  if (rated === null)
    warnings.push({
      code: 'vessel-rating-unknown',
      says: 'No vessel with a rating was named. Press only a rated vessel, within its rating.',
      measured: null,
      limit: null,
      unit: 'kPa',
      stop: false,
    });
  const minMinutes = (gaugeKPa ?? 0) / LET_IN_KPA_PER_MIN;
  const known =
    gaugeKPa !== null && gear.vesselFreeL != null && (gear.freeAirLPerMin != null || gear.compressorTankL != null);
  const minutes = known
    ? pressurisationMin({
        freeL: gear.vesselFreeL!,
        targetKPa: gaugeKPa,
        tankL: gear.compressorTankL ?? 0,
        tankKPa: gear.compressorTankKPa ?? 0,
        freeAirLPerMin: gear.freeAirLPerMin ?? 0,
        ambientKPa: c.ambientKPa,
      })
    : null;
  if (minutes !== null && !Number.isFinite(minutes))
    warnings.push(
      stop(
        'never-at-pressure',
        'The tank alone does not bring the vessel to pressure, and no pump was named.',
        null,
        gaugeKPa,
      ),
    );
  return {
    gaugeKPa,
    minutes: minutes !== null && Number.isFinite(minutes) ? Math.max(minutes, minMinutes) : null,
    minMinutes,
    warnings,
  };
}

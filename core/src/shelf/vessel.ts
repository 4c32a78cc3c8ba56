import type { PressureVessel } from '../formats/gear';
import type { Say } from '../units/wording';

/** Why a vessel must not be pressed to a pressure; null where nothing speaks against it. */
export interface VesselStop {
  readonly code: 'over-rating' | 'inspection-overdue';
  readonly says: string;
}

/**
 * The hard stop of a pressure vessel: never above its rating, never past its inspection. No reason passes it.
 * @param gaugeKPa the pressure asked for, kPa gauge
 * @param day the day of pressing, `2026-03-14`
 */
export function vesselStop(vessel: PressureVessel, gaugeKPa: number, day: string, say: Say): VesselStop | null {
  if (gaugeKPa > vessel.ratedKPa) {
    return {
      code: 'over-rating',
      says: `${vessel.name} is rated to ${say(vessel.ratedKPa, 'kPa')}; ${say(gaugeKPa, 'kPa')} must not be put on it.`,
    };
  }
  if (gaugeKPa > 0 && vessel.inspectionDue && vessel.inspectionDue < day) {
    return {
      code: 'inspection-overdue',
      says: `${vessel.name} was due for inspection on ${vessel.inspectionDue}. Do not press it before.`,
    };
  }
  return null;
}

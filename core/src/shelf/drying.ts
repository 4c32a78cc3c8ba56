import { DRY_MASS_LOSS_PCT } from '../limits/cureReadings';

export interface Weighing {
  readonly at: string;
  readonly massG: number;
}

/** Readings closer together than this cannot tell dry from slow, h (studio practice). */
export const LEAST_HOURS_APART = 3;

/** Whether something has stopped losing water, by its last weighings. */
export type Drying =
  | { readonly state: 'not-known'; readonly lossPct: null; readonly hours: number | null }
  | { readonly state: 'dry' | 'drying' | 'gaining'; readonly lossPct: number; readonly hours: number };

/**
 * Dry when the last reading and an earlier one at least three hours before differ by under 0.5 % of the earlier.
 * @param weighings in any order; g, above 0
 */
export function dryingState(weighings: readonly Weighing[]): Drying {
  const sorted = [...weighings].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
  const last = sorted.at(-1);
  const hoursBefore = (w: Weighing) => (last ? (Date.parse(last.at) - Date.parse(w.at)) / 3_600_000 : 0);
  const before = sorted.filter((w) => hoursBefore(w) >= LEAST_HOURS_APART).at(-1);
  if (!last || !before)
    return { state: 'not-known', lossPct: null, hours: sorted.length > 1 ? hoursBefore(sorted.at(-2)!) : null };
  const lossPct = (100 * (before.massG - last.massG)) / before.massG;
  const state = Math.abs(lossPct) < DRY_MASS_LOSS_PCT ? 'dry' : lossPct > 0 ? 'drying' : 'gaining';
  return { state, lossPct, hours: hoursBefore(before) };
}

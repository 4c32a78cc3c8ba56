import { DRY_MASS_LOSS_PCT } from '../limits/cureReadings';

export interface Weighing {
  readonly at: string;
  readonly massG: number;
}

/** Readings closer together than this cannot tell dry from slow, h (domain's rule). */
export const MIN_HOURS_APART = 4;
const DAY_H = 24;
const HOUR_MS = 3_600_000;
/** A rise of more scale steps than this is no rounding. */
const STEPS_OF_GAIN = 1.5;
/** The most decimals that a scale at a bench shows. */
const MAX_DECIMALS = 3;

/** Whether something has stopped losing water, by its last weighings. */
export type Drying =
  | {
      /** `too-coarse`: the scale's step over this time is more than what is looked for. */
      readonly state: 'not-known' | 'too-coarse';
      readonly lossPct: null;
      readonly hours: number | null;
    }
  | {
      readonly state: 'dry' | 'drying' | 'gaining';
      /** Loss in 24 h, % of its own mass; below 0 is a gain. */
      readonly lossPct: number;
      /** Between the two readings compared. */
      readonly hours: number;
    };

/** The step that a scale was read to, by the finest of its readings, g. */
function stepOf(weighings: readonly Weighing[]): number {
  const decimals = weighings.map(({ massG }) => (String(massG).split('.')[1] ?? '').length);
  return 10 ** -Math.min(MAX_DECIMALS, Math.max(0, ...decimals));
}

/**
 * Dry when it loses under 0.5 % of its own mass in 24 h, by the last reading and an earlier one at least four hours
 * before, far enough for the scale's step to tell. A gain is no drying: one of the readings is wrong.
 * @param weighings in any order; g, above 0
 * @param ownG mass of what dries, g, where it is weighed with something else; the earlier reading where it is not given
 */
export function dryingState(weighings: readonly Weighing[], ownG?: number | null): Drying {
  const sorted = [...weighings].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
  const last = sorted.at(-1);
  const hoursBefore = (w: Weighing) => (last ? (Date.parse(last.at) - Date.parse(w.at)) / HOUR_MS : 0);
  const before = sorted.filter((w) => hoursBefore(w) >= MIN_HOURS_APART).at(-1);
  if (!last || !before) {
    return { state: 'not-known', lossPct: null, hours: sorted.length > 1 ? hoursBefore(sorted.at(-2)!) : null };
  }
  const hours = hoursBefore(before);
  const own = ownG != null && ownG > 0 ? Math.min(ownG, before.massG) : before.massG;
  const perDay = (grams: number) => ((100 * grams) / own) * (DAY_H / hours);
  const lostG = before.massG - last.massG;
  const stepG = stepOf(sorted);
  if (lostG < -STEPS_OF_GAIN * stepG) return { state: 'gaining', lossPct: perDay(lostG), hours };
  if (perDay(lostG) >= DRY_MASS_LOSS_PCT) return { state: 'drying', lossPct: perDay(lostG), hours };
  if (perDay(stepG) > DRY_MASS_LOSS_PCT) return { state: 'too-coarse', lossPct: null, hours };
  return { state: 'dry', lossPct: perDay(lostG), hours };
}

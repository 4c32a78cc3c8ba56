/** A gauge's reading at a minute. */
export interface GaugePoint {
  readonly atMin: number;
  readonly kPa: number;
}

/** How a vessel's pressure runs, and whether it leaks. */
export interface GaugeTrend {
  readonly kPaPerMin: number;
  readonly leaking: boolean;
  /** Minutes until it falls below the limit at this rate; null where it does not. */
  readonly belowInMin: number | null;
}

/** A fall slower than this share of the pressure over the hold is a cooling vessel, not a leak. */
const LOST_SHARE = 0.03;
/** Fewer readings, or a shorter time, tell nothing. */
const FEWEST = 4;
const MIN_MIN = 0.25;
/** Standard errors that a slope must be away from level. */
const SURE = 3;

/**
 * Whether a gauge falls, by a straight line through its readings (least squares): a leak is a fall that is plain
 * against the readings' own scatter and would cost more than a few per cent before the hold is over.
 * @param limitKPa least that must be held
 * @param leftMin minutes of hold to come
 * @returns null until there is enough to tell
 */
export function gaugeTrend(points: readonly GaugePoint[], limitKPa: number, leftMin: number): GaugeTrend | null {
  if (points.length < FEWEST || points.at(-1)!.atMin - points[0]!.atMin < MIN_MIN) return null;
  const n = points.length;
  const [mt, mp] = [points.reduce((s, p) => s + p.atMin, 0) / n, points.reduce((s, p) => s + p.kPa, 0) / n];
  const stt = points.reduce((s, p) => s + (p.atMin - mt) ** 2, 0);
  const slope = points.reduce((s, p) => s + (p.atMin - mt) * (p.kPa - mp), 0) / stt;
  const left = points.reduce((s, p) => s + (p.kPa - mp - slope * (p.atMin - mt)) ** 2, 0);
  const error = Math.sqrt(left / Math.max(1, n - 2) / stt);
  const now = mp + slope * (points.at(-1)!.atMin - mt);
  const falls = slope < -SURE * error && slope < 0;
  const leaking = falls && -slope * Math.max(leftMin, 1) > LOST_SHARE * mp;
  return { kPaPerMin: slope, leaking, belowInMin: minutesUntilBelow(now, slope, limitKPa) };
}

/** From now on, min; 0 where it is below already, null where it does not fall. */
function minutesUntilBelow(nowKPa: number, kPaPerMin: number, limitKPa: number): number | null {
  if (nowKPa <= limitKPa) return 0;
  return kPaPerMin >= 0 ? null : (nowKPa - limitKPa) / -kPaPerMin;
}

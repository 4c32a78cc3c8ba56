import type { LimitState } from '../formats/vocabulary';

/** Share of the band's width (or of a lone limit) that counts as near its edge. */
export const NEAR_SHARE = 0.1;

/**
 * Where a measured value stands between two limits, either of which may be missing.
 * @param measured null where it was not recorded
 * @returns `not-stated` where there is no limit at all, whatever was measured
 * @example bandState(17.5, 19, 27) // 'below'
 */
export function bandState(measured: number | null, low: number | null, high: number | null): LimitState {
  if (low === null && high === null) return 'not-stated';
  if (measured === null) return 'not-recorded';
  // A hair beyond a limit is the rounding of a sum, not a slip: 0.9999999 % is 1 %.
  const hair = 1e-9 * Math.max(Math.abs(measured), Math.abs(low ?? 0), Math.abs(high ?? 0));
  if (low !== null && measured < low - hair) return 'below';
  if (high !== null && measured > high + hair) return 'above';
  return isNear(measured, low, high) ? 'near' : 'inside';
}

function isNear(measured: number, low: number | null, high: number | null): boolean {
  const width = low !== null && high !== null ? high - low : Math.abs(low ?? high ?? 0);
  if (width === 0) return false;
  // A hair more than the tenth itself, so that a value exactly on it is near whatever its binary rounding.
  const margin = NEAR_SHARE * width * (1 + 1e-9);
  return (low !== null && measured - low <= margin) || (high !== null && high - measured <= margin);
}

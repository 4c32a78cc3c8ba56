import type { CaseFacts } from './caseFacts';
import type { MaybeEvidence } from './evidence';
import { pointsFor } from './weight';

/** Shore points between two checks that a hand-held tester can tell from its own scatter. */
const TELLABLE_RISE = 3;

interface TwoReadings { readonly index: number; readonly before: number; readonly last: number; readonly hours: number }

function lastTwo({ batch, product }: CaseFacts): TwoReadings | null {
  const readings = (batch.checks ?? [])
    .flatMap((c, index) => (c.shore == null ? [] : [{ index, afterH: c.afterH, shore: c.shore }]))
    .sort((a, b) => a.afterH - b.afterH);
  const [before, last] = readings.slice(-2);
  const full = product.hardness?.value;
  if (!before || !last || (full != null && last.shore >= full - (product.hardness?.tolerance ?? 0))) return null;
  return { index: last.index, before: before.shore, last: last.shore, hours: last.afterH - before.afterH };
}

/** Which way hardness goes between the two latest checks; null where that cannot be told. */
export function hardnessDirection(facts: CaseFacts): 'rising' | 'flat' | null {
  const two = lastTwo(facts);
  if (!two) return null;
  return two.last - two.before > TELLABLE_RISE ? 'rising' : 'flat';
}

/**
 * The two latest hardness readings compared: rising means slow, flat means it will not come by waiting.
 * @param weights decibans at a clear rise (above 0) and at none (below 0)
 * @returns null with fewer than two readings, or once the card's full hardness is reached
 */
export function hardnessTrend(facts: CaseFacts, weights: { rising: number; flat: number }): MaybeEvidence {
  const two = lastTwo(facts);
  if (!two) return null;
  const rise = two.last - two.before;
  const moved = `Hardness went from ${two.before} to ${two.last} in ${facts.say(two.hours, 'h')}`;
  return {
    field: `checks[${two.index}].shore`, measured: two.last, limit: two.before, unit: 'Shore',
    points: pointsFor((rise - TELLABLE_RISE) / TELLABLE_RISE, { slope: 5, most: weights.rising, least: -weights.flat }),
    says: rise > TELLABLE_RISE ? `${moved}: slow, but coming.` : `${moved}: flat, so waiting will not help.`,
  };
}

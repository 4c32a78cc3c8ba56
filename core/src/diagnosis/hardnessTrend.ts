import { expectedShore } from '../cure/hardness';
import type { CaseFacts } from './caseFacts';
import type { MaybeEvidence } from './evidence';
import { pointsFor } from './weight';

/** Shore points between two checks that a hand-held tester can tell from its own scatter. */
export const TELLABLE_RISE = 3;

interface TwoReadings {
  readonly index: number;
  readonly before: number;
  readonly last: number;
  readonly hours: number;
}

function lastTwo({ batch, product }: CaseFacts): TwoReadings | null {
  const readings = (batch.checks ?? [])
    .flatMap((c, index) => (c.shore == null ? [] : [{ index, afterH: c.afterH, shore: c.shore }]))
    .sort((a, b) => a.afterH - b.afterH);
  const [before, last] = readings.slice(-2);
  const full = product.hardness?.value;
  if (!before || !last || (full != null && last.shore >= full - (product.hardness?.tolerance ?? 0))) return null;
  return { index: last.index, before: before.shore, last: last.shore, hours: last.afterH - before.afterH };
}

/** Shore points under the curve at which a wrong mix is plain. */
const FAR_UNDER = 8;

/**
 * The reading of the look that saw the fault, against what the card's curve expects of that age at the temperature it
 * cured at: age and cold are in the curve already, so a reading under it speaks for what ages cannot tell.
 * @param weights most decibans where it is far under (above 0 for, below 0 against) and where it is on the curve
 */
export function underTheCurve(facts: CaseFacts, weights: { under: number; on: number }): MaybeEvidence {
  const { product, batch, seen, cureC, say } = facts;
  const index = (batch.checks ?? []).findIndex((c) => c.afterH === seen.afterH && c.shore != null);
  const shore = batch.checks?.[index]?.shore;
  const expected = shore == null || cureC === null ? null : expectedShore(product, seen.afterH * 60, cureC);
  if (shore == null || expected === null) return null;
  const margin = (expected - (product.hardness?.tolerance ?? TELLABLE_RISE) - shore) / FAR_UNDER;
  const raw = pointsFor(Math.abs(margin), {
    slope: Math.abs(margin >= 0 ? weights.under : weights.on),
    most: Math.abs(margin >= 0 ? weights.under : weights.on),
    least: 0,
  });
  return {
    field: `checks[${index}].shore`,
    measured: shore,
    limit: Math.round(expected),
    unit: 'Shore',
    points: raw * Math.sign(margin >= 0 ? weights.under : weights.on),
    says: `Shore ${shore} after ${say(seen.afterH, 'h')} at ${say(cureC ?? 0, '°C')}; the card's curve expects ${Math.round(expected)} of that age.`,
  };
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
    field: `checks[${two.index}].shore`,
    measured: two.last,
    limit: two.before,
    unit: 'Shore',
    points: pointsFor((rise - TELLABLE_RISE) / TELLABLE_RISE, { slope: 5, most: weights.rising, least: -weights.flat }),
    says: rise > TELLABLE_RISE ? `${moved}: slow, but coming.` : `${moved}: flat, so waiting will not help.`,
  };
}

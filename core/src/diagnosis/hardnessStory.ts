import { equivalentMinutes } from '../cure/equivalentAge';
import { expectedShore } from '../cure/hardness';
import { SHEET_TEMPERATURE_C } from '../cure/kineticsDefaults';
import type { Batch } from '../formats/batch';
import type { Product } from '../formats/product';
import { cureTemperatureC } from '../limits/cureReadings';
import { wordsIn, type Say } from '../units/wording';
import { TELLABLE_RISE } from './hardnessTrend';

/** A hardness reading against what the card's curve expects of a cure of that age at the temperature recorded. */
export interface HardnessPoint {
  readonly afterH: number;
  readonly shore: number;
  readonly expected: number;
}

export interface HardnessStory {
  readonly points: readonly HardnessPoint[];
  /** The curve the card asks for, hours against Shore, to beyond the last reading. */
  readonly curve: readonly { readonly afterH: number; readonly shore: number }[];
  readonly full: number;
  readonly verdict: 'on the curve' | 'slow but rising' | 'flat' | 'one reading' | 'none';
  readonly says: string;
}

const CURVE_STEPS = 60;
/** Shore points under the curve that a hand-held tester may be off by, where the card states no tolerance. */
const USUAL_TOLERANCE = 3;

function verdictOf(points: readonly HardnessPoint[], tolerance: number): HardnessStory['verdict'] {
  const [before, last] = points.slice(-2);
  if (!before) return 'none';
  const latest = last ?? before;
  if (latest.shore >= latest.expected - tolerance) return 'on the curve';
  if (!last) return 'one reading';
  return last.shore - before.shore > TELLABLE_RISE ? 'slow but rising' : 'flat';
}

const SAYS: Record<HardnessStory['verdict'], string> = {
  'on the curve': 'as hard as its age and its temperature ask',
  'slow but rising': 'under the curve but rising: slow, so wait warm',
  flat: 'under the curve and flat: wrong ratio, poor mixing or overloading; waiting will not help',
  'one reading': 'under the curve; a second reading tomorrow tells slow from wrong',
  none: 'no reading yet',
};

/** Light-cured resin is neither mixed nor in ratio: flat, it lacks light. */
const saysOf = (product: Product, verdict: HardnessStory['verdict']) =>
  verdict === 'flat' && product.family === 'uv-acrylate'
    ? 'under the curve and flat: too little light came to it; more light helps, waiting does not'
    : SAYS[verdict];

/**
 * The hardness readings of a batch against the card's curve at the temperature it cured at.
 * @returns null where the card gives no hardness, demould or full cure
 */
export function hardnessStory(product: Product, batch: Batch, say: Say = wordsIn()): HardnessStory | null {
  const full = product.hardness?.value;
  const cureC = cureTemperatureC(batch) ?? product.demould?.atC ?? SHEET_TEMPERATURE_C;
  const at = (afterH: number) => expectedShore(product, afterH * 60, cureC);
  if (full == null || at(1) === null) return null;
  const points = (batch.checks ?? [])
    .flatMap((c) => (c.shore == null ? [] : [{ afterH: c.afterH, shore: c.shore, expected: at(c.afterH) ?? full }]))
    .sort((a, b) => a.afterH - b.afterH);
  const untilH = Math.max((product.fullCure?.hours ?? 24) * 1.1, (points.at(-1)?.afterH ?? 0) * 1.1);
  // Steps grow with the square, because hardness comes early.
  const curve = Array.from({ length: CURVE_STEPS + 1 }, (_, i) => {
    const afterH = untilH * (i / CURVE_STEPS) ** 2;
    return { afterH, shore: at(afterH) ?? 0 };
  });
  const verdict = verdictOf(points, product.hardness?.tolerance ?? USUAL_TOLERANCE);
  const last = points.at(-1);
  const age = last && equivalentMinutes(product, last.afterH * 60, cureC, product.demould?.atC ?? SHEET_TEMPERATURE_C);
  const says = last
    ? `Shore ${last.shore} after ${say(last.afterH, 'h')} at ${say(cureC, '°C')} (worth ${say((age ?? 0) / 60, 'h')} on the card); ${Math.round(last.expected)} is expected: ${saysOf(product, verdict)}.`
    : `Full hardness is ${full}; ${SAYS.none}.`;
  return { points, curve, full, verdict, says };
}

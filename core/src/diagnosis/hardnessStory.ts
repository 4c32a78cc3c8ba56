import { equivalentMinutes } from '../cure/equivalentAge';
import { expectedShore } from '../cure/hardness';
import { SHEET_TEMPERATURE_C } from '../cure/kineticsDefaults';
import type { Batch } from '../formats/batch';
import type { Product } from '../formats/product';
import { cureTemperatureC } from '../limits/cureTemperature';
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
/** The curve is drawn so far beyond full cure or the last reading. */
const BEYOND = 1.1;
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

function pointsOf(batch: Batch, expected: (afterH: number) => number): HardnessPoint[] {
  return (batch.checks ?? [])
    .flatMap(({ afterH, shore }) => (shore == null ? [] : [{ afterH, shore, expected: expected(afterH) }]))
    .sort((a, b) => a.afterH - b.afterH);
}

/**
 * The hardness readings of a batch against the card's curve at the temperature it cured at.
 * @returns null where the card gives no hardness, demould or full cure
 */
export function hardnessStory(product: Product, batch: Batch, say: Say = wordsIn()): HardnessStory | null {
  const { value: full = null, tolerance } = product.hardness ?? {};
  const cardC = product.demould?.atC ?? SHEET_TEMPERATURE_C;
  const cureC = cureTemperatureC(batch) ?? cardC;
  const at = (afterH: number) => expectedShore(product, afterH * 60, cureC);
  if (full === null || at(1) === null) return null;
  const points = pointsOf(batch, (afterH) => at(afterH) ?? full);
  const last = points.at(-1);
  const untilH = Math.max(product.fullCure?.hours ?? 24, last?.afterH ?? 0) * BEYOND;
  // Steps grow with the square, because hardness comes early.
  const curve = Array.from({ length: CURVE_STEPS + 1 }, (_, i) => {
    const afterH = untilH * (i / CURVE_STEPS) ** 2;
    return { afterH, shore: at(afterH) ?? 0 };
  });
  const verdict = verdictOf(points, tolerance ?? USUAL_TOLERANCE);
  if (!last) return { points, curve, full, verdict, says: `Full hardness is ${full}; ${SAYS.none}.` };
  const ageH = equivalentMinutes(product, last.afterH * 60, cureC, cardC) / 60;
  const read = `Shore ${last.shore} after ${say(last.afterH, 'h')} at ${say(cureC, '°C')}`;
  const expected = `${Math.round(last.expected)} is expected: ${saysOf(product, verdict)}`;
  return { points, curve, full, verdict, says: `${read} (worth ${say(ageH, 'h')} on the card); ${expected}.` };
}

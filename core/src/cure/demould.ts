import type { Batch } from '../formats/batch';
import type { Product } from '../formats/product';
import { memoize } from '../numeric/memoize';
import { arrheniusFactor } from './arrhenius';
import { minutesAt } from './equivalentAge';
import { SHEET_MASS_G, SHEET_TEMPERATURE_C, familyKinetics } from './kineticsDefaults';
import { valueAlong } from '../numeric/alongCurve';
import { simulateCup } from './simulateCup';
import { COOL_K } from './slabConditions';

/**
 * How much warmer than the room the card's own cup still is when the card lets it out, K: what its maker calls cool
 * enough. Never less than what a piece is taken as cool at.
 */
export const warmthAtCardDemouldK = memoize((product: Product): number => {
  const minutes = product.demould?.minutes;
  if (minutes == null) return COOL_K;
  const atC = product.demould?.atC ?? SHEET_TEMPERATURE_C;
  const massG = product.exotherm?.massG ?? product.potLife?.massG ?? product.gel?.massG ?? SHEET_MASS_G;
  const cup = simulateCup(product, { massG, resinC: atC, roomC: atC });
  if (!('curve' in cup)) return COOL_K;
  const { minutes: times, temperatureC } = cup.curve;
  // A curve that ends before has cooled down by then.
  if (minutes > times.at(-1)!) return COOL_K;
  return Math.max(COOL_K, valueAlong(times, temperatureC, minutes) - atC);
});

/**
 * A piece that the model still takes as warm after so many times the
 * card's demould is let out all the same (judgement).
 */
const MAX_TIMES_CARD = 3;

/**
 * Minutes until a piece is hard and cool enough to come out: as old as the card's demould at its thin edge, never
 * before the card's own minutes at this room, and as cool as the card's own cup is then.
 * @param agedMin when the thin edge is as old as the card's demould; null where no model says
 * @param coolMin when it is as cool as the card's own cup at its demould; null where no model says
 * @param cardMin the card's demould minutes at this room
 */
export function hardAndCoolMin(agedMin: number | null, coolMin: number | null, cardMin: number): number {
  const hard = Math.max(agedMin ?? 0, cardMin);
  return Math.max(hard, Math.min(coolMin ?? 0, MAX_TIMES_CARD * hard));
}

interface Warmth {
  readonly atMin: number;
  readonly c: number;
}

/** What the thin edge went through: the mould or the room as read, else as recorded once. */
function edgePath(batch: Batch): Warmth[] {
  const read = (what: 'mould' | 'room') =>
    (batch.readings ?? []).flatMap((r): Warmth[] =>
      r.what === what && r.atMin != null && r.value != null ? [{ atMin: Math.max(0, r.atMin), c: r.value }] : [],
    );
  const paths = [read('mould'), read('room')].filter((p) => p.length > 0);
  const start = batch.mould?.temperatureC ?? batch.room?.temperatureC ?? null;
  const room = batch.cure?.temperatureC ?? batch.room?.temperatureC ?? start;
  const path = (paths[0] ?? (room === null ? [] : [{ atMin: 0, c: room }])).sort((a, b) => a.atMin - b.atMin);
  return path.filter(({ c }) => c > -50 && c < 400);
}

/**
 * When the thin edge of a batch in its mould is as old as the card's demould: by the room or mould as read since, the
 * last reading held; by the room as recorded without readings.
 * @returns minutes since the parts met; the card's own where no temperature was recorded; null where it states none
 */
export function thinEdgeOutMin(product: Product, batch: Batch): number | null {
  const card = product.demould?.minutes;
  if (card == null) return null;
  const atC = product.demould?.atC ?? SHEET_TEMPERATURE_C;
  const path = edgePath(batch);
  const kinetics = familyKinetics(product.family);
  if (path.length === 0 || !kinetics) return card;
  const rate = (c: number) => arrheniusFactor(kinetics.activationKJPerMol, c, atC);
  let [age, at, was] = [0, 0, path[0]!];
  for (const point of path) {
    if (point.atMin <= at) {
      was = point;
      continue;
    }
    const grown = ((rate(was.c) + rate(point.c)) / 2) * (point.atMin - at);
    if (age + grown >= card) return at + ((card - age) / grown) * (point.atMin - at);
    [age, at, was] = [age + grown, point.atMin, point];
  }
  return at + minutesAt(product, card - age, was.c, atC);
}

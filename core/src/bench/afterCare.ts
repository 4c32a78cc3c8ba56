import { equivalentMinutes, minutesAt } from '../cure/equivalentAge';
import { SHEET_TEMPERATURE_C } from '../cure/kineticsDefaults';
import type { Batch } from '../formats/batch';
import type { Product } from '../formats/product';

/** Something to come back for, minutes after the parts met. */
export interface ComeBack {
  readonly what: string;
  readonly afterMin: number;
  readonly says: string;
}

/** A cast that gels slower than this is looked at in between, min; and how often. */
const SLOW_GEL_MIN = 90;
const LOOK_EVERY_MIN = 75;
const MAX_LOOKS = 8;

/** Looks while it is still liquid in the mould: for slow casts only. */
export function comeBacks(product: Product, gelsMin: number | null, pouredMin: number): ComeBack[] {
  const gel = gelsMin ?? product.gel?.minutes ?? null;
  if (gel === null || gel < SLOW_GEL_MIN) return [];
  const count = Math.min(MAX_LOOKS, Math.floor((gel - pouredMin) / LOOK_EVERY_MIN));
  return Array.from({ length: Math.max(0, count) }, (_, i) => ({
    what: 'look',
    afterMin: pouredMin + (i + 1) * LOOK_EVERY_MIN,
    says: 'Break bubbles at the surface, touch the cup, read the surface, cover it again.',
  }));
}

/** Work on the piece after it is out, each from when the cure allows it, at the temperature it cures in. */
export function afterCare(product: Product, batch: Batch, roomC: number): ComeBack[] {
  const { minutes: demouldMin = null, atC = null } = product.demould ?? {};
  const { hours: fullHours = null } = product.fullCure ?? {};
  const at = (cardMinutes: number) => minutesAt(product, cardMinutes, roomC, atC ?? SHEET_TEMPERATURE_C);
  const demould = batch.cure?.demouldedMin ?? (demouldMin === null ? null : at(demouldMin));
  const full = fullHours === null ? null : at(fullHours * 60);
  if (demould === null) return [];
  /** Hard enough to sand without clogging: twice the demould's age, and not before full cure's tenth. */
  const sand = Math.max(demould, Math.min(at((demouldMin ?? 0) * 2), full ?? Infinity));
  return worksInOrder({ demould, sand, full, released: batch.pour?.releaseMist === true });
}

interface WorkTimes {
  readonly demould: number;
  readonly sand: number;
  readonly full: number | null;
  readonly released: boolean;
}

function worksInOrder({ demould, sand, full, released }: WorkTimes): ComeBack[] {
  return [
    { what: 'trim', afterMin: demould, says: 'Trim sprue and flash while they still cut.' },
    { what: 'sand', afterMin: sand, says: 'Sand wet or with a dust mask; uncured dust is worse.' },
    ...(released
      ? [{ what: 'wash', afterMin: sand, says: 'Wash the release off with warm water and soap before paint.' }]
      : []),
    {
      what: 'prime',
      afterMin: sand,
      says: released ? 'Prime once it is washed and dry.' : 'Prime the dust-free, dry piece.',
    },
    ...(full === null
      ? []
      : [{ what: 'polish', afterMin: full, says: 'Polish at full cure: sooner, and the shine sinks.' }]),
  ].sort((a, b) => a.afterMin - b.afterMin);
}

/** Age at the card's temperature, min, for the sentence beside a demould. */
export const ageMin = (product: Product, minutes: number, roomC: number): number =>
  equivalentMinutes(product, minutes, roomC, product.demould?.atC ?? SHEET_TEMPERATURE_C);

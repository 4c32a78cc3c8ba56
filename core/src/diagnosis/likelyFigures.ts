import type { Batch } from '../formats/batch';
import type { Product } from '../formats/product';
import { batchRatioErrorPct, hasFixedRatio } from '../mixing/batchAmounts';
import { familyTolerancePct } from '../mixing/safeBatch';

/** Where a figure lies in nearly every batch, and where it usually lies. */
export interface LikelyRange {
  readonly likely: readonly [low: number, high: number];
  readonly usual: readonly [low: number, high: number];
}

const inside = (v: number, [low, high]: readonly [number, number]): boolean => v >= low && v <= high;
const positive = (v: number | null | undefined): number | null => (v != null && v > 0 ? v : null);

/** A range as multiples of what the card states; none where it states nothing. */
function around(
  stated: readonly (number | null | undefined)[],
  likely: readonly [number, number],
  usual: readonly [number, number],
): LikelyRange | null {
  const known = stated.flatMap((v) => positive(v) ?? []);
  if (known.length === 0) return null;
  const [low, high] = [Math.min(...known), Math.max(...known)];
  return { likely: [low * likely[0], high * likely[1]], usual: [low * usual[0], high * usual[1]] };
}

/** A room or resin so much colder or warmer than the card is hardly worked in, K; usually it is within so much. */
const [FAR_K, USUAL_K] = [16.5, 4];
/** Resin and moulds are warmed up to here, °C. */
const WARMED_C = 65;

function warmth(
  band: { readonly minC?: number | null | undefined; readonly maxC?: number | null | undefined } | null | undefined,
  warmedC = 0,
): LikelyRange | null {
  if (band?.minC == null || band.maxC == null) return null;
  return {
    likely: [band.minC - FAR_K, Math.max(band.maxC + FAR_K, warmedC)],
    usual: [band.minC - USUAL_K, band.maxC + USUAL_K],
  };
}

/** Pressing takes so long to come up, and goes on for so many of the card's holds, at the most. */
const [LONGEST_RISE_MIN, MOST_HOLDS] = [45, 40];

function pressing({ pressure: card }: Product, { pressure }: Batch, field: 'reached' | 'released'): LikelyRange | null {
  if (field === 'reached') {
    const from = pressure?.startedMin;
    return from == null
      ? null
      : { likely: [from, from + LONGEST_RISE_MIN], usual: [from + 0.3, from + LONGEST_RISE_MIN / 2] };
  }
  const [from, hold] = [pressure?.reachedMin, positive(card?.holdMin)];
  if (from == null || hold === null) return null;
  return {
    likely: [from + hold * 0.04, from + hold * MOST_HOLDS],
    usual: [from + hold * 0.8, from + hold * 6],
  };
}

type RangeOf = (product: Product, batch: Batch) => LikelyRange | null;

/** Where the figures of a record are likely to lie, by the card and by what stands beside them. */
const RANGES: Readonly<Record<string, RangeOf>> = {
  'room.temperatureC': ({ room }) => warmth(room),
  'room.humidityPct': () => ({ likely: [12, 100], usual: [25, 90] }),
  'cure.temperatureC': ({ room }) => warmth(room, 90),
  'resin.temperatureAC': ({ resin }) => warmth(resin, WARMED_C),
  'resin.temperatureBC': ({ resin }) => warmth(resin, WARMED_C),
  'resin.atPourC': ({ resin }) => warmth(resin, WARMED_C),
  'mould.temperatureC': ({ room }) => warmth(room, WARMED_C + 25),
  'cure.peakC': ({ exothermMaxC }, { room }) =>
    room?.temperatureC == null || exothermMaxC == null
      ? null
      : { likely: [room.temperatureC - 3, exothermMaxC + 90], usual: [room.temperatureC + 3, exothermMaxC] },
  'mix.stirMin': ({ mix }) => around([mix?.minMin], [0.04, 8], [0.5, 4]),
  'degas.minutes': ({ degas }) => around([degas?.minutes], [0.05, 8], [0.5, 3]),
  'degas.vacuumKPaAbs': ({ degas }) => around([degas?.vacuumKPaAbs], [0.12, 9], [0.4, 2]),
  'pressure.gaugeKPa': ({ pressure: p }) => around([p?.minKPa, p?.maxKPa], [0.05, 1.8], [0.6, 1.2]),
  'pressure.reachedMin': (product, batch) => pressing(product, batch, 'reached'),
  'pressure.releasedMin': (product, batch) => pressing(product, batch, 'released'),
  'pour.depthMm': ({ depth }) => around([depth?.minMm, depth?.maxMm], [0.15, 4], [0.8, 1.2]),
  'pour.startedMin': ({ potLife }) => around([potLife?.minutes], [0.02, 4], [0.1, 1]),
  'pour.finishedMin': ({ potLife }) => around([potLife?.minutes], [0.03, 5], [0.15, 1.2]),
  'mould.thinnestMm': ({ thinnestMm }) => around([thinnestMm], [0.2, 40], [0.6, 8]),
  'cure.demouldedMin': ({ demould }) => around([demould?.minutes], [0.12, 200], [0.8, 30]),
  'cure.lightMJPerCM2': ({ family, light }) =>
    family === 'uv-acrylate' ? around([light?.doseMJPerCM2], [0.03, 12], [0.8, 3]) : null,
};

const UNITS: readonly [ending: RegExp, unit: string][] = [
  [/C$/, '°C'],
  [/Pct$/, '%'],
  [/KPa(Abs)?$/, 'kPa'],
  [/Mm$/, 'mm'],
  [/MJPerCM2$/, 'mJ/cm²'],
  [/(Min|minutes)$/, 'min'],
];

/** The unit that a figure of the record is kept in. */
export function unitOf(field: string, batch: Batch): string {
  if (field.startsWith('mix.amount')) return batch.mix?.unit ?? 'g';
  return UNITS.find(([ending]) => ending.test(field))?.[1] ?? '';
}

/** Digits of a figure changed about with their neighbours: 62 for 26. */
function swaps(value: number): number[] {
  const text = String(Math.round(value * 10) / 10);
  return [...text].flatMap((digit, i) => {
    const next = text[i + 1];
    if (next === undefined || !/\d/.test(digit) || !/\d/.test(next) || digit === next) return [];
    return [Number(text.slice(0, i) + next + digit + text.slice(i + 2))];
  });
}

/** What may have been meant: the point one place further, or two digits changed about. */
export const meantInstead = (value: number): readonly number[] => [value / 10, value * 10, ...swaps(value)];

/** Reads a figure of a record; null where there is none. */
function figureAt(field: string): (batch: Batch) => number | null {
  const [section, key] = field.split('.') as [keyof Batch, string];
  return (batch) => {
    const v = (batch[section] as Readonly<Record<string, unknown>> | null | undefined)?.[key];
    return typeof v === 'number' ? v : null;
  };
}

/** A figure that is hardly likely, with what was probably meant. */
export interface Mistyped {
  readonly field: string;
  readonly value: number;
  readonly meant: number;
  /** Chance that it is right as it stands, 0 to 1. */
  readonly belief: number;
}

const clamp = (v: number): number => Math.max(0, Math.min(1, v));
/** 0 to 1 without a corner at either end. */
const smooth = (v: number): number => clamp(v) ** 2 * (3 - 2 * clamp(v));
/** So far beyond what is likely a figure is no longer believed: as a factor, and for temperatures in K. */
const [BEYOND_FACTOR, BEYOND_K] = [1.8, 6];
/** What was meant counts in full from here inside of what is usual, as a share of its width. */
const WELL_INSIDE = 0.12;

function beyond(field: string, v: number, [low, high]: readonly [number, number]): number {
  if (v >= low && v <= high) return 0;
  if (field.endsWith('C')) return (v < low ? low - v : v - high) / BEYOND_K;
  if (v < low) return low <= 0 || v <= 0 ? 1 : Math.log(low / v) / Math.log(BEYOND_FACTOR);
  return high <= 0 ? 1 : Math.log(v / high) / Math.log(BEYOND_FACTOR);
}

/** Belief in a figure beyond what is possible: it fades without a leap. @param beyond 1 where none of it is left */
export const fadingBelief = (beyondBy: number): number => 1 - smooth(beyondBy);
/** How far a temperature may lie beyond what is possible until none of it is believed, K. */
export const FADES_OVER_K = BEYOND_K;

const wellInside = (v: number, [low, high]: readonly [number, number]): number =>
  high <= low ? 0 : smooth(Math.min(v - low, high - v) / (WELL_INSIDE * (high - low)));

/** Figures of a record that are hardly likely. */
type FindsMistyped = (product: Product, batch: Batch) => Mistyped[];

function outOfRange(field: string, rangeOf: RangeOf): FindsMistyped {
  const figure = figureAt(field);
  return (product, batch) => {
    const value = figure(batch);
    const range = value === null || value === 0 ? null : rangeOf(product, batch);
    if (value === null || range === null || inside(value, range.likely)) return [];
    const meant = meantInstead(value).find((m) => inside(m, range.usual));
    if (meant === undefined) return [];
    // Without a leap: a figure just beyond what is likely is asked about, and still mostly believed.
    const wrong = smooth(beyond(field, value, range.likely)) * wellInside(meant, range.usual);
    return [{ field, value, meant, belief: 1 - wrong }];
  };
}

/** Temperatures of one bench at one time: they keep together, but for what was warmed. */
const OF_ONE_BENCH = [
  'room.temperatureC',
  'cure.temperatureC',
  'resin.temperatureAC',
  'resin.temperatureBC',
  'resin.atPourC',
].map((field) => ({ field, figure: figureAt(field) }));
/** Further from all the others than this it stands alone; nearer to them than this it stands with them, K. */
const [ALONE_K, TOGETHER_K] = [6, 2.5];

const middleOf = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** A temperature that stands alone, and would stand with the others with its digits changed about. */
function standsAlone(_product: Product, batch: Batch): Mistyped[] {
  const known = OF_ONE_BENCH.flatMap(({ field, figure }) => {
    const value = figure(batch);
    return value === null ? [] : [{ field, value }];
  });
  if (known.length < 3) return [];
  return known.flatMap(({ field, value }) => {
    const others = known.filter((k) => k.field !== field).map((k) => k.value);
    if (others.some((o) => Math.abs(o - value) < ALONE_K)) return [];
    const middle = middleOf(others);
    const meant = meantInstead(value).find((m) => Math.abs(m - middle) <= TOGETHER_K);
    // It may be so: it is asked about, and counts until somebody says otherwise. Belief that went by digits would leap.
    return meant === undefined ? [] : [{ field, value, meant, belief: 1 }];
  });
}

/** A ratio further off than this, either way, is no slip of the hand where another point puts it right, %. */
const [FAR_UNDER_PCT, FAR_OVER_PCT] = [-80, 500];

/** An amount whose point in another place makes the ratio right. */
function amountTenTimesOut(product: Product, batch: Batch): Mistyped[] {
  const off = hasFixedRatio(product) ? batchRatioErrorPct(product, batch) : null;
  const value = batch.mix?.amountB;
  if (off === null || value == null || value <= 0 || (off > FAR_UNDER_PCT && off < FAR_OVER_PCT)) return [];
  const tolerance = 3 * (product.ratio.tolerancePct || familyTolerancePct(product.family));
  const errorWith = (amountB: number) =>
    Math.abs(batchRatioErrorPct(product, { ...batch, mix: { ...batch.mix, amountB } }) ?? Infinity);
  const meant = [value / 10, value * 10].find((amountB) => errorWith(amountB) <= tolerance);
  if (meant === undefined) return [];
  return [{ field: 'mix.amountB', value, meant, belief: 1 - smooth(2 * (1 - errorWith(meant) / tolerance)) }];
}

/**
 * What finds figures that are hardly possible as they stand, and would be usual with the point in another place or two
 * digits changed about. One that is only out of its limit is none: that is what limits are for. Of two that name the
 * same field the first counts.
 */
export const FINDS_MISTYPED: readonly FindsMistyped[] = [
  ...Object.entries(RANGES).map(([field, rangeOf]) => outOfRange(field, rangeOf)),
  standsAlone,
  amountTenTimesOut,
];

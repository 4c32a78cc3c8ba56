import type { Parted } from './adjustedOdds';

/** What is due to one finding, and what acting on it would save. */
export interface Due {
  /** Of all castings with this fault, the share that would not have it. */
  readonly share: number;
  /** Castings a year that would come out well, with the interval of the odds. */
  readonly castingsAYear: number;
  readonly low: number;
  readonly high: number;
  /** Money a year, in the studio's own; null where nothing has a price. */
  readonly moneyAYear: number | null;
}

const DAY_MS = 86_400_000;
/** A log shorter than this is too short to speak of a year, days. */
const SHORTEST_DAYS = 30;
const YEAR_DAYS = 365.25;

/** The first and the last moment of some castings, ms: `Infinity` and `-Infinity` where none has one. */
export type TimeSpan = readonly [number, number];

/** How many years a log covers, from its first batch to its last. */
export function yearsOf(spans: readonly TimeSpan[]): number {
  const [first, last] = [Math.min(...spans.map(([a]) => a)), Math.max(...spans.map(([, b]) => b))];
  return Math.max(SHORTEST_DAYS, last > first ? (last - first) / DAY_MS : 0) / YEAR_DAYS;
}

/** Castings of a group that would not have the fault, were its odds those of the others. */
function excess(k: number, n: number, oddsRatio: number): number {
  if (n === 0 || k === 0 || oddsRatio <= 1) return 0;
  const rate = Math.min(k / n, 1 - 0.5 / n);
  const odds = rate / (1 - rate) / oddsRatio;
  return k * (1 - odds / (1 + odds) / rate);
}

/** Castings of a finding with its fault: how many, and what one of them lost on the mean; null without prices. */
export interface Spoiled {
  readonly count: number;
  readonly meanLoss: number | null;
}

/**
 * The part of a fault that is due to a finding, by the odds that are left to it beside what travels with it.
 * @param size castings of the finding, looked at
 * @param spoiled those of them with the fault
 * @param faults all castings with it
 * @param years that the log covers
 */
export function dueTo(size: number, spoiled: Spoiled, faults: number, parted: Parted, years: number): Due {
  const of = (oddsRatio: number) => excess(spoiled.count, size, oddsRatio);
  const a = of(parted.oddsRatio);
  return {
    share: faults === 0 ? 0 : Math.min(1, a / faults),
    castingsAYear: a / years,
    low: of(parted.low) / years,
    high: of(parted.high) / years,
    moneyAYear: spoiled.meanLoss === null ? null : (spoiled.meanLoss * a) / years,
  };
}

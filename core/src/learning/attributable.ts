import type { CastFacts } from './castFacts';
import type { LossOf } from './castingCost';
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

/** How many years a log covers, from its first batch to its last. */
export function yearsOf(facts: readonly CastFacts[]): number {
  const times = facts.flatMap((f) => {
    const ms = f.startedAt === null ? NaN : Date.parse(f.startedAt);
    return Number.isNaN(ms) ? [] : [ms];
  });
  const [first, last] = times.reduce<readonly [number, number]>(
    ([a, b], t) => [Math.min(a, t), Math.max(b, t)],
    [Infinity, -Infinity],
  );
  const days = times.length < 2 ? 0 : (last - first) / DAY_MS;
  return Math.max(SHORTEST_DAYS, days) / YEAR_DAYS;
}

/** Castings of a group that would not have the fault, were its odds those of the others. */
function excess(k: number, n: number, oddsRatio: number): number {
  if (n === 0 || k === 0 || oddsRatio <= 1) return 0;
  const rate = Math.min(k / n, 1 - 0.5 / n);
  const odds = rate / (1 - rate) / oddsRatio;
  return k * (1 - odds / (1 + odds) / rate);
}

/**
 * The part of a fault that is due to a finding, by the odds that are left to it beside what travels with it.
 * @param size castings of the finding, looked at
 * @param spoiled those of them with the fault
 * @param faults all castings with it
 */
export function dueTo(
  size: number,
  spoiled: readonly CastFacts[],
  faults: number,
  parted: Parted,
  { years, lossOf }: { readonly years: number; readonly lossOf: LossOf | null },
): Due {
  const of = (oddsRatio: number) => excess(spoiled.length, size, oddsRatio);
  const losses = lossOf === null ? [] : spoiled.flatMap((f) => lossOf(f) ?? []);
  const meanLoss = losses.length === 0 ? null : losses.reduce((a, b) => a + b, 0) / losses.length;
  const a = of(parted.oddsRatio);
  return {
    share: faults === 0 ? 0 : Math.min(1, a / faults),
    castingsAYear: a / years,
    low: of(parted.low) / years,
    high: of(parted.high) / years,
    moneyAYear: meanLoss === null ? null : (meanLoss * a) / years,
  };
}

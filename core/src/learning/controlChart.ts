import { addDays, dayOf, daysBetween } from '../units/days';
import type { SymptomKind } from '../formats/vocabulary';
import { castingFacts, type BatchFacts } from './batchFacts';
import type { CastFacts } from './castFacts';
import { designEffect } from './clusters';
import { changePoints, type Segment } from './changePoints';
import { wilsonInterval, type RateInterval } from './wilsonInterval';

/** Some weeks' castings with their share of faults. */
export interface ChartPoint extends RateInterval {
  readonly from: string;
  readonly k: number;
  readonly n: number;
  readonly upper: number;
  readonly lower: number;
  readonly outside: boolean;
}

export interface ControlChart {
  readonly points: readonly ChartPoint[];
  /** Stretches with one rate each; more than one where the rate changed. */
  readonly stretches: readonly (Omit<Segment, 'from' | 'to'> & {
    readonly from: string;
    readonly to: string;
    readonly says: string;
  })[];
  /** Castings whose date lies too far from all the others to stand in one chart with them. */
  readonly leftOut?: number;
}

/** A Monday that weeks are counted from. */
const FIRST_MONDAY = '1970-01-05';
/** The week of a moment, by the calendar on the wall where it was made. */
const weekOf = (moment: string) => Math.floor(daysBetween(FIRST_MONDAY, dayOf(moment)) / 7);
const mondayOf = (week: number) => addDays(FIRST_MONDAY, 7 * week);

/**
 * Castings that a point should stand for, so that its share says something;
 * and the weeks a point may gather, the first that does.
 */
const [POINT_CASTINGS, GATHERED] = [8, [1, 2, 4, 8, 13]];

/** Longest time that one chart shows, weeks: twenty years. A mistyped year is no reason to draw a thousand of them. */
const MAX_WEEKS = 1040;

/** The weeks, as first and last, of the time that holds the most castings; the latest such where several do. */
function busiestWindow(weeks: readonly number[]): readonly [number, number] {
  const sorted = [...weeks].sort((a, b) => a - b);
  let [from, best]: [number, readonly [number, number]] = [0, [0, 0]];
  sorted.forEach((week, to) => {
    while (week - sorted[from]! >= MAX_WEEKS) from += 1;
    if (to - from >= best[1] - best[0]) best = [from, to];
  });
  return [sorted[best[0]]!, sorted[best[1]]!];
}

/** Control limits at three standard deviations of a count, as on a p-chart. Source: Shewhart 1931. */
const SIGMAS = 3;

/**
 * Faults among the castings looked at, in weeks or some weeks together, with control limits around the rate of the
 * stretch and the points at which the rate changed.
 * @param kind one symptom, or null for any
 */
export function controlChart(batches: readonly BatchFacts[], kind: SymptomKind | null): ControlChart {
  const facts = castingFacts(batches);
  const isBad = (f: CastFacts) => (kind === null ? f.seen.length > 0 : f.seen.includes(kind));
  const effect = designEffect(
    facts.filter((f) => f.looked),
    isBad,
  );
  const all = facts
    .filter((f) => f.looked && f.startedAt !== null && Number.isFinite(Date.parse(f.startedAt)))
    .map((f) => ({
      week: weekOf(f.startedAt!),
      bad: isBad(f),
    }));
  if (all.length === 0) return { points: [], stretches: [] };
  const [first, last] = busiestWindow(all.map((d) => d.week));
  const dated = all.filter(({ week }) => week >= first && week <= last);
  const counts = Array.from({ length: last - first + 1 }, () => ({ k: 0, n: 0 }));
  for (const { week, bad } of dated) {
    const at = counts[week - first]!;
    at.n += 1;
    if (bad) at.k += 1;
  }
  // Castings of one mix are not independent: as few as they are worth, so that one bad mix is no change.
  const segments = changePoints(counts.map((c) => ({ k: c.k / effect, n: c.n / effect }))).map((s) => ({
    ...s,
    k: Math.round(s.k * effect),
    n: Math.round(s.n * effect),
  }));
  const rateAt = (i: number) => segments.find((s) => i >= s.from && i < s.to)?.rate ?? 0;
  const weeks = GATHERED.find((w) => (dated.length / counts.length) * w >= POINT_CASTINGS) ?? GATHERED.at(-1)!;
  const points = Array.from({ length: Math.ceil(counts.length / weeks) }, (_, p) => {
    const some = counts.slice(p * weeks, (p + 1) * weeks);
    const [k, n] = [some.reduce((sum, c) => sum + c.k, 0), some.reduce((sum, c) => sum + c.n, 0)];
    const centre = rateAt(p * weeks);
    const half = n === 0 ? 0 : SIGMAS * Math.sqrt((centre * (1 - centre) * effect) / n);
    const [upper, lower] = [Math.min(1, centre + half), Math.max(0, centre - half)];
    return {
      from: mondayOf(first + p * weeks),
      k,
      n,
      ...wilsonInterval(k / effect, n / effect),
      upper,
      lower,
      outside: n > 0 && (k / n > upper || k / n < lower),
    };
  });
  const told = segments.map((s, i) => {
    const before = segments[i - 1];
    const [from, to] = [mondayOf(first + s.from), mondayOf(first + s.to)];
    const rate = `${Math.round(s.rate * 100)} %`;
    const says = before
      ? `From the week of ${from} on, ${rate} (${s.k} of ${s.n}); before, ${Math.round(before.rate * 100)} %.`
      : `${rate} (${s.k} of ${s.n})${segments.length === 1 ? ' throughout; no change that chance would not make' : ' at first'}.`;
    return { ...s, from, to, says };
  });
  return { points, stretches: told, ...(all.length > dated.length ? { leftOut: all.length - dated.length } : {}) };
}

import type { Chance } from './chance';

/** One casting of the made-up year before it is made: what, in what, when, by whom. */
export interface Job {
  readonly slug: string;
  readonly mould: string | null;
  /** Pulls of the mould before this one. */
  readonly pulls: number | null;
  readonly totalG: number;
  readonly startMs: number;
  readonly by: 'KO' | 'MT' | 'RV';
}

/** What a studio makes in a year: pulls of each mould before the recent weeks, and work without one. */
const WORK: readonly {
  slug: string;
  mould: string | null;
  count: number;
  g: readonly [number, number];
  afterPulls?: number;
}[] = [
  { slug: 'house-clear-6', mould: 'M-01', count: 40, g: [190, 220] },
  { slug: 'house-clear-6', mould: 'M-12', count: 10, g: [268, 278] },
  { slug: 'house-clear-6', mould: 'M-14', count: 21, g: [176, 245] },
  { slug: 'house-clear-6', mould: 'M-15', count: 6, g: [400, 430] },
  { slug: 'house-bone-3', mould: 'M-17', count: 24, g: [165, 225], afterPulls: 16 },
  { slug: 'house-tide', mould: 'M-08', count: 8, g: [255, 310] },
  { slug: 'house-tide', mould: 'M-02', count: 8, g: [150, 180] },
  { slug: 'house-deep-40', mould: 'M-03', count: 9, g: [1200, 1500], afterPulls: 1 },
  { slug: 'house-deep-40', mould: 'M-05', count: 3, g: [850, 950] },
  { slug: 'house-chalk', mould: 'M-21', count: 20, g: [520, 640], afterPulls: 9 },
  { slug: 'house-noon', mould: 'M-30', count: 5, g: [9, 14] },
  { slug: 'house-noon-white', mould: null, count: 3, g: [6, 9] },
  { slug: 'house-coat-9', mould: null, count: 32, g: [110, 170] },
  { slug: 'house-shell', mould: null, count: 7, g: [70, 100] },
  { slug: 'house-mould-p', mould: null, count: 3, g: [500, 700] },
  { slug: 'house-mould-t', mould: null, count: 3, g: [600, 900] },
];

/** The year ends where the hand-told recent weeks begin, days before today. */
export const YEAR_ENDS_DAYS_AGO = 46;
const [DAY_MS, YEAR_DAYS, MINUTE_MS] = [86_400_000, 365, 60_000];
/** The bench opens and closes, minutes of the day. */
const [OPENS, CLOSES] = [8 * 60 + 5, 16 * 60 + 30];
const PEOPLE = ['KO', 'MT', 'RV'] as const;

function workdays(now: Date): number[] {
  const midnight = Date.parse(`${now.toISOString().slice(0, 10)}T00:00:00Z`);
  return Array.from({ length: YEAR_DAYS }, (_, i) => midnight - (YEAR_ENDS_DAYS_AGO + i) * DAY_MS).filter((ms) => {
    const day = new Date(ms).getUTCDay();
    return day !== 0 && day !== 6;
  });
}

/** Visitors come in August, and so do orders: this many times as much is cast then. */
const AUGUST_RUSH = 2;

/** Days on which so many castings are made: spread over the year as work comes in, one in each equal share of it. */
function daysFor(days: readonly number[], count: number, chance: Chance): number[] {
  const weights = days.map((ms) => (monthOf(ms) === 8 ? AUGUST_RUSH : 1));
  const total = weights.reduce((a, b) => a + b, 0);
  return Array.from({ length: count }, (_, i) => {
    let left = ((i + chance.unit()) / count) * total;
    return (
      days[
        weights.findIndex((w) => {
          left -= w;
          return left < 0;
        })
      ] ?? days.at(-1)!
    );
  });
}

/** The year's castings, oldest first; each mould's pulls count up with them. */
export function yearJobs(now: Date, chance: Chance): Job[] {
  const days = workdays(now);
  const bare = WORK.flatMap((w) =>
    daysFor(days, w.count, chance).map((day) => ({
      work: w,
      startMs: day + Math.round(chance.between(OPENS, CLOSES)) * MINUTE_MS,
      totalG: Math.round(chance.between(...w.g)),
    })),
  ).sort((a, b) => a.startMs - b.startMs);
  const pulled = new Map<string, number>();
  return bare.map(({ work, startMs, totalG }) => {
    const pulls = work.mould === null ? null : (pulled.get(work.mould) ?? work.afterPulls ?? 0);
    if (work.mould !== null && pulls !== null) pulled.set(work.mould, pulls + 1);
    return { slug: work.slug, mould: work.mould, pulls, totalG, startMs, by: chance.pick(PEOPLE) };
  });
}

/** Share of the year gone, 0 on 1 January. */
const yearShare = (ms: number) => {
  const d = new Date(ms);
  return (ms - Date.UTC(d.getUTCFullYear(), 0, 1)) / (365.25 * DAY_MS);
};
export const monthOf = (ms: number): number => new Date(ms).getUTCMonth() + 1;
export const minuteOfDay = (ms: number): number => Math.floor((ms % DAY_MS) / MINUTE_MS);

/** Air at the bench: heated through the winter, damp by the water all year; `warmth` is −1 in January, 1 in July. */
export function benchAir(ms: number, chance: Chance): { roomC: number; humidityPct: number; warmth: number } {
  const warmth = -Math.cos(2 * Math.PI * (yearShare(ms) - 0.055));
  return {
    warmth,
    roomC: 21.6 + 1.3 * warmth + chance.normal(0, 0.6),
    humidityPct: Math.min(59, 53 + 2 * warmth + chance.normal(0, 2.6)),
  };
}

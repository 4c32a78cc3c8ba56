import type { CastFacts } from './castFacts';
import { changePoints } from './changePoints';
import { grouped } from './grouped';
import { wilsonInterval, type RateInterval } from './wilsonInterval';

/** Pulls of a mould in a row, with how many show what a mould does. */
export interface PullBin extends RateInterval {
  readonly from: number;
  readonly to: number;
  readonly spoiled: number;
  readonly pulls: number;
}

export interface MouldLife {
  readonly mould: string;
  /** One of its cavities, where castings are told apart by it; null for the mould as a whole. */
  readonly cavity: number | null;
  readonly pulls: number;
  readonly bins: readonly PullBin[];
  /** The pull from which on more were spoiled; null where none is told. */
  readonly wornFrom: number | null;
  readonly says: string;
}

/** Pulls of one bin at the least, and the most bins that are told. */
const [BIN, MOST_BINS] = [8, 60];
/** The most pulls, or few of them together, that are looked at one after another for the first that is worse. */
const MOST_STEPS = 400;
/** Fewer pulls tell nothing of a mould's life. */
const MIN_PULLS = 10;
const percent = (v: number) => `${Math.round(v * 100)} %`;
/** Faults that a mould makes; the rest is the resin's or the hand's doing. */
const MOULD_FAULTS = ['haze', 'bubbles/same-spot', 'bubbles/surface-pimples'];

/** A casting as one pull of its mould. */
interface Pull {
  readonly mould: string | undefined;
  readonly cavity: number | null | undefined;
  readonly pull: number;
  readonly isSpoiled: boolean;
}

const pullsOf = (facts: readonly CastFacts[]): Pull[] =>
  facts.flatMap(({ levels, cavity, pulls, grade, seen }) =>
    pulls === null || grade === null
      ? []
      : [{ mould: levels.mould, cavity, pull: pulls, isSpoiled: seen.some((s) => MOULD_FAULTS.includes(s)) }],
  );

/** Groups of pulls that may wear by themselves: each mould, and each of its cavities where several are known. */
function groupsOf(pulls: readonly Pull[]): { mould: string; cavity: number | null; all: Pull[] }[] {
  return grouped(pulls, (f) => f.mould).flatMap(([mould, all]) => {
    const cavities = grouped(
      all.filter((f) => f.cavity != null),
      (f) => String(f.cavity),
    );
    const each = cavities.length < 2 ? [] : cavities.sort(([a], [b]) => Number(a) - Number(b));
    return [
      { mould, cavity: null, all: [...all] },
      ...each.map(([cavity, some]) => ({ mould, cavity: Number(cavity), all: [...some] })),
    ];
  });
}

/** Castings of one pull, or of a few in a row. */
interface Pulled {
  readonly from: number;
  k: number;
  n: number;
}

/** Castings by their pull: those of one come out of the same wear, and a change lies between two. */
function byPull(sorted: readonly Pull[]): Pulled[] {
  const numbers = [...new Set(sorted.map((f) => f.pull))];
  const each = Math.ceil(numbers.length / MOST_STEPS);
  const stepOf = new Map(numbers.map((pull, i) => [pull, Math.floor(i / each)]));
  const steps = Array.from({ length: Math.ceil(numbers.length / each) }, (_, i): Pulled => ({
    from: numbers[i * each]!,
    k: 0,
    n: 0,
  }));
  for (const f of sorted) {
    const step = steps[stepOf.get(f.pull)!]!;
    step.n += 1;
    if (f.isSpoiled) step.k += 1;
  }
  return steps;
}

/**
 * How the moulds wear: castings with a fault that a mould makes (haze, the same spot, pimples) against its pulls, and
 * the pull from which on there were more of them.
 */
export function mouldLives(facts: readonly CastFacts[]): MouldLife[] {
  return groupsOf(pullsOf(facts)).flatMap(({ mould, cavity, all }) => {
    if (all.length < MIN_PULLS) return [];
    const sorted = [...all].sort((a, b) => a.pull - b.pull);
    const bin = Math.max(BIN, Math.ceil(sorted.length / MOST_BINS));
    const bins = Array.from({ length: Math.ceil(sorted.length / bin) }, (_, i) => {
      const some = sorted.slice(i * bin, (i + 1) * bin);
      const k = some.filter((f) => f.isSpoiled).length;
      return {
        from: some[0]!.pull,
        to: some.at(-1)!.pull,
        spoiled: k,
        pulls: some.length,
        ...wilsonInterval(k, some.length),
      };
    });
    const steps = byPull(sorted);
    const segments = changePoints(steps);
    const worse = segments.findIndex((s, i) => i > 0 && i === segments.length - 1 && s.rate > segments[i - 1]!.rate);
    const [before, after] = [segments[worse - 1], segments[worse]];
    const wornFrom = after ? steps[after.from]!.from : null;
    const says =
      before && after
        ? `Worn: from pull ${wornFrom} on, ${percent(after.rate)} showed it (${after.k} of ${after.n}); before, ${percent(before.rate)}.`
        : `No wear to be told in ${sorted.length} pulls.`;
    return [{ mould, cavity, pulls: sorted.length, bins, wornFrom, says }];
  });
}

import { memoize } from '../numeric/memoize';
import { kept, logOf, rowsWith, type Castings, type Log, type LogPart } from './logColumns';
import type { Level } from './logNames';
import { totalOf } from './logTotals';
import type { PartLosses } from './partLosses';
import { castingsWith } from './tally';

/** Shared this far (batches in both, of those in either), two levels are the same batches under two names. */
export const SAME_BATCHES = 0.8;

/** Where each group's castings lie in the log, looked up once; and how far two groups are the same castings. */
export interface Places {
  readonly count: (level: Level) => number;
  /** Overlap of two groups: castings in both, of those in either. */
  readonly overlap: (a: Level, b: Level) => number;
  /** No two groups overlap further than the smaller fills the larger. */
  readonly most: (a: Level, b: Level) => number;
  /** What castings with a level lost that show an outcome. */
  readonly lossOf: (at: Level, outcome: string, losses: PartLosses) => Loss;
  /** Whether they are the same castings under two names. */
  readonly areSame: (a: Level, b: Level) => boolean;
}

/** Bits that are set. */
function bitsIn(word: number): number {
  const pairs = word - ((word >>> 1) & 0x55555555);
  const fours = (pairs & 0x33333333) + ((pairs >>> 2) & 0x33333333);
  return Math.imul((fours + (fours >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24;
}

function bitsAt(size: number, rows: Int32Array): Uint32Array {
  const bits = new Uint32Array(Math.ceil(size / 32));
  for (let r = 0; r < rows.length; r += 1) bits[rows[r]! >>> 5]! |= 1 << (rows[r]! & 31);
  return bits;
}

/** A bit for each casting of a part, set where it has the level. */
function bitsOf(part: LogPart, { factor }: Level, place: number): Uint32Array {
  const known = kept(part, 'places', '', () => new Map<number, Uint32Array>());
  const bits = known.get(place) ?? bitsAt(part.size, rowsWith(part, factor, place));
  known.set(place, bits);
  return bits;
}

/** How many castings have both of two levels. */
const inBoth = (log: Log, [a, b]: readonly [Level, Level]): number =>
  totalOf<{ both: number }>(log, `both ${a.factor} ${a.level} ${b.factor} ${b.level}`, '', {
    zero: () => ({ both: 0 }),
    add: (total, part, sign) => {
      const [one, other] = [bitsOf(part, a, log.names.placeOf(a)), bitsOf(part, b, log.names.placeOf(b))];
      let both = 0;
      for (let w = 0; w < one.length; w += 1) both += bitsIn(one[w]! & other[w]!);
      total.both += sign * both;
    },
  }).both;

/** Of how many castings it is known what they lost, and how much in all. */
interface Loss {
  readonly known: number;
  readonly sum: number;
}

/** A part's losses, and what was summed of them: worked out once of the same losses. */
interface LossesOfPart {
  readonly part: LogPart;
  readonly losses: Float64Array;
  readonly sums: Map<string, Loss>;
}
const lossesOf = memoize<Float64Array, Map<string, Loss>>(() => new Map());

/** What castings of a part lost that have a level and show an outcome. */
function lossIn({ part, losses, sums }: LossesOfPart, name: string, at: Level, place: number, outcome: string): Loss {
  const before = sums.get(name);
  if (before) return before;
  const [one, other] = [bitsOf(part, at, place), bitsAt(part.size, part.rows(outcome))];
  let [known, sum] = [0, 0];
  for (let w = 0; w < one.length; w += 1)
    for (let bits = one[w]! & other[w]!; bits !== 0; bits &= bits - 1) {
      const lost = losses[32 * w + 31 - Math.clz32(bits & -bits)]!;
      if (Number.isNaN(lost)) continue;
      known += 1;
      sum += lost;
    }
  const loss = { known, sum };
  sums.set(name, loss);
  return loss;
}

export function placesOf(castings: Castings): Places {
  const log = logOf(castings);
  const count = memoize((level: Level): number => castingsWith(log, level));
  const shared = (a: Level, b: Level): number => {
    // What occurs nowhere is no group; and no casting has two levels of one factor.
    if (count(a) === 0 || count(b) === 0) return 0;
    if (a.factor === b.factor) return a.level === b.level ? count(a) : 0;
    return inBoth(log, a.factor < b.factor ? [a, b] : [b, a]);
  };
  const overlap = (a: Level, b: Level): number => {
    const both = shared(a, b);
    const either = count(a) + count(b) - both;
    return either === 0 ? 0 : both / either;
  };
  // Looked up once for all that is asked of the log.
  const lossesByPart = memoize((losses: PartLosses) =>
    log.parts.map((part): LossesOfPart => ({ part, losses: losses(part), sums: lossesOf(losses(part)) })),
  );
  const most = (a: Level, b: Level): number => Math.min(count(a), count(b)) / Math.max(count(a), count(b), 1);
  return {
    count,
    overlap,
    lossOf: (at, outcome, losses) => {
      const place = log.names.placeOf(at);
      let [known, sum] = [0, 0];
      const name = `${place} ${outcome}`;
      for (const part of lossesByPart(losses)) {
        const lost = lossIn(part, name, at, place, outcome);
        known += lost.known;
        sum += lost.sum;
      }
      return { known, sum };
    },
    most,
    areSame: (a, b) => most(a, b) >= SAME_BATCHES && overlap(a, b) >= SAME_BATCHES,
  };
}

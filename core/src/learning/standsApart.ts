import { largestMix, wholeTable, type WeightOf } from './clusters';
import { memoize } from '../numeric/memoize';
import { fisherExact } from './fisherExact';
import { OVER_LIMITS, isOverLimit } from './limitLevels';
import { kept, logOf, type Castings, type Log, type LogPart } from './logColumns';
import type { Level, LogNames } from './logNames';
import { totalOf } from './logTotals';
import { productCounts } from './tally';

/** A group stands apart only where it is worse among castings that kept the limit too, with this little chance. */
const APART_CHANCE = 0.05;
/** A recorded level over its limit is looked at where chance alone would seldom make it so. */
const WORTH_LOOKING = 0.05;

/** Whether a casting kept a limit, or was over it; 0 where nobody wrote down. */
const [KEPT, OVER] = [1, 2];

type Sums = [number, number, number, number];
const isWorse = ([a, b, c, d]: Sums): boolean => a * (c + d) > c * (a + b);
/** Chance of such a table, one-sided for one that is worse. */
function chanceOf(sums: Sums): number {
  const table = wholeTable(sums);
  return isWorse(table) ? fisherExact(...table) / 2 : 1;
}

/** Castings that stand alike to all limits are of one kind: the state of each kind to each limit. */
interface LimitKinds {
  readonly states: Uint8Array[];
  readonly known: Map<number, number>;
}
const kindsOf = memoize<LogNames, LimitKinds>(() => ({ states: [], known: new Map() }));

/** Of which kind each casting of a part is. */
function kindColumn({ size, levelOf }: LogPart, names: LogNames): Int32Array {
  const [kindOf, { states, known }] = [new Int32Array(size), kindsOf(names)];
  const columns = OVER_LIMITS.map((limit) => ({ column: levelOf[limit.factor], place: names.placeOf(limit) }));
  const state = new Uint8Array(columns.length);
  for (let i = 0; i < size; i += 1) {
    // Three states of each limit: a number of as many digits.
    let key = 0;
    for (let l = 0; l < columns.length; l += 1) {
      const { column, place } = columns[l]!;
      const keptOrOver = column[i] === place ? OVER : KEPT;
      state[l] = column[i]! < 0 ? 0 : keptOrOver;
      key = key * 3 + state[l]!;
    }
    let kind = known.get(key);
    if (kind === undefined) {
      kind = states.length;
      known.set(key, kind);
      states.push(state.slice());
    }
    kindOf[i] = kind;
  }
  return kindOf;
}

/** Castings that are alike in kind, product, level of one factor and size of their mix, counted: side by side. */
interface Alike {
  readonly kind: Int32Array;
  readonly product: Int32Array;
  readonly place: Int32Array;
  readonly size: Int32Array;
  readonly count: Int32Array;
}

/** Castings of some rows, of all where none are named, counted by what `Alike` tells apart. */
function alikeIn(log: Log, factor: Level['factor'], outcome: string | null): Alike {
  const { names } = log;
  const [P, L, S] = [roomFor(names.products.length), roomFor(names.levels.length + 1), roomFor(largestMix(log) + 1)];
  const counts = totalOf<Map<number, number>>(log, `alike ${factor} ${outcome ?? ''}`, `${P} ${L} ${S}`, {
    zero: () => new Map(),
    add: (total, part, sign) => {
      const kindOf = kept(part, 'limits', '', () => kindColumn(part, names));
      const { levelOf, productOf, mixes, size } = part;
      const [column, rows] = [levelOf[factor], outcome === null ? null : part.rows(outcome)];
      for (let r = 0; r < (rows?.length ?? size); r += 1) {
        const i = rows === null ? r : rows[r]!;
        const key = ((kindOf[i]! * P + productOf[i]!) * L + column[i]! + 1) * S + mixes.sizeOf[i]!;
        total.set(key, (total.get(key) ?? 0) + sign);
      }
    },
  });
  const all = [...counts].filter(([, count]) => count > 0);
  const of = (digit: (key: number) => number) => Int32Array.from(all, ([key]) => digit(key));
  return {
    kind: of((key) => Math.floor(key / (P * L * S))),
    product: of((key) => Math.floor(key / (L * S)) % P),
    place: of((key) => (Math.floor(key / S) % L) - 1),
    size: of((key) => key % S),
    count: Int32Array.from(all, ([, count]) => count),
  };
}

/** Powers of two, so that a few names more do not lay all counts down anew. */
const roomFor = (count: number): number => 2 ** Math.ceil(Math.log2(Math.max(2, count)));

const alikeOf = memoize<Log, Map<string, Alike>>(() => new Map());

function alike(log: Log, factor: Level['factor'], outcome: string | null): Alike {
  const known = alikeOf(log);
  const name = `${factor} ${outcome ?? ''}`;
  const found = known.get(name) ?? alikeIn(log, factor, outcome);
  known.set(name, found);
  return found;
}

/** What one limit makes of a fault, and of a group of castings that kept it. */
interface Counted {
  readonly limit: Level;
  /** Over the limit or within it, with the fault and without. */
  readonly byLimit: Sums;
  /** Of those within it: in the group or not, with the fault and without. */
  readonly withinIt: Sums;
  readonly meets: boolean;
}

/** Of a group: nobody wrote the factor down, another level of it, the group's own. */
const [NOT_KNOWN, OTHERS, INSIDE] = [0, 1, 2];
/** Cells for each state of a limit: where it stands to the group, with the fault and without. */
const CELLS = 6;

/** A fault, a group, the products that the group has, and what a casting counts for. */
interface Asked {
  readonly outcome: string;
  readonly at: Level;
  readonly compared: readonly number[];
  readonly weight: WeightOf;
}

const STATES = 3;

function countAll(log: Log, { at, outcome, compared, weight }: Asked): Counted[] {
  // Kinds are known once castings are counted by them.
  const [all, spoiled] = [alike(log, at.factor, null), alike(log, at.factor, outcome)];
  const { states } = kindsOf(log.names);
  const place = log.names.placeOf(at);
  const groupOf = (level: number) => {
    const known = level === place ? INSIDE : OTHERS;
    return level < 0 ? NOT_KNOWN : known;
  };
  const cells = new Float64Array(states.length * CELLS);
  const addTo = (faulty: 0 | 1, { kind, product, place: levels, size, count }: Alike, sign: 1 | -1) => {
    for (let i = 0; i < kind.length; i += 1)
      if (compared[product[i]!]! > 0)
        cells[kind[i]! * CELLS + 2 * groupOf(levels[i]!) + faulty]! += sign * count[i]! * weight(size[i]!);
  };
  addTo(1, all, 1);
  addTo(1, spoiled, -1);
  addTo(0, spoiled, 1);
  const sums = new Float64Array(OVER_LIMITS.length * STATES * CELLS);
  states.forEach((of, kind) => {
    for (let l = 0; l < of.length; l += 1)
      for (let c = 0; c < CELLS; c += 1) sums[(l * STATES + of[l]!) * CELLS + c]! += cells[kind * CELLS + c]!;
  });
  return OVER_LIMITS.map((limit, l): Counted => {
    const cell = (of: number, group: number, faulty: number) => sums[(l * STATES + of) * CELLS + 2 * group + faulty]!;
    const whole = (of: number, faulty: number) =>
      cell(of, NOT_KNOWN, faulty) + cell(of, OTHERS, faulty) + cell(of, INSIDE, faulty);
    return {
      limit,
      byLimit: [whole(OVER, 0), whole(OVER, 1), whole(KEPT, 0), whole(KEPT, 1)],
      withinIt: [cell(KEPT, INSIDE, 0), cell(KEPT, INSIDE, 1), cell(KEPT, OTHERS, 0), cell(KEPT, OTHERS, 1)],
      meets: cell(OVER, INSIDE, 0) + cell(OVER, INSIDE, 1) > 0,
    };
  });
}

/** Each casting for one. */
const ALIKE: WeightOf = () => 1;

/**
 * What is recorded and over its limit, and explains a group before its name does: it makes the fault oftener, and
 * among castings that kept that limit the group is no worse than the others, or there are too few to tell. A group
 * that is bad by itself is bad within the limit too.
 * @param weight what a casting counts for by how many its mix has; null where each counts for one
 * @returns null where the group stands apart from all of them
 */
export function explainedBy(castings: Castings, weight: WeightOf | null, outcome: string, at: Level): Level | null {
  if (isOverLimit(at)) return null;
  const log = logOf(castings);
  const asked: Asked = {
    outcome,
    at,
    compared: productCounts(log, at),
    weight: weight ?? ALIKE,
  };
  const explains = countAll(log, asked)
    .flatMap(({ limit, byLimit, withinIt, meets }) => {
      const p = meets ? chanceOf(byLimit) : 1;
      return p < WORTH_LOOKING && chanceOf(withinIt) >= APART_CHANCE ? [{ limit, p }] : [];
    })
    .sort((a, b) => a.p - b.p);
  return explains[0]?.limit ?? null;
}

import type { CastFacts } from './castFacts';
import { wholeTable } from './clusters';
import { fisherExact } from './fisherExact';
import { isOverLimit } from './limitLevels';
import { columnsOf, type Level } from './logColumns';

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

/** The log as it is looked through: its castings, and how each stands to every level over a limit that occurs. */
export interface LimitScene {
  readonly facts: readonly CastFacts[];
  readonly limits: readonly Level[];
  /** Castings that stand alike to all limits are of one kind: of which each is, in the order of the facts. */
  readonly kindOf: Int32Array;
  /** For each kind its state to each limit. */
  readonly kinds: readonly Uint8Array[];
}

/** Works out once how every casting stands to every limit. */
export function limitScene(facts: readonly CastFacts[]): LimitScene {
  const { size, levels, levelOf, placeOf } = columnsOf(facts);
  const limits = levels.filter(isOverLimit);
  const [columns, places] = [limits.map((limit) => levelOf[limit.factor]), limits.map(placeOf)];
  const [kindOf, kinds, known] = [new Int32Array(size), [] as Uint8Array[], new Map<string, number>()];
  const state = new Uint8Array(limits.length);
  for (let i = 0; i < size; i += 1) {
    for (let l = 0; l < limits.length; l += 1) {
      const at = columns[l]![i]!;
      const keptOrOver = at === places[l] ? OVER : KEPT;
      state[l] = at < 0 ? 0 : keptOrOver;
    }
    const key = String.fromCharCode(...state);
    let kind = known.get(key);
    if (kind === undefined) {
      kind = kinds.length;
      known.set(key, kind);
      kinds.push(state.slice());
    }
    kindOf[i] = kind;
  }
  return { facts, limits, kindOf, kinds };
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

/** Castings of the products that the group has, and which cell each falls into. */
function comparedRows(facts: readonly CastFacts[], outcome: string, at: Level) {
  const { size, levelOf, productOf, products, placeOf, shows } = columnsOf(facts);
  const [shown, column, place] = [shows(outcome), levelOf[at.factor], placeOf(at)];
  const compared = new Uint8Array(products.length);
  for (let i = 0; i < size; i += 1) if (place >= 0 && column[i] === place) compared[productOf[i]!] = 1;
  const rows = new Int32Array(size);
  const cells = new Uint8Array(size);
  let count = 0;
  for (let i = 0; i < size; i += 1) {
    if (compared[productOf[i]!] === 0) continue;
    const known = column[i] === place ? INSIDE : OTHERS;
    cells[count] = 2 * (column[i]! < 0 ? NOT_KNOWN : known) + 1 - shown[i]!;
    rows[count] = i;
    count += 1;
  }
  return { rows: rows.subarray(0, count), cells };
}

function countAll(
  { facts, limits, kindOf, kinds }: LimitScene,
  weights: Float64Array | null,
  outcome: string,
  at: Level,
): Counted[] {
  const { rows, cells } = comparedRows(facts, outcome, at);
  const ofKind = new Float64Array(kinds.length * CELLS);
  for (let r = 0; r < rows.length; r += 1) {
    const i = rows[r]!;
    ofKind[kindOf[i]! * CELLS + cells[r]!]! += weights === null ? 1 : weights[i]!;
  }
  return limits.map((limit, l): Counted => {
    const sums = new Float64Array(3 * CELLS);
    for (let kind = 0; kind < kinds.length; kind += 1) {
      const of = kinds[kind]![l]! * CELLS;
      for (let c = 0; c < CELLS; c += 1) sums[of + c]! += ofKind[kind * CELLS + c]!;
    }
    const cell = (of: number, group: number, faulty: number) => sums[of * CELLS + 2 * group + faulty]!;
    const all = (of: number, faulty: number) =>
      cell(of, NOT_KNOWN, faulty) + cell(of, OTHERS, faulty) + cell(of, INSIDE, faulty);
    return {
      limit,
      byLimit: [all(OVER, 0), all(OVER, 1), all(KEPT, 0), all(KEPT, 1)],
      withinIt: [cell(KEPT, INSIDE, 0), cell(KEPT, INSIDE, 1), cell(KEPT, OTHERS, 0), cell(KEPT, OTHERS, 1)],
      meets: cell(OVER, INSIDE, 0) + cell(OVER, INSIDE, 1) > 0,
    };
  });
}

/**
 * What is recorded and over its limit, and explains a group before its name does: it makes the fault oftener, and
 * among castings that kept that limit the group is no worse than the others, or there are too few to tell. A group
 * that is bad by itself is bad within the limit too.
 * @param weights what each casting counts for, in the order of the facts; null where each counts for one
 * @returns null where the group stands apart from all of them
 */
export function explainedBy(scene: LimitScene, weights: Float64Array | null, outcome: string, at: Level): Level | null {
  if (isOverLimit(at) || scene.limits.length === 0) return null;
  const counted = countAll(scene, weights, outcome, at);
  const explains = counted
    .flatMap(({ limit, byLimit, withinIt, meets }) => {
      const p = meets ? chanceOf(byLimit) : 1;
      return p < WORTH_LOOKING && chanceOf(withinIt) >= APART_CHANCE ? [{ limit, p }] : [];
    })
    .sort((a, b) => a.p - b.p);
  return explains[0]?.limit ?? null;
}

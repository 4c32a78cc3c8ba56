import type { CastFacts } from './castFacts';
import { wholeTable } from './clusters';
import { fisherExact } from './fisherExact';
import { isOverLimit } from './limitLevels';
import type { Level } from './tally';

/** A group stands apart only where it is worse among castings that kept the limit too, with this little chance. */
const APART_CHANCE = 0.05;
/** A recorded level over its limit is looked at where chance alone would seldom make it so. */
const WORTH_LOOKING = 0.05;

/** Whether a casting kept a limit, was over it, or nobody wrote down. */
const [UNKNOWN, KEPT, OVER] = [0, 1, 2];

type Sums = [number, number, number, number];
const has = (f: CastFacts, { factor, level }: Level) => f.levels[factor] === level;
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
  /** One state for each casting and limit, castings in the order of the facts. */
  readonly states: Uint8Array;
}

/** Works out once how every casting stands to every limit. */
export function limitScene(facts: readonly CastFacts[]): LimitScene {
  const known = new Map<string, Level>();
  for (const f of facts)
    for (const [factor, level] of Object.entries(f.levels)) {
      const at = { factor, level } as Level;
      if (isOverLimit(at)) known.set(`${factor} ${level}`, at);
    }
  const limits = [...known.values()];
  const states = new Uint8Array(facts.length * limits.length);
  facts.forEach((f, i) => {
    limits.forEach((limit, l) => {
      const level = f.levels[limit.factor];
      if (level !== undefined) states[i * limits.length + l] = level === limit.level ? OVER : KEPT;
    });
  });
  return { facts, limits, states };
}

/** What one limit makes of a fault, and of a group of castings that kept it. */
interface Counted {
  readonly limit: Level;
  /** Over the limit or within it, with the fault and without. */
  readonly byLimit: Sums;
  /** Of those within it: in the group or not, with the fault and without. */
  readonly withinIt: Sums;
  meets: boolean;
}

function countAll(scene: LimitScene, weights: readonly number[] | null, outcome: string, at: Level): Counted[] {
  const { facts, limits, states } = scene;
  const counted = limits.map((limit): Counted => ({
    limit,
    byLimit: [0, 0, 0, 0],
    withinIt: [0, 0, 0, 0],
    meets: false,
  }));
  const products = new Set(facts.flatMap((f) => (has(f, at) ? [f.levels.product] : [])));
  for (const [i, f] of facts.entries()) {
    if (!products.has(f.levels.product)) continue;
    const [weight, faulty] = [weights?.[i] ?? 1, f.seen.includes(outcome) ? 0 : 1];
    const [inGroup, known] = [has(f, at), f.levels[at.factor] !== undefined];
    for (const [l, c] of counted.entries()) {
      const state = states[i * limits.length + l];
      if (state === UNKNOWN) continue;
      c.byLimit[(state === OVER ? 0 : 2) + faulty]! += weight;
      if (state === KEPT && known) c.withinIt[(inGroup ? 0 : 2) + faulty]! += weight;
      if (state === OVER && inGroup) c.meets = true;
    }
  }
  return counted;
}

/**
 * What is recorded and over its limit, and explains a group before its name does: it makes the fault oftener, and
 * among castings that kept that limit the group is no worse than the others, or there are too few to tell. A group
 * that is bad by itself is bad within the limit too.
 * @param weights what each casting counts for, in the order of the facts; null where each counts for one
 * @returns null where the group stands apart from all of them
 */
export function explainedBy(
  scene: LimitScene,
  weights: readonly number[] | null,
  outcome: string,
  at: Level,
): Level | null {
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

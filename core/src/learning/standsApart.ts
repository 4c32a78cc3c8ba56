import type { CastFacts } from './castFacts';
import { castingWeights, shows, wholeTable } from './clusters';
import { fisherExact } from './fisherExact';
import { isOverLimit } from './limitLevels';
import type { Level } from './tally';

/** A group stands apart only where it is worse among castings that kept the limit too, with this little chance. */
const APART_CHANCE = 0.05;
/** A recorded level over its limit is looked at where chance alone would seldom make it so. */
const WORTH_LOOKING = 0.05;

type Table = readonly [number, number, number, number];
const has = (f: CastFacts, { factor, level }: Level) => f.levels[factor] === level;

/** Castings of the products that have the level, with the fault and without, in the group and not. */
function tableOf(facts: readonly CastFacts[], weights: readonly number[], outcome: string, at: Level): Table {
  const sums: [number, number, number, number] = [0, 0, 0, 0];
  facts.forEach((f, i) => {
    if (f.levels[at.factor] === undefined) return;
    const place = (has(f, at) ? 0 : 2) + (f.seen.includes(outcome) ? 0 : 1);
    sums[place]! += weights[i]!;
  });
  return wholeTable(sums);
}

const isWorse = ([a, b, c, d]: Table): boolean => a * (c + d) > c * (a + b);
/** Chance of such a table, one-sided for one that is worse. */
const chanceOf = (t: Table): number => (isWorse(t) ? fisherExact(...t) / 2 : 1);

interface Scene {
  readonly facts: readonly CastFacts[];
  readonly weights: readonly number[];
  readonly levels: readonly Level[];
}

/** The log as it is looked through for one fault: its castings, what each counts for, and the levels over a limit. */
export function limitScene(facts: readonly CastFacts[], outcome: string): Scene {
  const weights = castingWeights(facts, shows(outcome)) ?? facts.map(() => 1);
  const known = new Map<string, Level>();
  for (const f of facts)
    for (const [factor, level] of Object.entries(f.levels)) {
      const at = { factor, level } as Level;
      if (isOverLimit(at)) known.set(`${factor} ${level}`, at);
    }
  return { facts, weights, levels: [...known.values()] };
}

const within = ({ facts, weights }: Scene, keep: (f: CastFacts) => boolean) => {
  const places = facts.flatMap((f, i) => (keep(f) ? [i] : []));
  return { facts: places.map((i) => facts[i]!), weights: places.map((i) => weights[i]!) };
};

/**
 * What is recorded and over its limit, and explains a group before its name does: it makes the fault oftener, and
 * among castings that kept that limit the group is no worse than the others, or there are too few to tell. A group
 * that is bad by itself is bad within the limit too.
 * @returns null where the group stands apart from all of them
 */
export function explainedBy(scene: Scene, outcome: string, at: Level): Level | null {
  if (isOverLimit(at)) return null;
  const products = new Set(scene.facts.filter((f) => has(f, at)).map((f) => f.levels.product));
  const scope = within(scene, (f) => products.has(f.levels.product));
  const suspects = scene.levels.flatMap((limit) => {
    const p = chanceOf(tableOf(scope.facts, scope.weights, outcome, limit));
    const meets = scope.facts.some((f) => has(f, at) && has(f, limit));
    return p < WORTH_LOOKING && meets ? [{ limit, p }] : [];
  });
  const explains = suspects.filter(({ limit }) => {
    const kept = within({ ...scope, levels: [] }, (f) => f.levels[limit.factor] !== undefined && !has(f, limit));
    return chanceOf(tableOf(kept.facts, kept.weights, outcome, at)) >= APART_CHANCE;
  });
  return explains.sort((a, b) => a.p - b.p)[0]?.limit ?? null;
}

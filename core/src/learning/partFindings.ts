import { adjustedOdds, type Parted, type Places } from './adjustedOdds';
import { dueTo } from './attributable';
import type { LossOf } from './castingCost';
import type { CastFacts } from './castFacts';
import { castingWeights, designEffect, shows } from './clusters';
import { share, split, type Finding } from './finding';
import { findingSentence, type Names } from './findingWords';
import { isActionable } from './limitLevels';
import { explainedBy, type LimitScene } from './standsApart';
import { columnsOf, type Level } from './logColumns';

/** One question to the log: a fault against a level, with and without. */
export interface Question {
  readonly outcome: string;
  readonly at: Level;
  readonly a: number;
  readonly b: number;
  readonly c: number;
  readonly d: number;
}

/** A question that was answered yes. */
export type Found = Question & { readonly p: number; readonly adjustedP: number };

/** A finding on fewer is a hint, and is said to be. */
const [FEW_BATCHES, FEW_FAULTS] = [12, 6];

/** A finding, and the other names of the same castings. */
export interface NamedFound {
  head: Found;
  readonly same: Level[];
}

/** What the findings of one kind are told with. */
export interface Told {
  readonly questions: number;
  readonly names: Names;
  readonly years: number;
  readonly lossOf: LossOf | null;
  readonly scene: LimitScene;
}

/**
 * What is left of each finding's odds. Names that a recorded limit explains share nothing of its effect: they are
 * left out when the others are parted, and parted from those themselves.
 */
function oddsOf(
  group: readonly NamedFound[],
  looked: readonly CastFacts[],
  outcomes: readonly string[],
  limits: readonly (Level | null)[],
) {
  const levels = group.map((g) => g.head.at);
  const standing = levels.filter((_, i) => limits[i] === null);
  const among = adjustedOdds(looked, outcomes, standing);
  const all = standing.length === levels.length ? among : adjustedOdds(looked, outcomes, levels);
  return (i: number, outcome: string): Parted =>
    limits[i] === null ? among.get(outcome)![standing.indexOf(levels[i]!)]! : all.get(outcome)![i]!;
}

/** Another group that shares the most castings with one. */
function nearest(group: readonly NamedFound[], i: number, places: Places): Level | null {
  const others = group
    .map((g, j) => ({ at: g.head.at, shared: j === i ? 0 : places.overlap(group[i]!.head.at, g.head.at) }))
    .filter((o) => o.shared > 0)
    .sort((a, b) => b.shared - a.shared);
  return others[0]?.at ?? null;
}

/** Parts the findings of one kind of fault from each other. */
export function partFindings(
  group: readonly NamedFound[],
  looked: readonly CastFacts[],
  places: Places,
  told: Told,
): Finding[] {
  // Each outcome is parted for itself: what makes bubbles at one spot need not make bubbles.
  const outcomes = [...new Set(group.map((g) => g.head.outcome))];
  const effects = new Map(outcomes.map((o) => [o, designEffect(looked, shows(o))]));
  const weights = new Map(outcomes.map((o) => [o, castingWeights(looked, shows(o))]));
  const limits = group.map(({ head }) =>
    explainedBy(told.scene, weights.get(head.outcome) ?? null, head.outcome, head.at),
  );
  const odds = oddsOf(group, looked, outcomes, limits);
  const columns = columnsOf(looked);
  const spoiledOf = ({ at, outcome }: Found): CastFacts[] => {
    const [column, place] = [columns.levelOf[at.factor], columns.placeOf(at)];
    const spoiled: CastFacts[] = [];
    for (const i of columns.rows(outcome)) if (place >= 0 && column[i] === place) spoiled.push(looked[i]!);
    return spoiled;
  };
  return group.map(({ head, same }, i) => {
    const effect = effects.get(head.outcome)!;
    const [limit, parted] = [limits[i] ?? null, odds(i, head.outcome)];
    const independent = parted.low > 1 && limit === null;
    const finding = {
      ...split(head.outcome),
      factor: head.at.factor,
      level: head.at.level,
      with: share(head.a, head.a + head.b, effect),
      without: share(head.c, head.c + head.d, effect),
      p: head.p,
      adjustedP: head.adjustedP,
      parted,
      same,
      independent,
      confoundedWith: independent ? null : (limit ?? nearest(group, i, places)),
      small: head.a + head.b < FEW_BATCHES || head.a < FEW_FAULTS,
      actionable: isActionable(head.at),
      due: dueTo(places.of(head.at).length, spoiledOf(head), columns.count(head.outcome), parted, told),
    };
    return { ...finding, says: findingSentence(finding, told.questions, told.names) };
  });
}

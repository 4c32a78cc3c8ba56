import { adjustedOdds, type Parted } from './adjustedOdds';
import { dueTo, type Spoiled } from './attributable';
import type { PartLosses } from './partLosses';
import { designEffect, seenIn, shows, weightBySize } from './clusters';
import { share, split, type Finding } from './finding';
import { findingSentence, type Names } from './findingWords';
import { isActionable } from './limitLevels';
import type { Log } from './logColumns';
import type { Level } from './logNames';
import type { Places } from './places';
import { explainedBy } from './standsApart';

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
  /** What each casting lost; null without a shelf. */
  readonly losses: PartLosses | null;
}

/**
 * What is left of each finding's odds. Names that a recorded limit explains share nothing of its effect: they are
 * left out when the others are parted, and parted from those themselves.
 */
function oddsOf(
  group: readonly NamedFound[],
  looked: Log,
  outcomes: readonly string[],
  limits: readonly (Level | null)[],
) {
  const levels = group.map((g) => g.head.at);
  const standing = levels.filter((_, i) => limits[i] === null);
  // A kind's outcomes begin alike: what the log counted for one kind is kept beside that of another.
  const name = split(outcomes[0]!).kind;
  const among = adjustedOdds(looked, outcomes, standing, `${name} standing`);
  const all = standing.length === levels.length ? among : adjustedOdds(looked, outcomes, levels, name);
  return (i: number, outcome: string): Parted =>
    limits[i] === null ? among.get(outcome)!(standing.indexOf(levels[i]!)) : all.get(outcome)!(i);
}

/** Another group that shares the most castings with one; the first told of those that share as much. */
function nearest(group: readonly NamedFound[], i: number, places: Places): Level | null {
  const own = group[i]!.head.at;
  const others = group
    .flatMap((g, j) => (j === i ? [] : [{ at: g.head.at, j, most: places.most(own, g.head.at) }]))
    .sort((a, b) => b.most - a.most);
  let [best, first, shared]: [Level | null, number, number] = [null, 0, 0];
  for (const { at, j, most } of others) {
    // What is left cannot share more.
    if (best !== null && most < shared) break;
    const both = places.overlap(own, at);
    if (both === 0 || both < shared || (both === shared && j > first)) continue;
    [best, first, shared] = [at, j, both];
  }
  return best;
}

/** The castings of a finding that show its fault: how many, and what one of them lost on the mean. */
function spoiledOf({ at, outcome, a }: Found, places: Places, losses: PartLosses | null): Spoiled {
  const { known, sum } = losses === null ? { known: 0, sum: 0 } : places.lossOf(at, outcome, losses);
  return { count: a, meanLoss: known === 0 ? null : sum / known };
}

/** Parts the findings of one kind of fault from each other. */
export function partFindings(group: readonly NamedFound[], looked: Log, places: Places, told: Told): Finding[] {
  // Each outcome is parted for itself: what makes bubbles at one spot need not make bubbles.
  const outcomes = [...new Set(group.map((g) => g.head.outcome))];
  const effects = new Map(outcomes.map((o) => [o, designEffect(looked, shows(o))]));
  const limits = group.map(({ head }) =>
    explainedBy(looked, weightBySize(looked, shows(head.outcome)), head.outcome, head.at),
  );
  const odds = oddsOf(group, looked, outcomes, limits);
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
      due: dueTo(
        places.count(head.at),
        spoiledOf(head, places, told.losses),
        seenIn(looked).get(head.outcome) ?? 0,
        parted,
        told.years,
      ),
    };
    return { ...finding, says: findingSentence(finding, told.questions, told.names) };
  });
}

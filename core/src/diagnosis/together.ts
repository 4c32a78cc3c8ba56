import type { Evidence, Together } from '../formats/diagnosis';
import type { CauseId } from '../formats/vocabulary';
import type { CaseFacts } from './caseFacts';
import { causeTitle } from './catalogue';
import { shares, totalPoints } from './ledger';
import { likelihoodRatio } from './weight';

/** How often any one slip happens in a batch, whether or not it is what spoiled it. */
const FAULT_RATE = 0.03;
/** From this chance on a slip is taken to have happened. */
const HAPPENED = 0.6;
/** A limit passed by a reading worth this much for the cause is a slip that the record shows, decibans. */
const SHOWN_POINTS = 4;

interface Likely {
  readonly id: CauseId;
  readonly weight: number;
  readonly happened: number;
  readonly fields: ReadonlySet<string>;
  /** Fields that speak for it plainly. */
  readonly plain: ReadonlySet<string>;
  /** What shows it best. */
  readonly shows: Evidence;
}

/** Chance that the slip happened, by the record alone: its rate moved by its evidence. */
const happenedChance = (points: number) => {
  const odds = (FAULT_RATE / (1 - FAULT_RATE)) * likelihoodRatio(points);
  return odds / (1 + odds);
};

/**
 * Two slips that lean on the same reading alone are two readings of one thing; each needs something plain of its own.
 */
const apart = (a: Likely, b: Likely) =>
  ![...a.fields].some((f) => b.fields.has(f)) ||
  ([...a.plain].some((f) => !b.fields.has(f)) && [...b.plain].some((f) => !a.fields.has(f)));
/** Causes that are two names for one thing in a record: either, never both (domain: how neighbours are told apart). */
const EITHER: readonly (readonly [CauseId, CauseId])[] = [
  ['cold-cure', 'too-soon'],
  ['not-cleared', 'cold-thick-resin'],
  ['aged-hardener', 'old-or-damp-lot'],
  ['wet-layer-below', 'layer-contaminated'],
];
const areOne = (a: Likely, b: Likely) => EITHER.some((pair) => pair.includes(a.id) && pair.includes(b.id));
const lowerFirst = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);

/** Whether the record shows a limit passed by this evidence: a reading outside, which speaks for the cause. */
function passesLimit({ readings }: CaseFacts, e: Evidence): boolean {
  const state = readings.get(e.field)?.state;
  return e.points >= SHOWN_POINTS && (state === 'below' || state === 'above');
}

/** Slips that the record shows, each able to make this symptom, likeliest first. */
function shownMistakes(facts: CaseFacts): Likely[] {
  return [...shares(facts)]
    .flatMap(([id, { share, evidence, cause }]): Likely[] => {
      const speaks = evidence.filter((e) => e.points > 0);
      const shows = speaks[0];
      if (!cause || !shows) return [];
      const total = totalPoints(evidence);
      const happened = happenedChance(total);
      const limit = speaks.find((e) => passesLimit(facts, e));
      if (happened < HAPPENED && !(limit && total >= SHOWN_POINTS)) return [];
      return [
        {
          id,
          weight: share,
          happened: limit ? Math.max(happened, HAPPENED) : happened,
          fields: new Set(speaks.map((e) => e.field)),
          plain: new Set(speaks.filter((e) => e.points >= SHOWN_POINTS).map((e) => e.field)),
          shows: limit ?? shows,
        },
      ];
    })
    .sort((a, b) => b.weight - a.weight);
}

/**
 * Two causes that the record shows to have happened both, each able to make this symptom, by different evidence: then
 * one alone leaves the other unexplained. Null where one explains it as well.
 */
export function explainedTogether(facts: CaseFacts): Together | null {
  const slips = shownMistakes(facts);
  const [first] = slips;
  const second = first && slips.slice(1).find((c) => apart(first, c) && !areOne(first, c));
  if (!first || !second) return null;
  const [a, b] = [lowerFirst(causeTitle(first.id)), lowerFirst(causeTitle(second.id))];
  return {
    ids: [first.id, second.id],
    share: first.happened * second.happened,
    says: `The record shows both: ${a}, and ${b}. The first alone leaves this unexplained: ${second.shows.says} The second alone leaves this: ${first.shows.says} Change both in the next batch; changing one will not be enough.`,
  };
}

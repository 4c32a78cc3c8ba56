import type { Together } from '../formats/diagnosis';
import type { CauseId } from '../formats/vocabulary';
import type { CaseFacts } from './caseFacts';
import { shares, totalPoints } from './ledger';
import { likelihoodRatio } from './weight';
import { causeTitle } from './catalogue';

/** How often any one slip happens in a batch, whether or not it is what spoiled it. */
const SLIP_RATE = 0.03;
/** From this chance on a slip is taken to have happened. */
const HAPPENED = 0.6;
/** A cause that could hardly make this symptom is not brought in beside another. */
const LEAST_SHARE = 0.03;

interface Likely {
  readonly id: CauseId;
  readonly share: number;
  readonly happened: number;
  readonly fields: ReadonlySet<string>;
}

/** Chance that the slip happened, by the record alone: its rate moved by its evidence. */
const happenedChance = (points: number) => {
  const odds = (SLIP_RATE / (1 - SLIP_RATE)) * likelihoodRatio(points);
  return odds / (1 + odds);
};

/** Two slips that lean on the same reading are two readings of one thing. */
const apart = (a: Likely, b: Likely) => ![...a.fields].some((f) => b.fields.has(f));
const lowerFirst = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);

/**
 * Two causes that the record shows to have happened both, each able to make this symptom, by different evidence: then
 * one alone leaves the other unexplained. Null where one explains it as well.
 */
export function explainedTogether(facts: CaseFacts): Together | null {
  const likely = [...shares(facts)]
    .flatMap(([id, { share, evidence, cause }]): Likely[] =>
      cause && share >= LEAST_SHARE
        ? [
            {
              id,
              share,
              happened: happenedChance(totalPoints(evidence)),
              fields: new Set(evidence.filter((e) => e.points > 0).map((e) => e.field)),
            },
          ]
        : [],
    )
    .filter((c) => c.happened >= HAPPENED)
    .sort((a, b) => b.share - a.share);
  const [first] = likely;
  const second = first && likely.slice(1).find((c) => apart(first, c));
  if (!first || !second) return null;
  return {
    ids: [first.id, second.id],
    share: first.happened * second.happened,
    says: `The record shows both: ${lowerFirst(causeTitle(first.id))}, and ${lowerFirst(causeTitle(second.id))}. Together they explain it better than either alone; mend both before the next batch.`,
  };
}

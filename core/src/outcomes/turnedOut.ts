import type { Batch, CauseOutcome } from '../formats/batch';
import type { CauseId, SymptomKind } from '../formats/vocabulary';

/** How it is known: changed in the next batch, tested, seen, or judged by the record alone. */
export type OutcomeHow = CauseOutcome['how'];

/**
 * Whether an outcome moves the rates. One that was only judged does not: a leading cause that is agreed with because
 * it leads would confirm itself.
 */
export const movesRates = ({ how }: Pick<CauseOutcome, 'how'>): boolean => how !== 'judged';

export const isRefuted = ({ refuted }: Pick<CauseOutcome, 'refuted'>): boolean => refuted === true;

/** What the cause of a symptom turned out to be, or not to be, of a casting or of all of them. */
export const outcomesFor = (
  batch: Pick<Batch, 'outcome'>,
  kind: SymptomKind,
  casting?: string | null,
): readonly CauseOutcome[] =>
  (batch.outcome ?? []).filter(
    (o) => o.symptom === kind && (o.casting == null || casting == null || o.casting === casting),
  );

/** What is known of the cause of a symptom by more than judgement. */
export interface TurnedOut {
  readonly confirmed: readonly CauseId[];
  readonly refuted: readonly CauseId[];
}

/** A cause that was confirmed is not also refuted: what was found last counts. */
export function turnedOut(outcomes: readonly CauseOutcome[]): TurnedOut {
  const last = new Map<CauseId, boolean>();
  for (const o of outcomes) if (movesRates(o)) last.set(o.cause, isRefuted(o));
  const of = (refuted: boolean) => [...last].flatMap(([cause, was]) => (was === refuted ? [cause] : []));
  return { confirmed: of(false), refuted: of(true) };
}

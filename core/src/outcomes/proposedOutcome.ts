import { castingIds, looksAt } from '../castings/castingList';
import type { Batch, CauseOutcome } from '../formats/batch';
import { CAUSE_IDS, type CauseId, type SymptomKind } from '../formats/vocabulary';
import { changeAnswer, worstOf } from '../learning/changeAnswer';
import { outcomesFor } from './turnedOut';

/** An outcome that a copied batch answers, to be confirmed by a person. */
export interface ProposedOutcome {
  /** The batch whose fault it tells of. */
  readonly batch: string;
  /** The batch that was made with the change. */
  readonly by: string;
  readonly outcome: Pick<CauseOutcome, 'symptom' | 'cause' | 'how' | 'refuted'>;
  readonly says: string;
}

const isCause = (id: string): id is CauseId => (CAUSE_IDS as readonly string[]).includes(id);

/** The kinds of fault a batch showed, the worst first. */
const faultsOf = (batch: Batch): SymptomKind[] => {
  const kinds = new Set((batch.checks ?? []).flatMap((c) => (c.symptoms ?? []).map((s) => s.kind)));
  return [...kinds].sort((a, b) => (worstOf(batch, b) ?? 0) - (worstOf(batch, a) ?? 0));
};

const isWhollyLookedAt = (batch: Batch): boolean =>
  castingIds(batch).every((id) => (id === null ? (batch.checks ?? []) : looksAt(batch, id)).length > 0);

/** The one cause that a copy was changed for; null where it is of another batch, or several things were changed. */
function changedCause(before: Batch, after: Batch): CauseId | null {
  const { code, changes = [] } = after.copiedFrom ?? {};
  const cause = changes[0]?.cause;
  return code === before.code && changes.length === 1 && cause != null && isCause(cause) ? cause : null;
}

/** Whether the fault is gone with the change, or stayed in spite of it; null where that cannot be told. */
function answerOf(before: Batch, after: Batch, symptom: SymptomKind): 'gone' | 'stayed' | null {
  const { verdict, differs } = changeAnswer(before, after, symptom);
  if (differs.length > 1) return null;
  if (verdict === 'better') return worstOf(after, symptom) === 0 ? 'gone' : null;
  // A change that cannot be seen in the record may not have been made: that it stayed then says nothing.
  return (verdict === 'same' || verdict === 'worse') && differs.length === 1 ? 'stayed' : null;
}

/**
 * What a batch that was copied with one change says of the cause that was changed: gone, it was that; as before or
 * worse, it was not. Nothing is proposed where several things were changed or are recorded differently, where not
 * every casting was looked at, or where the cause is settled already.
 */
export function proposedOutcome(before: Batch, after: Batch): ProposedOutcome | null {
  const cause = changedCause(before, after);
  const symptom = after.copiedFrom?.symptom ?? faultsOf(before)[0];
  if (cause === null || symptom === undefined || !isWhollyLookedAt(after)) return null;
  if (outcomesFor(before, symptom).some((o) => o.cause === cause && o.how === 'next-batch')) return null;
  const answer = answerOf(before, after, symptom);
  if (answer === null) return null;
  const [name, fault] = [after.code ?? 'The next batch', symptom.replaceAll('-', ' ')];
  return {
    batch: before.code ?? '',
    by: after.code ?? '',
    outcome: { symptom, cause, how: 'next-batch', ...(answer === 'gone' ? {} : { refuted: true }) },
    says: `${name} was made with this one change, and ${fault} ${answer === 'gone' ? 'did not come' : 'came'} again.`,
  };
}

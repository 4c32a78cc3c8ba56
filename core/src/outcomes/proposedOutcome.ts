import { commonBatch } from '../castings/castingAsBatch';
import { castingIds, looksAt } from '../castings/castingList';
import { recordFacts, type CaseFacts } from '../diagnosis/caseFacts';
import { CATALOGUE } from '../diagnosis/catalogue';
import type { Batch, CauseOutcome } from '../formats/batch';
import { valueAt } from '../formats/documentPath';
import type { Product } from '../formats/product';
import { CAUSE_IDS, type CauseId, type SymptomKind } from '../formats/vocabulary';
import { changeAnswer, worstOf } from '../learning/changeAnswer';
import { wordsIn } from '../units/wording';
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

/** Figures that are read as one: their limit is that of what comes of them. */
const READ_AS: readonly (readonly [field: RegExp, reading: string])[] = [
  [/^mix\.(amount[AB]|unit|measuredBy)$/, 'mix.ratioErrorPct'],
  [/^additives\b/, 'additives.totalPct'],
];
const readingOf = (field: string): string => READ_AS.find(([of]) => of.test(field))?.[1] ?? field;

/** Fields that speak of a cause, in either batch. */
function fieldsOf(cause: CauseId, views: readonly CaseFacts[]): ReadonlySet<string> {
  const rules = CATALOGUE.find((c) => c.id === cause)?.evidence ?? [];
  return new Set(views.flatMap((facts) => rules.flatMap((rule) => rule(facts)?.field ?? [])).map(readingOf));
}

const isOutside = (state: string | undefined) => state === 'below' || state === 'above';

/**
 * What differs between two batches and bears on a fault: words and answers, and figures that were outside of their
 * limit in one of them. A figure that moved within its limits is no other change.
 */
function bearing(differs: readonly string[], [before, after]: readonly [CaseFacts, CaseFacts]): string[] {
  return differs.filter((field) => {
    const [a, b] = [before, after].map((f) => f.readings.get(readingOf(field))?.state);
    const isFigure =
      typeof valueAt(before.batch, field) === 'number' || typeof valueAt(after.batch, field) === 'number';
    return !isFigure || isOutside(a) || isOutside(b);
  });
}

/** Whether the fault is gone with the change, or stayed in spite of it; null where that cannot be told. */
function answerOf(
  product: Product,
  [before, after]: readonly [Batch, Batch],
  symptom: SymptomKind,
  cause: CauseId,
): 'gone' | 'stayed' | null {
  const { verdict, differs } = changeAnswer(before, after, symptom);
  const seen = { kind: symptom, pattern: 'unspecified', afterH: 0 };
  const view = (batch: Batch) => ({ ...recordFacts(product, commonBatch(product, batch), wordsIn()), seen });
  const views = [view(before), view(after)] as const;
  const own = fieldsOf(cause, views);
  const beside = bearing(differs, views).filter((f) => !own.has(readingOf(f)));
  if (beside.length > 0) return null;
  if (verdict === 'better') return worstOf(after, symptom) === 0 ? 'gone' : null;
  // A change that cannot be seen in the record may not have been made: that it stayed then says nothing.
  const made = differs.some((f) => own.has(readingOf(f)));
  return (verdict === 'same' || verdict === 'worse') && made ? 'stayed' : null;
}

/**
 * What a batch that was copied with one change says of the cause that was changed: gone, it was that; as before or
 * worse, it was not. Nothing is proposed where several things were changed, where something else was put right too,
 * where not every casting was looked at, or where the cause is settled already.
 */
export function proposedOutcome(product: Product, before: Batch, after: Batch): ProposedOutcome | null {
  const cause = changedCause(before, after);
  const symptom = after.copiedFrom?.symptom ?? faultsOf(before)[0];
  if (cause === null || symptom === undefined || !isWhollyLookedAt(after)) return null;
  if (outcomesFor(before, symptom).some((o) => o.cause === cause && o.how === 'next-batch')) return null;
  const answer = answerOf(product, [before, after], symptom, cause);
  if (answer === null) return null;
  const name = after.code ?? 'The next batch';
  return {
    batch: before.code ?? '',
    by: after.code ?? '',
    outcome: { symptom, cause, how: 'next-batch', ...(answer === 'gone' ? {} : { refuted: true }) },
    says: `${name} was made with this one change, and the fault ${answer === 'gone' ? 'did not come' : 'came'} again.`,
  };
}

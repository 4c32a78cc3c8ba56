import { laidAs } from '../castings/castingList';
import { checksInOrder } from '../formats/batchChecks';
import type { Batch, Check, MendRecord } from '../formats/batch';
import type { SymptomKind } from '../formats/vocabulary';

/** A mend with what became of it, told by the first look after it was finished. */
export interface MendStory {
  readonly mend: MendRecord;
  readonly index: number;
  readonly outcome: 'in-progress' | 'waiting' | 'held' | 'failed';
  /** What showed that it had failed: the same symptom, or one of its own; null where it has not. */
  readonly failedBy: SymptomKind | null;
  /** When it is to be looked at, hours from when the parts met. */
  readonly recheckAtH: number | null;
}

/** Ways in which a coat fails that are not the fault it was put on for. */
const COAT_FAILS: readonly SymptomKind[] = ['delamination', 'bulge', 'tacky', 'soft'];

/** The castings that a mend was made on; null where it was made on all there are. */
const mended = (mend: MendRecord): readonly (string | null)[] =>
  mend.castings == null || mend.castings.length === 0 ? [null] : mend.castings;

/** The first look at each mended casting after it was finished; null where one was not looked at yet. */
function looksAfter(batch: Batch, mend: MendRecord): (Check | null)[] {
  if (mend.doneH == null) return [null];
  const later = checksInOrder(batch).filter((c) => c.afterH > mend.doneH!);
  // In the view of one casting the others' looks are not there, and not waited for.
  const laid = laidAs(batch);
  const of = mended(mend).filter((id) => id === null || laid === null || laid === id);
  return of.map((id) => later.find((c) => id === null || c.casting == null || c.casting === id) ?? null);
}

/** The symptom by which a mend failed: the same again, or the mend's own failure, such as a coat that lifts. */
function failureOf(batch: Batch, mend: MendRecord): SymptomKind | null {
  const kinds = looksAfter(batch, mend).flatMap((look) => (look?.symptoms ?? []).map((s) => s.kind));
  if (kinds.includes(mend.kind)) return mend.kind;
  const coated = mend.coat?.massG != null || mend.steps.some((s) => /\bcoat\b/i.test(s.says));
  return coated ? (kinds.find((kind) => COAT_FAILS.includes(kind)) ?? null) : null;
}

function outcomeOf(batch: Batch, mend: MendRecord): MendStory['outcome'] {
  if (mend.doneH == null) return 'in-progress';
  const after = looksAfter(batch, mend);
  if (failureOf(batch, mend) !== null || after.some((c) => c?.grade === 'mend')) return 'failed';
  return after.includes(null) ? 'waiting' : 'held';
}

/**
 * The mends of a piece in the order they were made; a failed one followed by another of the same symptom is a chain.
 */
export function mendsOf(batch: Batch): MendStory[] {
  return (batch.mends ?? [])
    .map((mend, index) => ({
      mend,
      index,
      outcome: outcomeOf(batch, mend),
      failedBy: failureOf(batch, mend),
      recheckAtH: mend.doneH == null || mend.recheckAfterH == null ? null : mend.doneH + mend.recheckAfterH,
    }))
    .sort((a, b) => a.mend.atH - b.mend.atH);
}

/** Mends of this symptom that failed, and those of another that failed by showing this one. */
const failuresOf = (batch: Batch, kind: SymptomKind): MendStory[] =>
  mendsOf(batch).filter((m) => m.outcome === 'failed' && (m.mend.kind === kind || m.failedBy === kind));

/** How often mending this symptom has failed on this piece. */
export const failedMends = (batch: Batch, kind: SymptomKind): number => failuresOf(batch, kind).length;

/** How the last mend that this symptom speaks of failed: by the same symptom, or by one of its own. */
export const lastFailure = (batch: Batch, kind: SymptomKind): SymptomKind | null =>
  failuresOf(batch, kind).at(-1)?.failedBy ?? null;

/** Resin that went into mending the piece, g. */
export const mendMassG = (batch: Batch): number =>
  (batch.mends ?? []).reduce((sum, m) => sum + (m.coat?.massG ?? 0), 0);

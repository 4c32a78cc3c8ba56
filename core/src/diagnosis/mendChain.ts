import type { Batch, MendRecord } from '../formats/batch';
import type { SymptomKind } from '../formats/vocabulary';

/** A mend with what became of it, told by the first look after it was finished. */
export interface MendStory {
  readonly mend: MendRecord;
  readonly index: number;
  readonly outcome: 'in-progress' | 'waiting' | 'held' | 'failed';
  /** When it is to be looked at, hours from when the parts met. */
  readonly recheckAtH: number | null;
}

function outcomeOf(batch: Batch, mend: MendRecord): MendStory['outcome'] {
  if (mend.doneH == null) return 'in-progress';
  const after = [...(batch.checks ?? [])].sort((a, b) => a.afterH - b.afterH).find((c) => c.afterH > (mend.doneH ?? 0));
  if (!after) return 'waiting';
  return (after.symptoms ?? []).some((s) => s.kind === mend.kind) ? 'failed' : 'held';
}

/** The mends of a piece in the order they were made; a failed one followed by another of the same symptom is a chain. */
export function mendsOf(batch: Batch): MendStory[] {
  return (batch.mends ?? [])
    .map((mend, index) => ({
      mend,
      index,
      outcome: outcomeOf(batch, mend),
      recheckAtH: mend.doneH == null || mend.recheckAfterH == null ? null : mend.doneH + mend.recheckAfterH,
    }))
    .sort((a, b) => a.mend.atH - b.mend.atH);
}

/** How often mending this symptom has failed on this piece. */
export const failedMends = (batch: Batch, kind: SymptomKind): number =>
  mendsOf(batch).filter((m) => m.mend.kind === kind && m.outcome === 'failed').length;

/** Resin that went into mending the piece, g. */
export const mendMassG = (batch: Batch): number =>
  (batch.mends ?? []).reduce((sum, m) => sum + (m.coat?.massG ?? 0), 0);

import { changedFields } from '../formats/changedFields';
import { valueAt } from '../formats/documentPath';
import { castingIds, looksAt } from '../castings/castingList';
import type { Batch, Check } from '../formats/batch';
import type { SymptomKind } from '../formats/vocabulary';
import { fieldLabel } from '../limits/fieldLabels';

/** What a copied batch answers to the change that was made in it. */
export interface ChangeAnswer {
  readonly verdict: 'better' | 'same' | 'worse' | 'not yet' | 'nothing to compare';
  /** Fields that differ beside what was changed on purpose: with any, the change alone did not do it. */
  readonly differs: readonly string[];
  readonly says: string;
}

/** Severity where it was not said: plain, but not spoiling. */
const UNSAID_SEVERITY = 2;
/** What says how the piece was made; dates, codes, looks and repairs do not. */
const MADE = /^(room|resin|mix|additives|degas|pour|pressure|mould|inclusions|layerBelow|cure)\b/;
const BOOKKEEPING = /\.(pulls|startedMin|finishedMin|reachedMin|releasedMin|demouldedMin|code|vessel|leftG)$/;
/** Whether a field says how the piece was made. */
export const isMaking = (field: string): boolean => MADE.test(field) && !BOOKKEEPING.test(field);
/** Figures this near, as a share, were held the same. */
const HELD = 0.05;

/** Severity of a symptom at its worst in some looks; 0 where it was looked for and not seen, null where nobody looked. */
const worstIn = (checks: readonly Check[], kind: SymptomKind): number | null => {
  if (checks.length === 0) return null;
  return Math.max(
    0,
    ...checks.flatMap((c) =>
      (c.symptoms ?? []).filter((s) => s.kind === kind).map((s) => s.severity ?? UNSAID_SEVERITY),
    ),
  );
};

/** The same of each casting that was looked at; of the one cast of a batch that tells none apart. */
const worstOfEach = (batch: Batch, kind: SymptomKind): number[] =>
  castingIds(batch).flatMap((id) => worstIn(id === null ? (batch.checks ?? []) : looksAt(batch, id), kind) ?? []);

/**
 * Severity of a symptom at its worst: that of the middle one of a mix's castings, for a fault that one of them has is
 * not the mix's doing. 0 where it was looked for and not seen, null where nobody looked.
 */
export const worstOf = (batch: Batch, kind: SymptomKind): number | null => {
  const each = worstOfEach(batch, kind).sort((a, b) => a - b);
  return each[Math.floor((each.length - 1) / 2)] ?? null;
};

/** That it is gone; of how many castings, where one or the other still shows it. */
function goneWords(after: Batch, kind: SymptomKind): string {
  const each = worstOfEach(after, kind);
  const gone = each.filter((w) => w === 0).length;
  return gone === each.length ? 'It is gone.' : `It is gone from ${gone} of ${each.length} castings.`;
}

/** Figures near enough to count as the same. */
export const heldAlike = (a: unknown, b: unknown): boolean =>
  typeof a === 'number' && typeof b === 'number' && Math.abs(a - b) <= HELD * Math.max(Math.abs(a), Math.abs(b));

/** Fields of the making recorded in both batches that differ by more than a held figure does. */
export function madeDifferently(before: Batch, after: Batch): string[] {
  return changedFields(before, after).filter((f) => {
    const [a, b] = [valueAt(before, f), valueAt(after, f)];
    return isMaking(f) && a != null && b != null && !heldAlike(a, b);
  });
}

const VERDICTS = { [-1]: 'better', 0: 'same', 1: 'worse' } as const;

/**
 * What became of the fault of a batch in the one copied from it.
 * @param kind the symptom that the change was made for
 */
export function changeAnswer(before: Batch, after: Batch, kind: SymptomKind): ChangeAnswer {
  const differs = madeDifferently(before, after);
  const [was, is] = [worstOf(before, kind), worstOf(after, kind)];
  const beside =
    differs.length > 1
      ? ` ${differs.length} things were recorded differently (${differs.slice(0, 4).map(fieldLabel).join(', ')}), so it cannot say which of them did it.`
      : '';
  if (was === null || was === 0)
    return { verdict: 'nothing to compare', differs, says: 'The first batch has no such fault on record.' };
  if (is === null) return { verdict: 'not yet', differs, says: 'Nobody has looked at the new one yet.' };
  const verdict = VERDICTS[Math.sign(is - was) as -1 | 0 | 1];
  const words = {
    better: is === 0 ? goneWords(after, kind) : 'It is less than before.',
    same: 'It is as before: the change did not help.',
    worse: 'It is worse than before.',
  }[verdict];
  return { verdict, differs, says: `${words}${beside} One batch is one answer; do it again before trusting it.` };
}

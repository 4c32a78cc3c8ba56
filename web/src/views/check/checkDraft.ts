import { checkSchema, issuesFromZod, type Batch, type Check, type SymptomKind } from '@warm-jar/core';

/** A check while it is being filled in. */
export interface CheckDraft {
  readonly afterH: number | null;
  readonly shore: number | null;
  readonly grade: string | null;
  readonly note: string;
  readonly symptoms: readonly DraftSymptom[];
  /** Texts that cannot be read as numbers, by field. */
  readonly texts: Readonly<Record<string, string>>;
}
export interface DraftSymptom { readonly kind: SymptomKind; readonly pattern: string; readonly severity: number | null; readonly where: string | null }

export const emptyCheck = (): CheckDraft => ({ afterH: null, shore: null, grade: null, note: '', symptoms: [], texts: {} });

/** Hours from when the parts met to now, to the nearest tenth; null where the start is not recorded or lies ahead. */
export function hoursSince(batch: Batch, nowMs: number): number | null {
  if (!batch.startedAt) return null;
  const hours = (nowMs - Date.parse(batch.startedAt)) / 3_600_000;
  return hours < 0 ? null : Math.round(hours * 10) / 10;
}

/** The check as the format keeps it, or what stops it, by field. */
export function checkFrom(draft: CheckDraft): { check: Check | null; issues: Record<string, string> } {
  const issues: Record<string, string> = Object.fromEntries(Object.keys(draft.texts).map((f) => [f, 'Write a number, such as 24, or clear the field.']));
  const { afterH, shore, grade, note, symptoms } = draft;
  const fields = { afterH, shore, grade, note, symptoms };
  if (fields.afterH === null && !issues['afterH']) issues['afterH'] = 'How many hours after the parts met? The cure is judged by it.';
  const parsed = checkSchema.safeParse({ ...fields, afterH: fields.afterH ?? 0 });
  if (!parsed.success) for (const { path, message } of issuesFromZod(parsed.error)) issues[path] ??= message;
  return { check: parsed.success && Object.keys(issues).length === 0 ? parsed.data : null, issues };
}

/** Taps a symptom in or out; a new one starts without a pattern. */
export function toggled(draft: CheckDraft, kind: SymptomKind): CheckDraft {
  const has = draft.symptoms.some((s) => s.kind === kind);
  const symptoms = has
    ? draft.symptoms.filter((s) => s.kind !== kind)
    : [...draft.symptoms, { kind, pattern: 'unspecified', severity: null, where: null }];
  return { ...draft, symptoms };
}

import {
  checkSchema,
  colourHistory,
  issuesFromZod,
  looksAt,
  type Batch,
  type Check,
  type CheckPhoto,
  type SymptomKind,
  type Touch,
} from '@warm-jar/core';
import { symptomOfTouch } from './touch';

/** A check while it is being filled in. */
export interface CheckDraft {
  readonly afterH: number | null;
  readonly shore: number | null;
  readonly grade: string | null;
  readonly note: string;
  readonly symptoms: readonly DraftSymptom[];
  readonly touch: Touch | null;
  readonly spots: readonly DraftSpot[];
  readonly photos: readonly CheckPhoto[];
  /** The castings that are looked at; all of them where none is named. */
  readonly castings?: readonly string[];
  /** Why they are seconds or scrap, and what they are sold for. */
  readonly reason?: string;
  readonly price?: number | null;
  readonly bubbleCount?: number | null;
  /** Texts that cannot be read as numbers, by field. */
  readonly texts: Readonly<Record<string, string>>;
}
/** A fault's place on a cavity's outline. */
export interface DraftSpot {
  readonly cavity: number;
  readonly x: number;
  readonly y: number;
  readonly kind: SymptomKind | null;
}
export interface DraftSymptom {
  readonly kind: SymptomKind;
  readonly pattern: string;
  readonly severity: number | null;
  readonly where: string | null;
  /** How much of the surface is in this state: its size, its share of the face, and the cells it was drawn in. */
  readonly areaCM2?: number | null;
  readonly shareOfFace?: number | null;
  readonly cells?: readonly number[];
}

export const emptyCheck = (): CheckDraft => ({
  afterH: null,
  shore: null,
  grade: null,
  note: '',
  symptoms: [],
  touch: null,
  spots: [],
  photos: [],
  castings: [],
  reason: '',
  price: null,
  bubbleCount: null,
  texts: {},
});

/** What a look holds only where it was made: touch, places, photos. */
function madeMore({ touch, spots, photos, symptoms, bubbleCount }: CheckDraft) {
  const counted = bubbleCount != null && symptoms.some((s) => s.kind === 'bubbles');
  return {
    ...(touch ? { touch } : {}),
    ...(spots.length ? { spots } : {}),
    ...(photos.length ? { photos } : {}),
    ...(counted ? { bubbleCount } : {}),
  };
}

/** A symptom as the format keeps it: its area only where somebody told it. */
function withArea({ areaCM2 = null, shareOfFace = null, cells = [], ...symptom }: DraftSymptom) {
  if (areaCM2 === null && shareOfFace === null) return symptom;
  const drawn = cells.length > 0 ? { cells } : {};
  return { ...symptom, area: { where: symptom.where, areaCM2, shareOfFace, ...drawn } };
}

/**
 * A look as it is stored: one of each casting that was named, or one of all. Where every casting was named it is one of
 * all, for then nobody is left out.
 */
export function looksOf(check: Check, named: readonly string[], ids: readonly (string | null)[]): Check[] {
  if (named.length === 0 || ids.every((id) => id === null || named.includes(id))) return [check];
  return named.map((casting) => ({ ...check, casting }));
}

/** Another place of the same kind, in another state: several areas are one mend. */
export const anotherArea = (draft: CheckDraft, kind: SymptomKind): CheckDraft => ({
  ...draft,
  symptoms: [...draft.symptoms, { kind, pattern: 'unspecified', severity: null, where: null }],
});

/** The change of b* since the first measured look, where this one was measured and another before it. */
export function deltaBOf(batch: Batch, check: Check): number | null {
  const looks = colourHistory({ checks: [...looksAt(batch, check.casting ?? null), check] });
  const own = looks.find((l) => l.afterH === check.afterH);
  return own && looks.length > 1 && own !== looks[0] ? Math.round(own.deltaB * 100) / 100 : null;
}

/** The check as the format keeps it, or what stops it, by field. */
export function checkFrom(draft: CheckDraft): { check: Check | null; issues: Record<string, string> } {
  const issues: Record<string, string> = Object.fromEntries(
    Object.keys(draft.texts).map((f) => [f, 'Write a number, such as 24, or clear the field.']),
  );
  const { afterH, shore, grade, note, symptoms } = draft;
  const fields = { afterH, shore, grade, note, symptoms: symptoms.map(withArea), ...madeMore(draft) };
  if (fields.afterH === null && !issues['afterH'])
    issues['afterH'] = 'How many hours after the parts met? The cure is judged by it.';
  const parsed = checkSchema.safeParse({ ...fields, afterH: fields.afterH ?? 0 });
  if (!parsed.success) for (const { path, message } of issuesFromZod(parsed.error)) issues[path] ??= message;
  return { check: parsed.success && Object.keys(issues).length === 0 ? parsed.data : null, issues };
}

/** What the fingers said; it brings its symptom with it, and takes the one along that another touch had brought. */
export function touched(draft: CheckDraft, touch: Touch | null): CheckDraft {
  const [was, is] = [symptomOfTouch(draft.touch), symptomOfTouch(touch)];
  const others = draft.symptoms.filter((s) => !(was && s.kind === was.kind && s.severity === null && s.where === null));
  return { ...draft, touch, symptoms: is ? withSymptom(others, is) : others };
}

/** A symptom beside the others; where it is there already, it only lends its pattern. */
function withSymptom(
  others: readonly DraftSymptom[],
  symptom: NonNullable<ReturnType<typeof symptomOfTouch>>,
): DraftSymptom[] {
  const there = others.find((s) => s.kind === symptom.kind);
  if (!there) return [...others, { ...symptom, severity: null, where: null }];
  return others.map((s) => (s === there && s.pattern === 'unspecified' ? { ...s, pattern: symptom.pattern } : s));
}

/** Taps a symptom in or out; a new one starts without a pattern. */
export function toggled(draft: CheckDraft, kind: SymptomKind): CheckDraft {
  const has = draft.symptoms.some((s) => s.kind === kind);
  const symptoms = has
    ? draft.symptoms.filter((s) => s.kind !== kind)
    : [...draft.symptoms, { kind, pattern: 'unspecified', severity: null, where: null }];
  return { ...draft, symptoms };
}

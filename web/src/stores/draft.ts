import { batchSchema, issuesFromZod, type Batch } from '@warm-jar/core';
import { lightFormat } from 'date-fns';
import { defineStore } from 'pinia';
import { computed } from 'vue';
import { studioNow } from '../api/studioTime';
import { textIssues, withText, without } from '../components/form/typedTexts';
import { valueAt, withValue, type Tree } from './draftPath';
import { useKeptOfTab } from './kept';
import { useSession } from './session';

/** What is being typed: the document so far, and texts that are not numbers yet. */
export interface Draft {
  readonly document: Tree;
  /** Raw text by field path, kept only while it cannot be read as a number. */
  readonly texts: Record<string, string>;
  /** The stored batch being changed, with the version it started from; null for a new one. */
  readonly of: { readonly code: string; readonly version: number } | null;
  /** The stored batch as it was then, to tell what was changed here; a draft of an earlier time has none. */
  readonly base?: Tree;
  readonly savedAt: string;
}

const empty = (): Tree => ({ format: 'warm-jar.batch/1', product: {} });

/** A moment with this machine's own offset, as the format wants it. */
export function localMoment(date: Date): string {
  const offsetMin = -date.getTimezoneOffset();
  const two = (n: number) => String(Math.floor(Math.abs(n))).padStart(2, '0');
  const offset = `${offsetMin < 0 ? '-' : '+'}${two(offsetMin / 60)}:${two(offsetMin % 60)}`;
  return `${lightFormat(date, "yyyy-MM-dd'T'HH:mm:ss")}${offset}`;
}

/** The batch being written down. Every change is in the browser's storage at once, so a reload loses nothing. */
export const useDraft = defineStore('draft', () => {
  const kept = useKeptOfTab<Record<string, Draft>>('warm-jar.drafts', {});
  const session = useSession();
  const keyOf = (code: string | null) => code ?? 'new';

  const forCode = (code: string | null) => computed<Draft | null>(() => kept.value[keyOf(code)] ?? null);

  function put(code: string | null, draft: Omit<Draft, 'savedAt'>): void {
    kept.value = { ...kept.value, [keyOf(code)]: { ...draft, savedAt: studioNow().toISOString() } };
  }

  function begin(code: string | null, stored?: { batch: Batch; version: number }): void {
    const document = stored ? { ...stored.batch } : { ...empty(), ...(session.person ? { by: session.person } : {}) };
    const of = stored && code ? { code, version: stored.version } : null;
    put(code, { document, texts: {}, of, ...(stored ? { base: { ...stored.batch } } : {}) });
  }

  function set(code: string | null, path: string, value: unknown, rawText?: string): void {
    const draft = kept.value[keyOf(code)];
    if (!draft) return;
    put(code, {
      ...draft,
      document: withValue(draft.document, path, value),
      texts: withText(draft.texts, path, rawText),
    });
    if (path === 'by' && typeof value === 'string') session.choose(value);
  }

  function discard(code: string | null): void {
    kept.value = without(kept.value, keyOf(code));
  }

  /** The draft goes on from what somebody else stored in between, with what was changed here laid over it. */
  function rebase(code: string, stored: { batch: Batch; version: number }, document: Tree): void {
    const draft = kept.value[keyOf(code)];
    if (draft) put(code, { ...draft, document, of: { code, version: stored.version }, base: { ...stored.batch } });
  }

  return { forCode, begin, set, discard, rebase };
});

/** What still stops a draft from being stored, by field path. */
export function draftIssues(draft: Draft): { batch: Batch | null; issues: Record<string, string> } {
  const issues = textIssues(draft.texts);
  if (!valueAt(draft.document, 'product.slug')) issues['product.slug'] = 'Choose the product.';
  const parsed = batchSchema.safeParse(draft.document);
  if (!parsed.success) for (const { path, message } of issuesFromZod(parsed.error)) issues[path] ??= message;
  return { batch: parsed.success && Object.keys(issues).length === 0 ? parsed.data : null, issues };
}

/** The draft as a batch for live limits: fields that cannot be read yet are left out, as not recorded. */
export function readableBatch(draft: Draft): Batch | null {
  let document = draft.document;
  for (let tries = 0; tries < 40; tries += 1) {
    const parsed = batchSchema.safeParse(document);
    if (parsed.success) return parsed.data;
    const [first] = issuesFromZod(parsed.error);
    if (!first || valueAt(document, first.path) == null) return null;
    document = withValue(document, first.path, null);
  }
  return null;
}

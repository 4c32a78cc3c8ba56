import { issuesFromZod } from '@warm-jar/core';
import { computed, ref, type Ref } from 'vue';
import type { z } from 'zod';
import { provideForm, type FormContext } from '../components/form/formContext';
import { textIssues, withText, without, type TypedTexts } from '../components/form/typedTexts';
import { useKeptOfTab } from './kept';
import { carryOver, valueAt, withValue, type Tree } from './draftPath';

/** A document being filled in, with texts that are no numbers yet; null while nothing was changed. */
interface Kept {
  readonly document: Tree;
  readonly texts: Record<string, string>;
}

/** Leaves out what was emptied, so that "not stated" is absent rather than an empty section. */
export function withoutEmpty(document: Tree): Tree {
  return Object.fromEntries(
    Object.entries(document).flatMap(([key, value]): [string, unknown][] => {
      if (value === null || value === undefined) return [];
      if (typeof value !== 'object' || Array.isArray(value)) return [[key, value]];
      const inner = withoutEmpty(value as Tree);
      return Object.keys(inner).length === 0 && key !== 'ratio' ? [] : [[key, inner]];
    }),
  );
}

/** What is wrong with a document: texts that are no numbers, then what its schema says. */
function faultsOf(texts: TypedTexts, parsed: z.ZodSafeParseResult<unknown>): Record<string, string> {
  const all = textIssues(texts);
  if (!parsed.success) for (const { path, message } of issuesFromZod(parsed.error)) all[path] ??= message;
  return all;
}

/**
 * A form over one document of the shelf. What is typed is kept in the browser until it is saved or dropped, so a
 * refusal or a reload loses nothing.
 * @param start the stored document, or what a new one begins as
 */
export function useDocumentForm<T>(key: string, schema: z.ZodType<T>, start: Ref<Tree>) {
  const kept = useKeptOfTab<Kept | null>(`warm-jar.form.${key}`, null);
  const serverIssues = ref<Record<string, string>>({});
  const tried = ref(false);
  const document = computed<Tree>(() => kept.value?.document ?? start.value);
  const texts = computed(() => kept.value?.texts ?? {});
  const parsed = computed(() => schema.safeParse(withoutEmpty(document.value)));
  const found = computed(() => faultsOf(texts.value, parsed.value));
  /** A missing field is only called so once saving was tried; a wrong one at once. */
  const isShown = (path: string) =>
    tried.value || texts.value[path] !== undefined || valueAt(document.value, path) != null;
  const issues = computed(() => ({
    ...serverIssues.value,
    ...Object.fromEntries(Object.entries(found.value).filter(([path]) => isShown(path))),
  }));
  const form: FormContext = {
    value: (path) => valueAt(document.value, path),
    set: (path, value, rawText) => {
      serverIssues.value = without(serverIssues.value, path);
      kept.value = { document: withValue(document.value, path, value), texts: withText(texts.value, path, rawText) };
    },
    issues,
    texts,
  };
  provideForm(form);
  return {
    ...form,
    document,
    changed: computed(() => kept.value !== null),
    tried,
    serverIssues,
    /** The document to be stored, or null with its problems shown. */
    ready: (): T | null => {
      tried.value = true;
      return parsed.value.success && Object.keys(texts.value).length === 0 ? parsed.value.data : null;
    },
    issueCount: computed(() => Object.keys(found.value).length),
    /** Lays what was changed here over a newer stored document. */
    rebase: (before: Tree, now: Tree) => {
      if (kept.value) kept.value = { ...kept.value, document: carryOver(before, kept.value.document, now) };
    },
    drop: () => {
      kept.value = null;
      serverIssues.value = {};
      tried.value = false;
    },
  };
}

import { changedFields } from './changedFields';
import { valueAt, withValue, type Tree } from './documentPath';

/** A field that two people wrote differently, from the same beginning. */
export interface MergeConflict {
  /** A list is one field. */
  readonly path: string;
  readonly before: unknown;
  readonly mine: unknown;
  readonly theirs: unknown;
}

/** Two changes of one document put together. */
export interface Merged {
  /** Theirs with what only I changed over it; where both changed a field it stands as theirs. */
  readonly document: Tree;
  readonly conflicts: readonly MergeConflict[];
  /** What they changed and I did not, with what stood there. */
  readonly theirs: readonly { readonly path: string; readonly before: unknown; readonly now: unknown }[];
}

/** The longest part of a path that is no place within a list: lists are put together whole. */
export const wholePath = (path: string): string => path.split('[')[0]!;

const nothing = (v: unknown) => v ?? null;
const same = (a: unknown, b: unknown) => changedFields({ v: nothing(a) }, { v: nothing(b) }).length === 0;

/** What was added at the end of a list; null where anything else was changed in it, or it is no list. */
function addedTo(before: unknown, now: unknown): readonly unknown[] | null {
  const [old, list] = [before ?? [], now];
  if (!Array.isArray(old) || !Array.isArray(list) || list.length < old.length) return null;
  return old.every((v, i) => same(v, list[i])) ? list.slice(old.length) : null;
}

/** Two lists that both only added to the same one: theirs first, then mine, each once. */
function bothAdded(before: unknown, mine: unknown, theirs: unknown): unknown[] | null {
  const [own, other] = [addedTo(before, mine), addedTo(before, theirs)];
  if (!own || !other || !Array.isArray(theirs)) return null;
  return [...(theirs as unknown[]), ...own.filter((v) => !other.some((o) => same(o, v)))];
}

/**
 * Puts two changes of one document together, field by field: three-way, from the document that both began with.
 * Conflicts stand as theirs, which are stored already.
 * @example mergeDocuments({ a: 1, b: 1 }, { a: 2, b: 1 }, { a: 1, b: 3 }).document // { a: 2, b: 3 }
 */
export function mergeDocuments(before: Tree, mine: Tree, theirs: Tree): Merged {
  const changed = (now: Tree) => new Set(changedFields(before, now).map(wholePath));
  const [own, others] = [changed(mine), changed(theirs)];
  const conflicts: MergeConflict[] = [];
  let document = theirs;
  for (const path of own) {
    const at = (d: Tree) => nothing(valueAt(d, path));
    const [was, is, other] = [at(before), at(mine), at(theirs)];
    const value = others.has(path) && !same(is, other) ? bothAdded(was, is, other) : is;
    if (value === null && is !== null) conflicts.push({ path, before: was, mine: is, theirs: other });
    else if (is === null && others.has(path) && other !== null)
      conflicts.push({ path, before: was, mine: null, theirs: other });
    else document = withValue(document, path, value);
  }
  const only = [...others].filter((path) => !own.has(path));
  return {
    document,
    conflicts,
    theirs: only.map((path) => ({ path, before: nothing(valueAt(before, path)), now: nothing(valueAt(theirs, path)) })),
  };
}

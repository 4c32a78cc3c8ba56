import { changedFields, valueAt, withValue, type Tree } from '@warm-jar/core';

export { valueAt, withValue, type Tree } from '@warm-jar/core';

/** The longest part of a path that is no place within a list: lists are carried over whole. */
const wholePath = (path: string) => path.split('[')[0]!;

/**
 * What one person changed, laid over what another stored meanwhile: fields that differ between `before` and `mine` are
 * taken from `mine`, all others from `now`.
 */
export function carryOver(before: Tree, mine: Tree, now: Tree): Tree {
  const changed = new Set(changedFields(before, mine).map(wholePath));
  return [...changed].reduce((document, path) => withValue(document, path, valueAt(mine, path) ?? null), now);
}

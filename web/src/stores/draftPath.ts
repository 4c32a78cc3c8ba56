import { changedFields, valueAt, wholePath, withValue, type Tree } from '@warm-jar/core';

export { valueAt, withValue, type Tree } from '@warm-jar/core';

/**
 * What one person changed, laid over what another stored meanwhile: fields that differ between `before` and `mine` are
 * taken from `mine`, all others from `now`.
 */
export function carryOver(before: Tree, mine: Tree, now: Tree): Tree {
  const changed = new Set(changedFields(before, mine).map(wholePath));
  return [...changed].reduce((document, path) => withValue(document, path, valueAt(mine, path) ?? null), now);
}

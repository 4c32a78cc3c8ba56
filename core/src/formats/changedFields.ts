const isTree = (v: unknown): v is Record<string, unknown> | unknown[] => typeof v === 'object' && v !== null;

function leaves(value: unknown, path: string, into: Map<string, unknown>): void {
  if (!isTree(value)) {
    if (value !== undefined && value !== null) into.set(path, value);
    return;
  }
  for (const [key, child] of Object.entries(value)) {
    leaves(child, Array.isArray(value) ? `${path}[${key}]` : path ? `${path}.${key}` : key, into);
  }
}

/** Every value of a document by its dotted name; null and absent are left out: not recorded. */
export function leavesOf(document: unknown): ReadonlyMap<string, unknown> {
  const into = new Map<string, unknown>();
  leaves(document, '', into);
  return into;
}

/**
 * The dotted names of the fields in which two documents differ, in order. Null and absent are the same: not recorded.
 * @example changedFields({ mix: { amountA: 1 } }, { mix: { amountA: 2 } }) // ['mix.amountA']
 */
export function changedFields(before: unknown, after: unknown): string[] {
  const [old, now] = [leavesOf(before), leavesOf(after)];
  return [...new Set([...old.keys(), ...now.keys()])].filter((key) => old.get(key) !== now.get(key)).sort();
}

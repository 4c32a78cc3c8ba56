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

/**
 * The dotted names of the fields in which two documents differ, in order. Null and absent are the same: not recorded.
 * @example changedFields({ mix: { amountA: 1 } }, { mix: { amountA: 2 } }) // ['mix.amountA']
 */
export function changedFields(before: unknown, after: unknown): string[] {
  const [old, now] = [new Map<string, unknown>(), new Map<string, unknown>()];
  leaves(before, '', old);
  leaves(after, '', now);
  return [...new Set([...old.keys(), ...now.keys()])].filter((key) => old.get(key) !== now.get(key)).sort();
}

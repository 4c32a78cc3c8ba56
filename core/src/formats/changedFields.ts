import { leavesOf } from './documentPath';

/**
 * The dotted names of the fields in which two documents differ, in order. Null and absent are the same: not recorded.
 * @example changedFields({ mix: { amountA: 1 } }, { mix: { amountA: 2 } }) // ['mix.amountA']
 */
export function changedFields(before: unknown, after: unknown): string[] {
  const [old, now] = [leavesOf(before), leavesOf(after)];
  return [...new Set([...old.keys(), ...now.keys()])].filter((key) => old.get(key) !== now.get(key)).sort();
}

import { codeFault, type CodeAt } from '@warm-jar/core';
import { Problem } from '../http/problem';
import type { Database } from './database';

/** Refuses codes that are given for the first time and break the rule. @throws Problem 400 with each at its field */
export type CodeGuard = (named: readonly CodeAt[], before: readonly CodeAt[]) => Promise<void>;

/**
 * A code stored before the rule stays what it is: a document may go on naming it, as it did, or as the shelf or the log
 * has it.
 */
export function codeGuard({ models }: Pick<Database, 'models'>): CodeGuard {
  const tables = [models.batches, ...Object.values(models.shelf)] as readonly {
    count: (options: { where: { code: string } }) => Promise<number>;
  }[];
  const isStored = async (code: string): Promise<boolean> => {
    for (const table of tables) if ((await table.count({ where: { code } })) > 0) return true;
    return false;
  };
  return async (named, before) => {
    const known = new Set(before.map((c) => c.code));
    const issues = [];
    for (const { path, code } of named) {
      const fault = codeFault(code);
      if (fault === null || known.has(code) || (await isStored(code))) continue;
      issues.push({ path, message: fault });
    }
    if (issues.length > 0) throw new Problem(400, 'invalid-input', `${issues[0]!.path}: ${issues[0]!.message}`, issues);
  };
}

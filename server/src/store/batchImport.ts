import { CoreError, batchSchema, changedFields, issuesFromZod, type Batch, type ProblemIssue } from '@warm-jar/core';
import { Problem } from '../http/problem';
import type { BatchStore } from './batchStore';

/** What bringing in one row would do, or why it cannot. */
export interface BatchImportRow {
  readonly row: number;
  readonly code: string | null;
  readonly action: 'new' | 'same' | 'differs' | 'refused';
  readonly changed: string[];
  readonly issues: ProblemIssue[];
}

export interface BatchImportOptions {
  readonly apply: boolean;
  readonly skipRefused: boolean;
  readonly replaceOthers: boolean;
}
interface Looked {
  readonly told: BatchImportRow;
  readonly batch: Batch | null;
  readonly version: number | null;
}

const codeOf = (sent: unknown) => {
  const c = (sent as { code?: unknown } | null)?.code;
  return typeof c === 'string' ? c : null;
};

async function look(
  batches: BatchStore,
  row: number,
  sent: unknown,
  seen: Set<string>,
  taken: ReadonlySet<string>,
): Promise<Looked> {
  const told = (
    action: BatchImportRow['action'],
    issues: ProblemIssue[] = [],
    changed: string[] = [],
  ): BatchImportRow => ({ row, code: codeOf(sent), action, changed, issues });
  const parsed = batchSchema.safeParse(sent);
  if (!parsed.success) return { told: told('refused', issuesFromZod(parsed.error)), batch: null, version: null };
  const code = parsed.data.code ?? null;
  if (code !== null && seen.has(code))
    return {
      told: told('refused', [{ path: 'code', message: `${code} stands in the file twice. Keep one.` }]),
      batch: null,
      version: null,
    };
  if (code !== null) seen.add(code);
  if (code === null || !taken.has(code)) return { told: told('new'), batch: parsed.data, version: null };
  const known = await batches.get(code).catch((error: unknown) => {
    if (error instanceof Problem && error.status === 404) return null;
    throw error;
  });
  if (!known)
    return {
      told: told('refused', [
        { path: 'code', message: `${code} was deleted here, and its history is kept. Give this one another code.` },
      ]),
      batch: null,
      version: null,
    };
  const own = {
    ...parsed.data,
    product: { ...parsed.data.product, revision: parsed.data.product.revision ?? known.batch.product.revision },
  };
  const changed = changedFields(known.batch, own);
  return changed.length === 0
    ? { told: told('same'), batch: null, version: null }
    : { told: told('differs', [], changed), batch: parsed.data, version: known.version };
}

/** What a row was refused for. @throws what was no refusal */
function issuesOf(error: unknown): ProblemIssue[] {
  if (error instanceof CoreError) return [{ path: error.path, message: error.message }];
  if (!(error instanceof Problem)) throw error;
  return error.issues.length > 0 ? [...error.issues] : [{ path: '', message: error.message }];
}

/** Looks each new one over as it would be stored: its product known, its vessel within its rating. */
async function tryOut(batches: BatchStore, looked: Looked): Promise<Looked> {
  if (looked.batch === null) return looked;
  try {
    await batches.check(looked.batch);
    return looked;
  } catch (error) {
    return {
      told: { ...looked.told, action: 'refused', issues: issuesOf(error) },
      batch: null,
      version: null,
    };
  }
}

/**
 * Looks through rows to be brought in, and brings them in where asked to. What the log has already under the same
 * code is left as it is unless `replaceOthers`; then it is a new version of it.
 * @throws Problem 400 where rows are refused and `skipRefused` does not say to leave them out
 */
export async function importBatches(
  batches: BatchStore,
  rows: readonly unknown[],
  options: BatchImportOptions,
): Promise<{ rows: BatchImportRow[]; applied: number }> {
  const taken = await batches.taken(rows.flatMap((r) => codeOf(r) ?? []));
  const seen = new Set<string>();
  const looked: Looked[] = [];
  for (const [i, row] of rows.entries())
    looked.push(await tryOut(batches, await look(batches, i + 1, row, seen, taken)));
  const told = looked.map((l) => l.told);
  if (!options.apply) return { rows: told, applied: 0 };
  const refused = told.filter((t) => t.action === 'refused');
  if (refused.length > 0 && !options.skipRefused) {
    throw new Problem(
      400,
      'rows-refused',
      `${refused.length} of ${rows.length} rows cannot be taken; nothing was brought in. Mend them, or leave them out.`,
      refused.flatMap((t) => t.issues.map((i) => ({ path: `rows[${t.row - 1}].${i.path}`, message: i.message }))),
    );
  }
  const fresh = looked.flatMap((l) => (l.told.action === 'new' && l.batch ? [l.batch] : []));
  const coded = fresh.filter((b) => b.code != null);
  await batches.addAll(coded);
  for (const batch of fresh.filter((b) => b.code == null)) await batches.create(batch);
  const others = options.replaceOthers ? looked.filter((l) => l.told.action === 'differs') : [];
  for (const { batch, version } of others) await batches.replace(batch!.code!, version!, batch!);
  return { rows: told, applied: fresh.length + others.length };
}

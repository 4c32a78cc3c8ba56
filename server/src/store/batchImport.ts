import { batchSchema, changedFields, closedIfOld, issuesFromZod, type Batch, type ProblemIssue } from '@warm-jar/core';
import { Problem } from '../http/problem';
import { ifThere, issuesOf } from '../http/refusals';
import type { BatchStore } from './batchStore';
import type { ProductStore } from './productStore';

/** What bringing in one row would do, or why it cannot. */
export interface BatchImportRow {
  readonly row: number;
  readonly code: string | null;
  readonly action: 'new' | 'same' | 'differs' | 'refused';
  readonly changed: string[];
  /** It comes in as done: a record of before that says nothing else. */
  readonly closed: boolean;
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

/** What an import stands on. */
export interface BatchImportDeps {
  readonly batches: BatchStore;
  readonly products: Pick<ProductStore, 'get'>;
  readonly now: () => Date;
}

/** A new record as it comes in: an old one as done. */
async function asNew({ products, now }: BatchImportDeps, batch: Batch): Promise<Batch> {
  const { slug, revision } = batch.product;
  // An unknown card is told when the batch is tried out.
  const card = await ifThere(products.get(slug, revision));
  return closedIfOld(card, batch, now());
}

async function look(
  deps: BatchImportDeps,
  row: number,
  sent: unknown,
  seen: Set<string>,
  taken: ReadonlySet<string>,
): Promise<Looked> {
  const told = (
    action: BatchImportRow['action'],
    issues: ProblemIssue[] = [],
    changed: string[] = [],
    closed = false,
  ): BatchImportRow => ({ row, code: codeOf(sent), action, changed, closed, issues });
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
  if (code === null || !taken.has(code)) {
    const batch = await asNew(deps, parsed.data);
    return { told: told('new', [], [], batch.closed === true), batch, version: null };
  }
  const known = await ifThere(deps.batches.get(code));
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
    // A record that came in as done stays so when the same file is brought in again.
    closed: parsed.data.closed ?? known.batch.closed,
    product: { ...parsed.data.product, revision: parsed.data.product.revision ?? known.batch.product.revision },
  };
  const changed = changedFields(known.batch, own);
  return changed.length === 0
    ? { told: told('same'), batch: null, version: null }
    : { told: told('differs', [], changed), batch: { ...parsed.data, closed: own.closed }, version: known.version };
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
  deps: BatchImportDeps,
  rows: readonly unknown[],
  options: BatchImportOptions,
): Promise<{ rows: BatchImportRow[]; applied: number }> {
  const { batches } = deps;
  const taken = await batches.taken(rows.flatMap((r) => codeOf(r) ?? []));
  const seen = new Set<string>();
  const looked: Looked[] = [];
  for (const [i, row] of rows.entries()) looked.push(await tryOut(batches, await look(deps, i + 1, row, seen, taken)));
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
  await batches.addAll(fresh);
  const others = options.replaceOthers ? looked.filter((l) => l.told.action === 'differs') : [];
  for (const { batch, version } of others) await batches.replace(batch!.code!, version!, batch!);
  return { rows: told, applied: fresh.length + others.length };
}

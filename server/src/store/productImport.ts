import {
  changedFields,
  issuesFromZod,
  productSchema,
  ratioContradictions,
  type Product,
  type ProblemIssue,
} from '@warm-jar/core';
import { Problem } from '../http/problem';
import { ifThere } from '../http/refusals';
import type { ProductStore } from './productStore';

/** What bringing in one row would do, or why it cannot. */
export interface ImportRow {
  readonly row: number;
  readonly slug: string | null;
  readonly name: string | null;
  readonly action: 'new' | 'next-revision' | 'same' | 'refused';
  readonly revision: number | null;
  readonly changed: string[];
  readonly issues: ProblemIssue[];
}

const sameBut = (a: Product, b: Product) => changedFields({ ...a, revision: 0 }, { ...b, revision: 0 });

async function look(
  products: ProductStore,
  row: number,
  sent: unknown,
  seen: Set<string>,
): Promise<{ told: ImportRow; card: Product | null }> {
  const parsed = productSchema.safeParse({ revision: 1, ...(sent as object) });
  const told = (action: ImportRow['action'], more: Partial<ImportRow>): ImportRow => ({
    row,
    slug: null,
    name: null,
    action,
    revision: null,
    changed: [],
    issues: [],
    ...more,
  });
  const text = (key: string) => {
    const v = (sent as Record<string, unknown>)[key];
    return typeof v === 'string' ? v : null;
  };
  if (!parsed.success)
    return {
      told: told('refused', { slug: text('slug'), name: text('name'), issues: issuesFromZod(parsed.error) }),
      card: null,
    };
  const { slug, name } = parsed.data;
  if (seen.has(slug))
    return {
      told: told('refused', {
        slug,
        name,
        issues: [{ path: 'slug', message: `${slug} stands in the file twice. Keep one.` }],
      }),
      card: null,
    };
  seen.add(slug);
  const contradictions = ratioContradictions(parsed.data).map((c) => ({ path: c.field, message: c.says }));
  if (contradictions.length > 0) return { told: told('refused', { slug, name, issues: contradictions }), card: null };
  const current = await ifThere(products.get(slug));
  if (!current)
    return {
      told: told('new', { slug, name, revision: 1, changed: changedFields(null, parsed.data) }),
      card: { ...parsed.data, revision: 1 },
    };
  const changed = sameBut(current, parsed.data);
  if (changed.length === 0) return { told: told('same', { slug, name, revision: current.revision }), card: null };
  const revision = current.revision + 1;
  return { told: told('next-revision', { slug, name, revision, changed }), card: { ...parsed.data, revision } };
}

/**
 * Looks through rows to be brought in, and brings them in where asked to: all of them in one transaction, or none.
 * @throws Problem 400 where rows are refused and `skipRefused` does not say to leave them out
 */
export async function importProducts(
  products: ProductStore,
  rows: readonly unknown[],
  options: { apply: boolean; skipRefused: boolean },
): Promise<{ rows: ImportRow[]; applied: number }> {
  const seen = new Set<string>();
  const looked: Awaited<ReturnType<typeof look>>[] = [];
  for (const [i, row] of rows.entries()) looked.push(await look(products, i + 1, row, seen));
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
  const cards = looked.flatMap((l) => l.card ?? []);
  await products.addAll(cards);
  return { rows: told, applied: cards.length };
}

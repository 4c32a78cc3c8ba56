import {
  batchSchema,
  changedFields,
  closedIfOld,
  issuesFromZod,
  lotSchema,
  mouldSchema,
  productSchema,
  ratioContradictions,
  type Batch,
  type LotCard,
  type Mould,
  type ProblemIssue,
  type Product,
  type TableImport,
  type TableImportRow,
} from '@warm-jar/core';
import type { z } from 'zod';
import { Problem } from '../http/problem';
import { ifThere, issuesOf } from '../http/refusals';
import type { BatchStore } from './batchStore';
import type { ProductStore } from './productStore';
import type { Shelf } from './shelf';

/** A document that is to be written, of one of the kinds that tables hold. */
export type Importable = Batch | LotCard | Mould | Product;

/** What looking a document over found, and the document to be written where it is new. */
export interface LookedOver<T extends Importable = Importable> {
  readonly told: TableImportRow;
  readonly document: T | null;
}

export interface LookDeps {
  readonly batches: Pick<BatchStore, 'get' | 'check' | 'taken'>;
  readonly products: Pick<ProductStore, 'get'>;
  readonly shelf: Pick<Shelf, 'lots' | 'moulds'>;
  readonly now: () => Date;
}

/** How documents of one kind are looked over. */
interface Kind<T extends Importable> {
  readonly schema: z.ZodType<T>;
  /** The code by which it is known; null where it gets one. */
  readonly codeOf: (document: T) => string | null;
  /** What is stored under the same code. */
  readonly stored: (document: T) => Promise<object | null>;
  /** @throws Problem, CoreError where it could not be stored */
  readonly check: (document: T) => Promise<void>;
  /** The document as it would be stored. */
  readonly asStored?: (document: T) => Promise<T>;
}

function batchKind({ batches, products, now }: LookDeps): Kind<Batch> {
  return {
    schema: batchSchema,
    codeOf: (b) => b.code ?? null,
    stored: async (b) => (b.code == null ? null : ((await ifThere(batches.get(b.code)))?.batch ?? null)),
    check: async (b) => {
      const isDeleted = b.code != null && (await batches.taken([b.code])).has(b.code);
      if (isDeleted)
        throw new Problem(409, 'code-taken', `${b.code} was deleted here, and its history is kept. Use another code.`, [
          { path: 'code', message: `${b.code} was deleted here, and its history is kept. Use another code.` },
        ]);
      await batches.check(b);
    },
    asStored: async (b) => closedIfOld(await ifThere(products.get(b.product.slug, b.product.revision)), b, now()),
  };
}

const lotKind = ({ shelf }: LookDeps): Kind<LotCard> => ({
  schema: lotSchema,
  codeOf: (l) => l.code,
  stored: async (l) => (await ifThere(shelf.lots.get(l.code)))?.item ?? null,
  check: (l) => shelf.lots.requireFit(l),
});

const mouldKind = ({ shelf }: LookDeps): Kind<Mould> => ({
  schema: mouldSchema,
  codeOf: (m) => m.code,
  stored: async (m) => (await ifThere(shelf.moulds.get(m.code)))?.item ?? null,
  check: (m) => shelf.moulds.requireFit(m),
});

const productKind = ({ products }: LookDeps): Kind<Product> => ({
  schema: productSchema,
  codeOf: (p) => p.slug,
  stored: async (p) => ifThere(products.get(p.slug)),
  check: (p) => {
    const [found] = ratioContradictions(p);
    return found
      ? Promise.reject(new Problem(400, 'contradiction', found.says, [{ path: found.field, message: found.says }]))
      : Promise.resolve();
  },
});

/** A document without what is counted here: a revision that was not said is the newest. */
const uncounted = (document: object): object => {
  const { product } = document as { readonly product?: { readonly slug?: string } };
  return { ...document, revision: 0, ...(product ? { product: { slug: product.slug } } : {}) };
};

const sameDocument = (stored: object, sent: Importable) =>
  changedFields(uncounted(stored), uncounted(sent)).length === 0;

async function lookAt<T extends Importable>(
  kind: Kind<T>,
  sent: unknown,
  row: number,
  seen: Set<string>,
): Promise<LookedOver<T>> {
  const parsed = kind.schema.safeParse(sent);
  const refused = (code: string | null, issues: ProblemIssue[]): LookedOver<T> => ({
    told: { row, code, action: 'refused', closed: false, issues },
    document: null,
  });
  if (!parsed.success) return refused(null, issuesFromZod(parsed.error));
  const document = (await kind.asStored?.(parsed.data)) ?? parsed.data;
  const code = kind.codeOf(document);
  if (code !== null && seen.has(code))
    return refused(code, [{ path: 'code', message: `${code} stands in the table twice.` }]);
  if (code !== null) seen.add(code);
  const stored = await kind.stored(document);
  if (stored && sameDocument(stored, document))
    return { told: { row, code, action: 'same', closed: false, issues: [] }, document: null };
  if (stored)
    return refused(code, [{ path: 'code', message: `${code} is here already, and is different. It stays as it is.` }]);
  try {
    await kind.check(document);
  } catch (error) {
    return refused(code, issuesOf(error));
  }
  const closed = 'closed' in document && document.closed === true;
  return { told: { row, code, action: 'new', closed, issues: [] }, document };
}

/** Looks each document of a table over, as it would be stored. */
export async function lookOver(deps: LookDeps, { kind, documents }: TableImport): Promise<LookedOver[]> {
  const kinds = { batch: batchKind, lot: lotKind, mould: mouldKind, product: productKind } as const;
  const of = kinds[kind](deps) as Kind<Importable>;
  const seen = new Set<string>();
  const looked: LookedOver[] = [];
  for (const [at, document] of documents.entries()) looked.push(await lookAt(of, document, at + 1, seen));
  return looked;
}

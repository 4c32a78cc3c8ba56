import { storedProductSchema, type Product } from '@warm-jar/core';
import type { Transaction } from 'sequelize';
import { Problem, notFound } from '../http/problem';
import type { Database } from './database';
import type { RevisionRow } from './models';
import { readStored } from './readStored';

/** Product cards: each a chain of immutable revisions. */
export interface ProductStore {
  /** The newest revision of every card, by name. */
  readonly list: () => Promise<Product[]>;
  /** A card at a revision, the newest where none is named. @throws Problem 404 */
  readonly get: (slug: string, revision?: number | null) => Promise<Product>;
  readonly revisions: (slug: string) => Promise<Product[]>;
  /** Adds a new card, or the next revision of one. @throws Problem 409 where the revision is not the next one */
  readonly add: (card: Product) => Promise<Product>;
  /** The same for several, in one transaction: all or none. */
  readonly addAll: (cards: readonly Product[]) => Promise<void>;
  /** Forgets what was read of a card that was taken back with its import. */
  readonly forget: (slug: string) => void;
}

/** @throws Problem 409 where the revision is not the next one */
export async function addProductWithin(
  { models, now }: Database,
  card: Product,
  transaction: Transaction,
): Promise<void> {
  const createdAt = now().toISOString();
  const current = await models.products.findByPk(card.slug, { transaction });
  const next = current ? current.currentRevision + 1 : 1;
  if (current && card.revision !== next) {
    throw new Problem(
      409,
      'revision-conflict',
      `"${card.slug}" is at revision ${current.currentRevision}; the next one is ${next}.`,
      [{ path: 'revision', message: `Send revision ${next}, made from revision ${current.currentRevision}.` }],
    );
  }
  if (current) await current.update({ currentRevision: card.revision }, { transaction });
  else await models.products.create({ slug: card.slug, currentRevision: card.revision, createdAt }, { transaction });
  await models.revisions.create(
    {
      slug: card.slug,
      revision: card.revision,
      name: card.name,
      family: card.family,
      document: JSON.stringify(card),
      createdAt,
    },
    { transaction },
  );
}

export function productStore(database: Database): ProductStore {
  const { models, write } = database;
  // A revision never changes, so it is read once; what the core works out of
  // a card then holds for as long as the card does.
  const known = new Map<string, Product>();
  const parse = (row: RevisionRow): Product => {
    const key = `${row.slug} ${row.revision}`;
    const before = known.get(key);
    if (before) return before;
    const card = readStored(storedProductSchema, row.document);
    known.set(key, card);
    return card;
  };

  const get: ProductStore['get'] = async (slug, revision) => {
    const before = revision == null ? undefined : known.get(`${slug} ${revision}`);
    if (before) return before;
    const wanted = revision ?? (await models.products.findByPk(slug))?.currentRevision;
    const row = wanted == null ? null : await models.revisions.findOne({ where: { slug, revision: wanted } });
    if (!row) throw notFound(revision == null ? `Product "${slug}"` : `Product "${slug}" at revision ${revision}`);
    return parse(row);
  };

  return {
    get,
    list: async () => {
      const [current, rows] = await Promise.all([models.products.findAll(), models.revisions.findAll()]);
      const newest = new Map(current.map((p) => [p.slug, p.currentRevision]));
      return rows
        .filter((r) => newest.get(r.slug) === r.revision)
        .map(parse)
        .sort((a, b) => a.name.localeCompare(b.name));
    },
    revisions: async (slug) => {
      const rows = await models.revisions.findAll({ where: { slug }, order: [['revision', 'DESC']] });
      if (rows.length === 0) throw notFound(`Product "${slug}"`);
      return rows.map(parse);
    },
    add: async (card) => {
      await write((transaction) => addProductWithin(database, card, transaction));
      return card;
    },
    addAll: (cards) =>
      write(async (transaction) => {
        for (const card of cards) await addProductWithin(database, card, transaction);
      }),
    forget: (slug) => {
      for (const key of known.keys()) if (key.startsWith(`${slug} `)) known.delete(key);
    },
  };
}

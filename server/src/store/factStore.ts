import { batchFacts, batchSchema, packFacts, type Product } from '@warm-jar/core';
import { Op, QueryTypes } from 'sequelize';
import type { LogFeed } from '../work/logFeed';
import type { Database } from './database';
import { factFeed } from './factFeed';
import { partStore } from './partStore';
import type { ProductStore } from './productStore';
import { readStored } from './readStored';

/** Facts of every batch, for what is learned from all of them. */
export interface FactStore {
  /** What batches came, changed and went. */
  readonly feed: LogFeed;
  /** Moves on with every change of what is learned from: what was learned holds while it stands. */
  readonly version: () => Promise<string>;
  /** Works out what is missing for batches logged before there were facts; tells how many. */
  readonly fill: () => Promise<number>;
}

/** Batches filled in one transaction. */
const AT_ONCE = 500;

/** @param folder where parts of the log are kept as columns */
export function factStore(database: Database, products: ProductStore, folder: string): FactStore {
  const { models, sequelize, write } = database;
  async function fill(): Promise<number> {
    const cards = new Map<string, Product>();
    const cardOf = async (slug: string, revision: number) => {
      const key = `${slug} ${revision}`;
      if (!cards.has(key)) cards.set(key, await products.get(slug, revision));
      return cards.get(key)!;
    };
    let filled = 0;
    for (;;) {
      const rows = await models.batches.findAll({
        where: { facts: { [Op.is]: null } },
        attributes: ['code', 'productSlug', 'productRevision', 'document'],
        limit: AT_ONCE,
      });
      if (rows.length === 0) return filled;
      const made: { code: string; facts: string }[] = [];
      for (const row of rows) {
        const [batch, card] = [
          readStored(batchSchema, row.document),
          await cardOf(row.productSlug, row.productRevision),
        ];
        made.push({ code: row.code, facts: JSON.stringify(packFacts(batchFacts(card, batch))) });
      }
      await write(async (transaction) => {
        for (const { code, facts } of made) await models.batches.update({ facts }, { where: { code }, transaction });
      });
      filled += rows.length;
    }
  }
  return {
    fill,
    feed: factFeed(database, fill, partStore(database, folder)),
    version: async () => {
      const [row] = await sequelize.query<Record<'facts' | 'shelf' | 'cards', string | number | null>>(
        `SELECT (SELECT MAX(at) FROM fact_changes) AS facts,
          (SELECT group_concat(COALESCE(said, '')) FROM
            (SELECT COUNT(*) || ' ' || MAX(updated_at) AS said FROM lots UNION ALL SELECT COUNT(*) || ' ' || MAX(updated_at) FROM moulds)) AS shelf,
          (SELECT COUNT(*) FROM product_revisions) AS cards`,
        { type: QueryTypes.SELECT },
      );
      return JSON.stringify(row);
    },
  };
}

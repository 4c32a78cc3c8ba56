import { batchFacts, batchSchema, type Product, endOfDayIn, startOfDayIn } from '@warm-jar/core';
import { studioZone } from '../live/studioZone';
import { Op, QueryTypes } from 'sequelize';
import type { Database } from './database';
import type { ProductStore } from './productStore';
import { readStored } from './readStored';

/** Facts of every batch, for what is learned from all of them. */
export interface FactStore {
  /** One JSON document a line, of batches begun within the days where given. */
  readonly lines: (from?: string, to?: string) => Promise<string>;
  /** Moves on with every change of a batch: what was learned holds while it stands. */
  readonly version: () => Promise<string>;
  /** Works out what is missing for batches logged before there were facts; tells how many. */
  readonly fill: () => Promise<number>;
}

/** Batches filled in one transaction. */
const AT_ONCE = 500;

export function factStore({ models, sequelize, write }: Database, products: ProductStore): FactStore {
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
        made.push({ code: row.code, facts: JSON.stringify(batchFacts(card, batch)) });
      }
      await write(async (transaction) => {
        for (const { code, facts } of made) await models.batches.update({ facts }, { where: { code }, transaction });
      });
      filled += rows.length;
    }
  }
  return {
    fill,
    lines: async (from, to) => {
      await fill();
      const where = [...(from ? ['started_at >= ?'] : []), ...(to ? ['started_at < ?'] : [])];
      const rows = await sequelize.query<{ facts: string }>(
        `SELECT facts FROM batches${where.length > 0 ? ` WHERE ${where.join(' AND ')}` : ''} ORDER BY started_at, code`,
        {
          type: QueryTypes.SELECT,
          replacements: [
            ...(from ? [startOfDayIn(from, studioZone())] : []),
            ...(to ? [endOfDayIn(to, studioZone())] : []),
          ],
        },
      );
      return rows.map((r) => r.facts).join('\n');
    },
    version: async () => {
      const [row] = await sequelize.query<{ history: number | null; lots: string | null; cards: number }>(
        'SELECT (SELECT MAX(id) FROM batch_history) AS history, (SELECT MAX(updated_at) FROM lots) AS lots, (SELECT COUNT(*) FROM product_revisions) AS cards',
        { type: QueryTypes.SELECT },
      );
      return `${row?.history ?? 0}-${row?.lots ?? ''}-${row?.cards ?? 0}`;
    },
  };
}

import { dueCheckSchema, type DueCheck } from '@warm-jar/core';
import { Op } from 'sequelize';
import type { Database } from './database';

/** More looks than this at once are a list nobody walks. */
const MAX_DUE = 500;

/** Looks that are due. */
export interface CheckStore {
  /** Due between two moments, soonest first. */
  readonly due: (from: Date, until: Date) => Promise<DueCheck[]>;
}

export function checkStore({ models }: Database): CheckStore {
  return {
    due: async (from, until) => {
      const rows = await models.batches.findAll({
        where: { nextCheckAt: { [Op.between]: [from.toISOString(), until.toISOString()] } },
        order: [
          ['nextCheckAt', 'ASC'],
          ['code', 'ASC'],
        ],
        limit: MAX_DUE,
        attributes: ['code', 'productSlug', 'productRevision', 'mould', 'by', 'grade', 'nextCheckAt', 'nextCheckWhy'],
      });
      const cards = await models.revisions.findAll({ attributes: ['slug', 'revision', 'name'] });
      const names = new Map(cards.map((c) => [`${c.slug} ${c.revision}`, c.name]));
      return rows.flatMap((r) => {
        const told = dueCheckSchema.safeParse({
          code: r.code,
          productSlug: r.productSlug,
          productName: names.get(`${r.productSlug} ${r.productRevision}`) ?? r.productSlug,
          mould: r.mould,
          by: r.by,
          grade: r.grade,
          at: r.nextCheckAt,
          why: r.nextCheckWhy ?? '',
        });
        // A row that was put back with columns of another hand is still in the log.
        return told.success ? [told.data] : [];
      });
    },
  };
}

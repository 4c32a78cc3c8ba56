import { savedFilterSchema, type SavedFilter } from '@warm-jar/core';
import { notFound } from '../http/problem';
import type { Database } from './database';

/** Filters of the log under a name, shared by every screen of the studio. */
export interface FilterStore {
  readonly list: () => Promise<SavedFilter[]>;
  readonly save: (filter: SavedFilter) => Promise<SavedFilter>;
  /** @throws Problem 404 */
  readonly remove: (name: string) => Promise<void>;
}

export function filterStore({ models, write, now }: Database): FilterStore {
  return {
    list: async () =>
      (await models.filters.findAll({ order: [['name', 'ASC']] })).map((r) => ({
        name: r.name,
        query: savedFilterSchema.shape.query.catch({}).parse(JSON.parse(r.query)),
      })),
    save: async (filter) => {
      await write(async (transaction) => {
        await models.filters.upsert(
          { name: filter.name, query: JSON.stringify(filter.query), createdAt: now().toISOString() },
          { transaction },
        );
      });
      return filter;
    },
    remove: async (name) => {
      const gone = await write((transaction) => models.filters.destroy({ where: { name }, transaction }));
      if (gone === 0) throw notFound(`Filter ${name}`);
    },
  };
}

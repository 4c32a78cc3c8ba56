import { fitToKeep, takeKeptFit } from '@warm-jar/core';
import { QueryTypes } from 'sequelize';
import type { Database } from './database';
import type { ProductStore } from './productStore';

/** What the core fitted to the studio's cards, kept over a restart. */
export interface FitStore {
  /** Takes what was kept of the studio's cards, where it still meets them. */
  readonly take: () => Promise<void>;
  /** Keeps what is fitted to the studio's cards as they are, and nothing else. */
  readonly keep: () => Promise<void>;
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

export function fitStore({ sequelize, write }: Database, products: Pick<ProductStore, 'list'>): FitStore {
  const kept = async () =>
    new Map(
      (
        await sequelize.query<{ key: string; fit: string }>('SELECT key, fit FROM card_fits', {
          type: QueryTypes.SELECT,
        })
      ).map(({ key, fit }) => [key, parsed(fit)] as const),
    );
  return {
    take: async () => {
      const known = await kept();
      if (known.size > 0) for (const card of await products.list()) takeKeptFit(card, known);
    },
    keep: async () => {
      const [before, now] = [await kept(), new Map((await products.list()).map(fitToKeep))];
      const fresh = [...now].filter(([key]) => !before.has(key));
      const gone = [...before.keys()].filter((key) => !now.has(key));
      if (fresh.length + gone.length === 0) return;
      await write(async (transaction) => {
        for (const key of gone)
          await sequelize.query('DELETE FROM card_fits WHERE key = ?', { replacements: [key], transaction });
        for (const [key, fit] of fresh)
          await sequelize.query('INSERT OR IGNORE INTO card_fits (key, fit) VALUES (?, ?)', {
            replacements: [key, JSON.stringify(fit)],
            transaction,
          });
      });
    },
  };
}

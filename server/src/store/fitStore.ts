import { calibrate, knownFits } from '@warm-jar/core';
import { QueryTypes } from 'sequelize';
import type { Database } from './database';
import type { ProductStore } from './productStore';

/** What the core fitted to the studio's cards, kept over a restart. */
export interface FitStore {
  /** Takes what was kept. */
  readonly take: () => Promise<void>;
  /** Keeps what is known of the studio's cards by now, those not asked for yet among them. */
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
  const rows = () =>
    sequelize.query<{ key: string; fit: string }>('SELECT key, fit FROM card_fits', { type: QueryTypes.SELECT });
  return {
    take: async () => {
      knownFits.take((await rows()).map(({ key, fit }) => [key, parsed(fit)] as const));
    },
    keep: async () => {
      for (const card of await products.list()) calibrate(card);
      const kept = new Set((await rows()).map((r) => r.key));
      const fresh = knownFits.entries().filter(([key]) => !kept.has(key));
      if (fresh.length === 0) return;
      await write(async (transaction) => {
        for (const [key, fit] of fresh)
          await sequelize.query('INSERT OR IGNORE INTO card_fits (key, fit) VALUES (?, ?)', {
            replacements: [key, JSON.stringify(fit)],
            transaction,
          });
      });
    },
  };
}

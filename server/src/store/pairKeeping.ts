import { castingsOf, pairFromLooks, type InclusionCard } from '@warm-jar/core';
import { Problem } from '../http/problem';
import type { BatchStore, Stored } from './batchStore';
import type { ShelfStore } from './shelfStore';

/**
 * A batch store that lets a look that went badly become the outcome of its pair: what was cast in, and the product. The
 * batch is stored first; a card that somebody changes meanwhile gets its outcome with the next look.
 */
export function pairKeeping(
  store: BatchStore,
  inclusions: ShelfStore<InclusionCard>,
  log: (error: unknown) => void,
): BatchStore {
  async function keepPairs({ batch }: Stored): Promise<void> {
    const castIn = [batch, ...castingsOf(batch)].some((k) => (k.inclusions ?? []).length > 0);
    if (!castIn || !(batch.checks ?? []).length) return;
    for (const { item, version } of await inclusions.list()) {
      const pair = pairFromLooks(batch, item);
      if (!pair) continue;
      try {
        await inclusions.replace(item.code, version, { ...item, pairs: [...(item.pairs ?? []), pair] });
      } catch (error) {
        if (!(error instanceof Problem)) throw error;
      }
    }
  }
  const kept = async (stored: Promise<Stored>): Promise<Stored> => {
    const done = await stored;
    // The batch is stored whatever becomes of the pair.
    await keepPairs(done).catch(log);
    return done;
  };
  return {
    ...store,
    create: (batch) => kept(store.create(batch)),
    replace: (code, version, batch) => kept(store.replace(code, version, batch)),
    enter: (code, entry) => kept(store.enter(code, entry)),
  };
}

import type { BatchStore, Stored } from '../store/batchStore';
import type { ChangeBus } from './changeBus';

/** A batch store that tells of each change once it is stored. */
export function announcing(store: BatchStore, bus: ChangeBus): BatchStore {
  const told = async (stored: Promise<Stored>): Promise<Stored> => {
    const done = await stored;
    bus.publish({ code: done.batch.code ?? '', version: done.version });
    return done;
  };
  return {
    ...store,
    create: (batch) => told(store.create(batch)),
    replace: (code, version, batch) => told(store.replace(code, version, batch)),
    enter: (code, entry) => told(store.enter(code, entry)),
    remove: async (code, version) => {
      await store.remove(code, version);
      bus.publish({ code, version: null });
    },
  };
}

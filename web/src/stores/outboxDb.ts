import { entrySchema, type Entry } from '@warm-jar/core';
import { openDB, type IDBPDatabase } from 'idb';
import { z } from 'zod';

/** An entry on its way to the server, in the order it was made. */
export interface Waiting {
  readonly seq: number;
  readonly code: string;
  readonly entry: Entry;
  readonly problem: string | null;
}

const row = z.object({ seq: z.number(), code: z.string(), entry: entrySchema, problem: z.string().nullable() });
const STORE = 'entries';

/** Entries kept in the browser until the server has them. */
export interface OutboxDb {
  readonly all: () => Promise<Waiting[]>;
  readonly add: (code: string, entry: Entry) => Promise<Waiting>;
  readonly put: (waiting: Waiting) => Promise<void>;
  readonly remove: (seq: number) => Promise<void>;
}

/** @param name of the browser's database */
export async function openOutboxDb(name = 'warm-jar'): Promise<OutboxDb> {
  const db: IDBPDatabase = await openDB(name, 1, {
    upgrade: (fresh) => {
      fresh.createObjectStore(STORE, { keyPath: 'seq', autoIncrement: true });
    },
  });
  return {
    all: async () =>
      (await db.getAll(STORE)).flatMap((r: unknown) => {
        const parsed = row.safeParse(r);
        return parsed.success ? [parsed.data] : [];
      }),
    add: async (code, entry) => {
      const seq = (await db.add(STORE, { code, entry, problem: null })) as number;
      return { seq, code, entry, problem: null };
    },
    put: async (waiting) => {
      await db.put(STORE, waiting);
    },
    remove: (seq) => db.delete(STORE, seq),
  };
}

/** The same without the browser's database, where it is forbidden: entries then live as long as the page. */
export function memoryOutboxDb(): OutboxDb {
  let [rows, seq] = [[] as Waiting[], 0];
  return {
    all: () => Promise.resolve([...rows]),
    add: (code, entry) => {
      const made = { seq: ++seq, code, entry, problem: null };
      rows = [...rows, made];
      return Promise.resolve(made);
    },
    put: (waiting) => {
      rows = rows.map((r) => (r.seq === waiting.seq ? waiting : r));
      return Promise.resolve();
    },
    remove: (of) => {
      rows = rows.filter((r) => r.seq !== of);
      return Promise.resolve();
    },
  };
}

import { entrySchema, type Entry } from '@warm-jar/core';
import { z } from 'zod';
import { ENTRIES, openStudioDb } from './studioDb';

/** An entry on its way to the server, in the order it was made. */
export interface Waiting {
  readonly seq: number;
  readonly code: string;
  readonly entry: Entry;
  readonly problem: string | null;
}

const row = z.object({ seq: z.number(), code: z.string(), entry: entrySchema, problem: z.string().nullable() });

/** Entries kept in the browser until the server has them. */
export interface OutboxDb {
  readonly all: () => Promise<Waiting[]>;
  readonly add: (code: string, entry: Entry) => Promise<Waiting>;
  readonly put: (waiting: Waiting) => Promise<void>;
  readonly remove: (seq: number) => Promise<void>;
}

/** @param name of the browser's database; this studio's where it is not given */
export async function openOutboxDb(name?: string): Promise<OutboxDb> {
  const db = await openStudioDb(name);
  return {
    all: async () =>
      (await db.getAll(ENTRIES)).flatMap((r: unknown) => {
        const parsed = row.safeParse(r);
        return parsed.success ? [parsed.data] : [];
      }),
    add: async (code, entry) => {
      const seq = (await db.add(ENTRIES, { code, entry, problem: null })) as number;
      return { seq, code, entry, problem: null };
    },
    put: async (waiting) => {
      await db.put(ENTRIES, waiting);
    },
    remove: (seq) => db.delete(ENTRIES, seq),
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

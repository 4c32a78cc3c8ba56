import type { Versioned } from '../api/client';
import { ApiProblem } from '../api/http';
import type { OutboxDb, Waiting } from './outboxDb';

export interface SendDeps {
  readonly db: OutboxDb;
  readonly send: (waiting: Waiting) => Promise<Versioned>;
  readonly onStored: (code: string, stored: Versioned) => void;
  readonly onQueue: (queue: readonly Waiting[]) => void;
  readonly onAway: (away: boolean) => void;
}

/** Whether the server may take the same entry later: it is away, stumbled, or asks that somebody signs in first. */
const isAway = (error: unknown): boolean =>
  error instanceof ApiProblem &&
  (error.status === 0 || error.status >= 500 || error.status === 429 || error.status === 401);

/** What the server says of an entry that it does not take. */
const refusalWords = ({ message, issues }: ApiProblem) => [message, ...issues.map((i) => i.message)].join(' ');

/** The entries that wait, in their order; each change is told. */
function waitingLine(onQueue: SendDeps['onQueue']) {
  let queue: Waiting[] = [];
  const set = (next: Waiting[]) => {
    queue = next;
    onQueue([...queue]);
  };
  return {
    set,
    add: (made: Waiting) => {
      set([...queue, made]);
    },
    find: (seq: number) => queue.find((w) => w.seq === seq),
    remove: (seq: number) => {
      set(queue.filter((w) => w.seq !== seq));
    },
    replace: (changed: Waiting) => {
      set(queue.map((w) => (w.seq === changed.seq ? changed : w)));
    },
    /** The first that may go: one that was refused stops the later ones of its batch. */
    next: () => {
      const stopped = new Set(queue.filter((w) => w.problem !== null).map((w) => w.code));
      return queue.find((w) => !stopped.has(w.code));
    },
  };
}

/** Runs a piece of work again and again until it says that there is no more; a second call waits for the first. */
function pumpOf(next: () => Promise<boolean>): () => Promise<void> {
  let [busy, last] = [false, Promise.resolve()];
  async function all(): Promise<void> {
    try {
      while (await next());
    } finally {
      // At once with the last look at the queue, so that nothing added meanwhile is missed.
      busy = false;
    }
  }
  return () => {
    if (!busy) {
      busy = true;
      last = all();
    }
    return last;
  };
}

/**
 * Sends entries one after another in the order they were made. An entry that the server refuses stops the later ones of
 * its batch, so that they never land on ground that is not there; other batches go on.
 */
export function sendInOrder({ db, send, onStored, onQueue, onAway }: SendDeps) {
  const line = waitingLine(onQueue);

  /** @returns whether to go on: false where nothing is left to send, or the server is away */
  async function sendNext(): Promise<boolean> {
    const next = line.next();
    if (!next) return false;
    try {
      const stored = await send(next);
      await db.remove(next.seq);
      line.remove(next.seq);
      onAway(false);
      onStored(next.code, stored);
    } catch (error) {
      onAway(isAway(error));
      if (isAway(error)) return false;
      if (!(error instanceof ApiProblem)) throw error;
      const refused = { ...next, problem: refusalWords(error) };
      await db.put(refused);
      line.replace(refused);
    }
    return true;
  }
  const pump = pumpOf(sendNext);

  return {
    load: async () => {
      line.set(await db.all());
      await pump();
    },
    add: async (code: string, entry: Waiting['entry']) => {
      line.add(await db.add(code, entry));
      void pump();
    },
    /** Puts a refused entry over what stands there, or lets it go. */
    settle: async (seq: number, how: 'over' | 'drop') => {
      const found = line.find(seq);
      if (!found) return;
      if (how === 'drop') {
        await db.remove(seq);
        line.remove(seq);
      } else {
        // It was not taken under its first key, so that key is free still.
        const again = { ...found, problem: null, entry: { ...found.entry, over: true } };
        await db.put(again);
        line.replace(again);
      }
      await pump();
    },
    pump,
  };
}

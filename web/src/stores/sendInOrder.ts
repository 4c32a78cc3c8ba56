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

/**
 * Sends entries one after another in the order they were made. An entry that the server refuses stops the later ones of
 * its batch, so that they never land on ground that is not there; other batches go on.
 */
export function sendInOrder(deps: SendDeps) {
  let queue: Waiting[] = [];
  let [busy, last] = [false, Promise.resolve()];
  const publishQueue = () => {
    deps.onQueue([...queue]);
  };

  /** Sends until nothing is left that can be sent; a second call waits for the first. */
  function pump(): Promise<void> {
    if (!busy) {
      busy = true;
      last = sendAll();
    }
    return last;
  }

  async function sendAll(): Promise<void> {
    try {
      while (await sendNext());
    } finally {
      // At once with the last look at the queue, so that nothing added meanwhile is missed.
      busy = false;
    }
  }

  /** @returns whether to go on: false where nothing is left to send, or the server is away */
  async function sendNext(): Promise<boolean> {
    const stopped = new Set(queue.filter((w) => w.problem !== null).map((w) => w.code));
    const next = queue.find((w) => !stopped.has(w.code));
    if (!next) return false;
    try {
      const stored = await deps.send(next);
      await deps.db.remove(next.seq);
      queue = queue.filter((w) => w.seq !== next.seq);
      deps.onAway(false);
      deps.onStored(next.code, stored);
    } catch (error) {
      deps.onAway(isAway(error));
      if (isAway(error)) return false;
      if (!(error instanceof ApiProblem)) throw error;
      const refused = {
        ...next,
        problem:
          error.issues.length > 0 ? `${error.message} ${error.issues.map((i) => i.message).join(' ')}` : error.message,
      };
      await deps.db.put(refused);
      queue = queue.map((w) => (w.seq === next.seq ? refused : w));
    }
    publishQueue();
    return true;
  }

  return {
    load: async () => {
      queue = await deps.db.all();
      publishQueue();
      await pump();
    },
    add: async (code: string, entry: Waiting['entry']) => {
      const made = await deps.db.add(code, entry);
      queue = [...queue, made];
      publishQueue();
      void pump();
    },
    /** Puts a refused entry over what stands there, or lets it go. */
    settle: async (seq: number, how: 'over' | 'drop') => {
      const found = queue.find((w) => w.seq === seq);
      if (!found) return;
      if (how === 'drop') {
        await deps.db.remove(seq);
        queue = queue.filter((w) => w.seq !== seq);
      } else {
        // It was not taken under its first key, so that key is free still.
        const again = { ...found, problem: null, entry: { ...found.entry, over: true } };
        await deps.db.put(again);
        queue = queue.map((w) => (w.seq === seq ? again : w));
      }
      publishQueue();
      await pump();
    },
    pump,
  };
}

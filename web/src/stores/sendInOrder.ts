import type { Versioned } from '../api/client';
import { studioId } from '../api/studioId';
import { ApiProblem } from '../api/http';
import type { OutboxDb, Waiting } from './outboxDb';

export interface SendDeps {
  readonly db: OutboxDb;
  readonly send: (waiting: Waiting) => Promise<Versioned>;
  readonly onStored: (code: string, stored: Versioned) => void;
  readonly onQueue: (queue: readonly Waiting[]) => void;
  readonly onAway: (away: boolean) => void;
}

/** Whether nothing can be sent now: the server is away or busy, asks that somebody signs in first, or is another studio's. */
const isAway = (error: ApiProblem): boolean =>
  [0, 401, 429, 502, 503, 504].includes(error.status) || error.code === 'other-studio';

/** Whether the server stumbled over this one: it may take it later, and takes others meanwhile. */
const isStumble = (error: ApiProblem): boolean => error.status >= 500;

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
    /** The first that may go: what was refused is set aside, and a batch that the server stumbled over waits. */
    next: (stumbled: ReadonlySet<string>) => queue.find((w) => w.problem === null && !stumbled.has(w.code)),
  };
}

/** Runs a piece of work; called again meanwhile, it runs once more when it is through. */
function pumpOf(work: () => Promise<unknown>): () => Promise<void> {
  let again = false;
  let running: Promise<void> | null = null;
  async function all(): Promise<void> {
    try {
      do {
        again = false;
        await work();
      } while (again);
    } finally {
      // At once with the last look, so that nothing added meanwhile is missed.
      running = null;
    }
  }
  return () => {
    if (running) again = true;
    return (running ??= all());
  };
}

/** Lets only one page of this browser send at a time, where the browser can tell them apart. */
const alone = (work: () => Promise<void>): Promise<void> => {
  const locks = (globalThis.navigator as { readonly locks?: LockManager } | undefined)?.locks;
  return locks ? locks.request(`warm-jar-send@${studioId()}`, work) : work();
};

/** Puts a refused entry over what stands there, or lets it go. */
async function settled(
  db: OutboxDb,
  line: ReturnType<typeof waitingLine>,
  seq: number,
  how: 'over' | 'drop',
): Promise<void> {
  const found = line.find(seq);
  if (!found) return;
  if (how === 'drop') {
    await db.remove(seq);
    line.remove(seq);
    return;
  }
  // It was not taken under its first key, so that key is free still.
  const again = { ...found, problem: null, entry: { ...found.entry, over: true } };
  await db.put(again);
  line.replace(again);
}

/**
 * Sends entries one after another in the order they were made. One that the server refuses is set aside with its reason
 * and holds up nothing; one that the server stumbles over keeps the later ones of its batch waiting, and is tried again.
 */
export function sendInOrder({ db, send, onStored, onQueue, onAway }: SendDeps) {
  const line = waitingLine(onQueue);
  let stumbled = new Set<string>();

  async function afterFailure(waiting: Waiting, error: unknown): Promise<boolean> {
    if (!(error instanceof ApiProblem)) throw error;
    onAway(isAway(error));
    if (isAway(error)) return false;
    if (isStumble(error)) {
      stumbled.add(waiting.code);
      return true;
    }
    const refused = { ...waiting, problem: refusalWords(error) };
    await db.put(refused);
    line.replace(refused);
    return true;
  }

  /** @returns whether to go on: false where nothing is left to send, or the server is away */
  async function sendNext(): Promise<boolean> {
    const next = line.next(stumbled);
    if (!next) return false;
    try {
      const stored = await send(next);
      await db.remove(next.seq);
      line.remove(next.seq);
      onAway(false);
      onStored(next.code, stored);
      return true;
    } catch (error) {
      return afterFailure(next, error);
    }
  }
  const pumpOnce = pumpOf(async () => {
    stumbled = new Set();
    // Another page of this browser may have sent, or added, some of it.
    line.set(await db.all());
    await alone(async () => {
      while (await sendNext());
    });
  });

  return {
    load: async () => {
      line.set(await db.all());
      await pumpOnce();
    },
    /** Looks again at what is kept: another page of this browser changed it. */
    look: async () => {
      line.set(await db.all());
    },
    add: async (code: string, entry: Waiting['entry']) => {
      line.add(await db.add(code, entry));
      void pumpOnce();
    },
    settle: async (seq: number, how: 'over' | 'drop') => {
      await settled(db, line, seq, how);
      await pumpOnce();
    },
    pump: pumpOnce,
  };
}

/** A batch that was stored, changed or removed; without a code where many were at once. */
export interface Change {
  readonly code: string;
  readonly version: number | null;
}

/** A change with the name by which a screen says that it was told of it. */
export interface NumberedChange extends Change {
  readonly id: string;
}

/** What a screen may be told: a change of a batch, that the clock was moved, or that the whole studio was replaced by a copy. */
export type Told =
  | { readonly what: 'batch'; readonly change: NumberedChange }
  | { readonly what: 'clock' }
  | { readonly what: 'replaced' };

/** Tells every screen that listens what changed, and one that comes late what it missed. */
export interface ChangeBus {
  readonly publish: (change: Change) => void;
  /** The studio's clock was moved on. */
  readonly publishClock: () => void;
  /** The studio was replaced: nothing that a screen shows need be true any more. */
  readonly publishReplaced: () => void;
  readonly subscribe: (listener: (told: Told) => void) => () => void;
  /** Names the last change: what a screen that heard all so far was told of. */
  readonly latest: () => string;
  /** What changed after a change that a screen was told of, each batch once; that anything may have, where that is not known any more. */
  readonly after: (id: string) => readonly NumberedChange[];
  /** What changed within so many milliseconds; that anything may have, where so long ago is not known any more. */
  readonly within: (ms: number) => readonly NumberedChange[];
}

/** How long changes are kept for screens that come late, ms, and how many at most. */
const [KEPT_MS, MOST_KEPT] = [600_000, 2_000];
/** Batches that a screen is told of one by one; it asks for each. Of more it is told that any may have changed. */
const MOST_TOLD = 30;

interface Kept {
  readonly number: number;
  readonly atMs: number;
  readonly change: NumberedChange;
}

/** The last change of each batch, in their order. */
function lastOfEach(all: readonly Kept[]): NumberedChange[] {
  const last = new Map<string, NumberedChange>();
  for (const { change } of all) {
    last.delete(change.code);
    last.set(change.code, change);
  }
  return [...last.values()];
}

/** @param now the machine's own clock, ms: how long a screen was away has nothing to do with the studio's */
export function changeBus(now: () => number = () => performance.now()): ChangeBus {
  const listeners = new Set<(told: Told) => void>();
  const all = (told: Told) => {
    for (const listener of listeners) listener(told);
  };
  /** Another each time the server is started: what a screen was told by an earlier one is not known here. */
  const run = Math.random().toString(36).slice(2, 10);
  const begunMs = now();
  let count = 0;
  let kept: Kept[] = [];
  /** The last change that is not known any more. */
  let forgotten = { number: 0, atMs: begunMs };
  const latest = () => `${run}-${count}`;
  const anything = (): NumberedChange[] => [{ code: '', version: null, id: latest() }];

  const missed = (isMissed: (change: Kept) => boolean): readonly NumberedChange[] => {
    const last = lastOfEach(kept.filter(isMissed));
    return last.length > MOST_TOLD ? anything() : last;
  };

  return {
    publish: (change) => {
      count += 1;
      const numbered = { ...change, id: latest() };
      const atMs = now();
      kept.push({ number: count, atMs, change: numbered });
      const from = Math.max(
        kept.length - MOST_KEPT,
        kept.findIndex((k) => atMs - k.atMs < KEPT_MS),
      );
      if (from > 0) {
        forgotten = kept[from - 1]!;
        kept = kept.slice(from);
      }
      all({ what: 'batch', change: numbered });
    },
    publishClock: () => {
      all({ what: 'clock' });
    },
    publishReplaced: () => {
      all({ what: 'replaced' });
    },
    subscribe: (listener) => {
      listeners.add(listener);
      return () => {
        listeners.delete(listener);
      };
    },
    latest,
    after: (id) => {
      const [of, number] = id.split('-');
      const told = Number(number);
      if (of !== run || !(told >= forgotten.number)) return anything();
      return missed((k) => k.number > told);
    },
    within: (ms) => {
      const fromMs = now() - ms;
      return fromMs > forgotten.atMs ? missed((k) => k.atMs >= fromMs) : anything();
    },
  };
}

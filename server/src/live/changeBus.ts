/** A batch that was stored, changed or removed. */
export interface Change {
  readonly code: string;
  readonly version: number | null;
}

/** What a screen may be told: a change of a batch, that the clock was moved, or that the whole studio was replaced by a copy. */
export type Told =
  { readonly what: 'batch'; readonly change: Change } | { readonly what: 'clock' } | { readonly what: 'replaced' };

/** Tells every screen that listens what changed. */
export interface ChangeBus {
  readonly publish: (change: Change) => void;
  /** The studio's clock was moved on. */
  readonly publishClock: () => void;
  /** The studio was replaced: nothing that a screen shows need be true any more. */
  readonly publishReplaced: () => void;
  readonly subscribe: (listener: (told: Told) => void) => () => void;
}

export function changeBus(): ChangeBus {
  const listeners = new Set<(told: Told) => void>();
  const all = (told: Told) => {
    for (const listener of listeners) listener(told);
  };
  return {
    publish: (change) => {
      all({ what: 'batch', change });
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
  };
}

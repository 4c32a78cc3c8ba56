/** A batch that was stored, changed or removed. */
export interface Change {
  readonly code: string;
  readonly version: number | null;
}

/** Tells every screen that listens what changed. */
export interface ChangeBus {
  readonly tell: (change: Change) => void;
  readonly hear: (listener: (change: Change) => void) => () => void;
}

export function changeBus(): ChangeBus {
  const listeners = new Set<(change: Change) => void>();
  return {
    tell: (change) => {
      for (const listener of listeners) listener(change);
    },
    hear: (listener) => {
      listeners.add(listener);
      return () => {
        listeners.delete(listener);
      };
    },
  };
}

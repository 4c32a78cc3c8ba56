/** How a store reads what many parts of a page stand on. */
export interface SharedRead {
  /** Reads it anew: a reading that was begun before something was written would not know of it. */
  readonly load: () => Promise<void>;
  /** Reads it where it is not there; who asks meanwhile waits for the same answer. */
  readonly ready: () => Promise<void>;
}

/**
 * @param read asks the server and keeps what it says; it tells what went wrong by itself and does not throw
 * @param isThere whether the last answer is at hand
 */
export function sharedRead(read: () => Promise<void>, isThere: () => boolean): SharedRead {
  let reading: Promise<void> | null = null;
  function load(): Promise<void> {
    const mine = read().finally(() => {
      if (reading === mine) reading = null;
    });
    reading = mine;
    return mine;
  }
  return { load, ready: async () => (isThere() ? undefined : (reading ?? load())) };
}

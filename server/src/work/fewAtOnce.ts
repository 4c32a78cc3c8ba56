import { Problem } from '../http/problem';

/** Runs pieces of work a few at a time, the rest in the order they came. */
export interface FewAtOnce {
  /** @throws Problem 429 where too many wait already; the signal's reason where nobody waits for it any more */
  readonly run: <T>(work: () => Promise<T>, signal?: AbortSignal) => Promise<T>;
}

/**
 * @param most pieces of work at the same time
 * @param maxWaiting pieces that may wait for their turn
 */
export function fewAtOnce(most: number, maxWaiting: number): FewAtOnce {
  const queue: (() => void)[] = [];
  let running = 0;
  const next = () => {
    running -= 1;
    queue.shift()?.();
  };
  const turn = (signal?: AbortSignal) =>
    new Promise<void>((begin, fail) => {
      const go = () => {
        signal?.removeEventListener('abort', leave);
        running += 1;
        begin();
      };
      const leave = () => {
        queue.splice(queue.indexOf(go), 1);
        fail(new DOMException('Nobody waits any more.', 'AbortError'));
      };
      if (running < most) {
        go();
        return;
      }
      if (queue.length >= maxWaiting) {
        fail(new Problem(429, 'too-busy', 'Too much is being worked out at once. Try again in a moment.'));
        return;
      }
      signal?.addEventListener('abort', leave, { once: true });
      queue.push(go);
    });
  return {
    run: async (work, signal) => {
      signal?.throwIfAborted();
      await turn(signal);
      try {
        return await work();
      } finally {
        next();
      }
    },
  };
}

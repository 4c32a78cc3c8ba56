/** What newer browsers have, so that long work can let others have a turn. */
interface Turns {
  readonly yield?: () => Promise<void>;
}

/** Whether this browser knows how to let others go first without sending the work to the end of the queue. */
export const canBreathe = (): boolean =>
  typeof (globalThis as { readonly scheduler?: Turns }).scheduler?.yield === 'function';

/**
 * Where a page that nobody sees is let wait a second by each timer, it goes on at once: no tap waits there.
 */
const byTimer = (): Promise<void> =>
  globalThis.document?.visibilityState === 'hidden'
    ? Promise.resolve()
    : new Promise((go) => {
        setTimeout(go);
      });

/** Lets the browser answer a tap or draw before the work goes on. */
export const breathe = (): Promise<void> =>
  (globalThis as { readonly scheduler?: Turns }).scheduler?.yield?.() ?? byTimer();

/** Lets others go first where a browser can do that without sending the work to the end of the queue, and else goes on. */
export const letOthersFirst = (): Promise<void> => (canBreathe() ? breathe() : Promise.resolve());

/** Work of many small pieces lets others go first when so much of it was done in a row, ms: a fifth of a frame. */
const MOST_IN_A_ROW_MS = 3;

/** For work of many small pieces: asked after each, it lets the browser go first where the pieces took long together. */
export function pauses(): () => Promise<void> {
  let begun = performance.now();
  return async () => {
    if (performance.now() - begun < MOST_IN_A_ROW_MS) return;
    await letOthersFirst();
    begun = performance.now();
  };
}

/** What newer browsers have, so that long work can let others have a turn. */
interface Turns {
  readonly yield?: () => Promise<void>;
}

/** Whether this browser knows how to let others go first without sending the work to the end of the queue. */
export const canBreathe = (): boolean =>
  typeof (globalThis as { readonly scheduler?: Turns }).scheduler?.yield === 'function';

/** Lets the browser answer a tap or draw before the work goes on. */
export const breathe = (): Promise<void> =>
  (globalThis as { readonly scheduler?: Turns }).scheduler?.yield?.() ??
  new Promise((go) => {
    setTimeout(go);
  });

const BYTES = 16;

/**
 * A key that nothing else has. Browsers make one by themselves on secure addresses only; elsewhere it is drawn here.
 */
export const newKey = (): string =>
  typeof crypto.randomUUID === 'function'
    ? crypto.randomUUID()
    : Array.from(crypto.getRandomValues(new Uint8Array(BYTES)), (b) => b.toString(16).padStart(2, '0')).join('');

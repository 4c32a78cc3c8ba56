/** What a camera opens: the code stands behind the #, which no server and no log ever sees. */
export const pairingAddress = (origin: string, code: string): string => `${origin.replace(/\/+$/, '')}/pair#${code}`;

/** A code in two halves, to be read off a screen. */
export const spaced = (code: string): string =>
  `${code.slice(0, Math.ceil(code.length / 2))} ${code.slice(Math.ceil(code.length / 2))}`;

/** How long something is still good. */
export function leftWords(ms: number): string {
  const seconds = Math.max(0, Math.ceil(ms / 1000));
  if (seconds === 0) return 'over now';
  const [min, s] = [Math.floor(seconds / 60), seconds % 60];
  return `for another ${min}:${String(s).padStart(2, '0')}`;
}

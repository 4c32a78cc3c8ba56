import { problemHelp } from '@warm-jar/core';

/** Messages that are remembered with their codes; more than ever stand on a screen. */
const MOST = 50;
const codes = new Map<string, string>();

/** Remembers which error a message was of, so that wherever it is shown it leads to what it means. */
export function rememberCode(message: string, code: string): void {
  codes.delete(message);
  codes.set(message, code);
  if (codes.size > MOST) codes.delete(codes.keys().next().value ?? '');
}

/** The help that explains a message; null where it says all itself. */
export function helpOfMessage(message: string): string | null {
  const code = codes.get(message);
  return code !== undefined && problemHelp(code) ? `error-${code}` : null;
}

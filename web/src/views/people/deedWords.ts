import type { Deed } from '@warm-jar/core';

/** What is said of a thing in its address: its code, which is the last part that is one. */
const NO_CODES = new Set(['import', 'secret', 'entries', 'renew', 'use', 'schedule', 'restore']);

/** A deed in words: what, and to which thing. */
export function deedWords({ what, place }: Pick<Deed, 'what' | 'place'>): string {
  const [, ...parts] = place.split('/');
  const code = parts.length > 1 ? parts.slice(1).find((part) => !NO_CODES.has(part)) : undefined;
  const words = what.split(/[;:,]/)[0]!;
  // A signed-in device or a token is a row of figures that says nothing.
  return code === undefined || /^[0-9a-f]{64}$/.test(code) ? words : `${words}: ${decodeURIComponent(code)}`;
}

import { pairingCode, tokenId } from './secrets';

/** How long a code on the screen may be used, ms. */
export const PAIRING_MS = 5 * 60_000;
/** Codes that wait at once; the oldest goes first. */
const MOST = 50;

interface Waiting {
  readonly person: string;
  readonly label: string;
  readonly untilMs: number;
}

/** Codes that are shown on a screen to sign another device in: each once, for five minutes. Kept in memory alone. */
export interface Pairings {
  readonly make: (person: string, label: string) => { readonly code: string; readonly until: Date };
  /** Uses a code up: who it signs in; null where it is none, spent, or too old. */
  readonly use: (code: string) => { readonly person: string; readonly label: string } | null;
}

export function pairings(now: () => Date): Pairings {
  const waiting = new Map<string, Waiting>();
  const clear = () => {
    for (const [id, w] of waiting) if (w.untilMs <= now().getTime()) waiting.delete(id);
    while (waiting.size >= MOST) waiting.delete(waiting.keys().next().value!);
  };
  return {
    make: (person, label) => {
      clear();
      const [code, until] = [pairingCode(), new Date(now().getTime() + PAIRING_MS)];
      waiting.set(tokenId(code), { person, label, untilMs: until.getTime() });
      return { code, until };
    },
    use: (code) => {
      // As it is typed off a screen: small letters, spaces and strokes do not matter.
      const id = tokenId(code.toUpperCase().replaceAll(/[\s-]/g, ''));
      const found = waiting.get(id);
      waiting.delete(id);
      return found && found.untilMs > now().getTime() ? { person: found.person, label: found.label } : null;
    },
  };
}

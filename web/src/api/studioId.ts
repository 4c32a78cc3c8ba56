import { BASE } from './base';

/** Where the browser keeps which studio it last knew at this address. */
const LAST = `warm-jar.studio${BASE}`;
/** While neither the server nor the browser has said. */
const UNKNOWN = 'unknown';

let page: string | null = null;

/** What the browser keeps, where it keeps anything. */
function last(): string | null {
  try {
    return globalThis.localStorage.getItem(LAST);
  } catch {
    return null;
  }
}

/** The studio that this page is of: as the server said, else the one this browser knew last. */
export const studioId = (): string => page ?? last() ?? UNKNOWN;

/** Takes what the server says. @returns false where this page was opened in another studio: it must be loaded anew */
export function sayStudio(id: string): boolean {
  page ??= id;
  if (page !== id) return false;
  try {
    globalThis.localStorage.setItem(LAST, id);
  } catch {
    // A browser that keeps nothing is told again by the server, at every load.
  }
  return true;
}

/** The browser's own name for something that is kept for this studio alone. */
export const ofStudio = (name: string): string => `${name}@${studioId()}`;

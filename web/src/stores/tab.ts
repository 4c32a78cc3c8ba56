/** Where a tab keeps its own name, over a reload. */
const OWN = 'warm-jar.tab';
/** Where the browser cannot tell its tabs apart, they share what is typed, as one. */
const SHARED = 'one';
const lockOf = (id: string) => `warm-jar-tab-${id}`;

let id: string | null = null;

const fresh = () => Math.random().toString(36).slice(2, 10);
const locks = (): LockManager | null =>
  (globalThis.navigator as { readonly locks?: LockManager } | undefined)?.locks ?? null;

/** This tab's name, for what is typed in it. */
export const tabId = (): string => (id ??= SHARED);

/** The key of something that each tab keeps for itself. */
export const ofTab = (name: string): string => `${name}#${tabId()}`;

/** Holds a name while this page lives. @returns false where another page holds it: a tab that was duplicated, say */
const hold = (manager: LockManager, name: string): Promise<boolean> =>
  new Promise((answer) => {
    void manager.request(lockOf(name), { ifAvailable: true }, (lock) => {
      answer(lock !== null);
      // Held until the page goes.
      return lock === null ? undefined : new Promise<never>(() => undefined);
    });
  });

/** A key that a tab kept something under: `warm-jar.check.B-0007#a1b2@studio`. */
const KEPT = /^(?<name>warm-jar\.[^#]+)#(?<tab>[a-z0-9]+)@(?<studio>.+)$/;

const isRecord = (v: unknown): v is Record<string, unknown> => typeof v === 'object' && v !== null && !Array.isArray(v);
const read = (text: string | null): unknown => {
  try {
    return text === null ? null : (JSON.parse(text) as unknown);
  } catch {
    return null;
  }
};

/** Drafts by their batch, of two tabs: each batch's own, the newest where both have one. */
function bothDrafts(mine: unknown, theirs: unknown): unknown {
  if (!isRecord(mine) || !isRecord(theirs)) return mine ?? theirs;
  const savedAt = (draft: unknown) => (isRecord(draft) ? String(draft['savedAt'] ?? '') : '');
  return Object.entries(theirs).reduce<Record<string, unknown>>(
    (all, [code, draft]) => (code in all && savedAt(all[code]) >= savedAt(draft) ? all : { ...all, [code]: draft }),
    mine,
  );
}

/**
 * Takes over what tabs left behind that are no longer open: a battery that died loses nothing. What this tab has of the
 * same name stays its own.
 * @param alive names of the tabs that are open
 */
export function adoptOrphans(alive: ReadonlySet<string>, storage: Storage = window.localStorage): void {
  for (const key of Object.keys(storage)) {
    const { name, tab, studio } = KEPT.exec(key)?.groups ?? {};
    if (!name || !tab || !studio || tab === tabId() || alive.has(tab)) continue;
    const own = `${name}#${tabId()}@${studio}`;
    const [mine, theirs] = [storage.getItem(own), storage.getItem(key)];
    if (theirs === null) continue;
    if (name === 'warm-jar.drafts') storage.setItem(own, JSON.stringify(bothDrafts(read(mine), read(theirs))));
    else if (mine === null) storage.setItem(own, theirs);
    else continue;
    storage.removeItem(key);
  }
}

/** Names this tab before anything is read, and takes over what closed ones left. */
export async function claimTab(): Promise<void> {
  const manager = locks();
  if (!manager) return;
  try {
    const known = window.sessionStorage.getItem(OWN);
    id = known !== null && (await hold(manager, known)) ? known : fresh();
    if (id !== known) await hold(manager, id);
    window.sessionStorage.setItem(OWN, id);
    const held = (await manager.query()).held ?? [];
    adoptOrphans(
      new Set(held.flatMap(({ name }) => (name?.startsWith(lockOf('')) ? [name.slice(lockOf('').length)] : []))),
    );
  } catch {
    // A browser that keeps nothing has one tab's worth of memory.
    id = SHARED;
  }
}

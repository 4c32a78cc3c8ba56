import { byText } from '@warm-jar/core';

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

/**
 * A key that a tab kept something under: `warm-jar.check.B-0007#a1b2@studio`; without a tab where it was kept before
 * tabs had names.
 */
const KEPT =
  /^(?<name>warm-jar\.(?:drafts|plan|sheet|table|check\.[^#@]+|form\.[^#@]+))(?:#(?<tab>[a-z0-9]+))?@(?<studio>.+)$/;

const isRecord = (v: unknown): v is Record<string, unknown> => typeof v === 'object' && v !== null && !Array.isArray(v);
const read = (text: string | null): unknown => {
  try {
    return text === null ? null : (JSON.parse(text) as unknown);
  } catch {
    return null;
  }
};

/** Drafts by their batch; how new one is. */
type Drafts = Readonly<Record<string, unknown>>;
const savedAt = (draft: unknown) => (isRecord(draft) ? String(draft['savedAt'] ?? '') : '');
const omit = (drafts: Drafts, codes: ReadonlySet<string>): Drafts =>
  Object.fromEntries(Object.entries(drafts).filter(([code]) => !codes.has(code)));

/** Keeps a record, or takes its key away where nothing is in it. */
function keep(storage: Storage, key: string, drafts: Drafts): void {
  if (Object.keys(drafts).length === 0) storage.removeItem(key);
  else storage.setItem(key, JSON.stringify(drafts));
}

/** Takes over the drafts of closed tabs that this one has none of; of two for one batch the newer. */
function adoptDrafts(storage: Storage, own: string, orphans: readonly string[]): void {
  const asDrafts = (key: string): Drafts => {
    const kept = read(storage.getItem(key));
    return isRecord(kept) ? kept : {};
  };
  const mine = asDrafts(own);
  const offered = orphans
    .flatMap((key) => Object.entries(asDrafts(key)).map(([code, draft]) => ({ key, code, draft })))
    .filter(({ code }) => !(code in mine))
    .sort((x, y) => byText(savedAt(y.draft), savedAt(x.draft)));
  const taken = offered.filter(({ code }, i) => offered.findIndex((o) => o.code === code) === i);
  if (taken.length === 0) return;
  storage.setItem(
    own,
    JSON.stringify({ ...mine, ...Object.fromEntries(taken.map(({ code, draft }) => [code, draft])) }),
  );
  for (const key of orphans)
    keep(storage, key, omit(asDrafts(key), new Set(taken.filter((t) => t.key === key).map((t) => t.code))));
}

/**
 * Takes over what tabs left behind that are no longer open: a battery that died loses nothing. What this tab has of the
 * same name stays its own, and theirs waits for a tab that has none.
 * @param alive names of the tabs that are open
 */
export function adoptOrphans(alive: ReadonlySet<string>, storage: Storage = window.localStorage): void {
  const drafts = new Map<string, string[]>();
  for (const key of Object.keys(storage)) {
    const { name, tab, studio } = KEPT.exec(key)?.groups ?? {};
    if (!name || !studio || tab === tabId() || (tab && alive.has(tab))) continue;
    const own = `${name}#${tabId()}@${studio}`;
    const theirs = storage.getItem(key);
    if (name === 'warm-jar.drafts') drafts.set(own, [...(drafts.get(own) ?? []), key]);
    else if (storage.getItem(own) === null && theirs !== null) {
      storage.setItem(own, theirs);
      storage.removeItem(key);
    }
  }
  for (const [own, orphans] of drafts) adoptDrafts(storage, own, orphans);
}

/** A page that is loaded again may come before the one it follows has let its name go: tries, and between two, ms. */
const [TRIES, BETWEEN_MS] = [4, 80];
const pause = () =>
  new Promise((done) => {
    window.setTimeout(done, BETWEEN_MS);
  });

async function holdOwn(manager: LockManager, name: string): Promise<boolean> {
  for (let tries = 1; tries < TRIES; tries += 1) {
    if (await hold(manager, name)) return true;
    await pause();
  }
  return hold(manager, name);
}

/** Names this tab before anything is read, and takes over what closed ones left. */
export async function claimTab(): Promise<void> {
  const manager = locks();
  if (!manager) {
    adoptOrphans(new Set());
    return;
  }
  try {
    const known = window.sessionStorage.getItem(OWN);
    id = known !== null && (await holdOwn(manager, known)) ? known : fresh();
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

import {
  SALTMARSH_CARDS,
  saltmarshAdditives,
  saltmarshGear,
  saltmarshInclusions,
  saltmarshLots,
  saltmarshMoulds,
  soundBatch,
  type Batch,
} from '@warm-jar/core';
import { pretendServer, type Answered, type Answers, type Asked } from './mounted';

/** The moment that the pretended studio's shelf was filled. */
export const SHELF_DAY = new Date('2026-03-14T09:00:00Z');

const shelved = <T>(items: readonly T[], more: object = {}) => items.map((item) => ({ item, version: 1, ...more }));

/** What the pretended studio's shelf answers, whole. */
export const shelfAnswer = () => ({
  lots: shelved(saltmarshLots(SHELF_DAY), { usedG: 0, leftG: 3000, batches: 0 }),
  moulds: shelved(saltmarshMoulds(), { pulls: 4, masses: [] }),
  inclusions: shelved(saltmarshInclusions(SHELF_DAY)),
  additives: shelved(saltmarshAdditives()),
  gear: shelved(saltmarshGear(SHELF_DAY)),
});

/** A shelf that nothing stands on. */
export const EMPTY_SHELF = { lots: [], moulds: [], inclusions: [], additives: [], gear: [] };

const LISTS: Readonly<Record<string, () => unknown>> = {
  '/products': () => ({ items: SALTMARSH_CARDS }),
  '/shelf': shelfAnswer,
  '/devices': () => ({ items: [] }),
  '/session': () => ({
    mode: 'local',
    person: null,
    role: 'lead',
    verified: false,
    secure: true,
    trust: null,
    studio: 'saltmarsh',
    clock: { now: new Date().toISOString(), speed: 1 },
    people: [],
  }),
};

/** A sound batch of the studio under a code of its own. */
export const storedBatch = (code: string, record: Record<string, unknown> = {}, slug = 'house-clear-6'): Batch =>
  soundBatch(slug, { ...record, code });

/** A server with the demo studio's cards and shelf, some batches, and whatever else it is told to answer. */
export function pretendStudio(batches: readonly Batch[] = [], more: Answers = () => undefined): readonly Asked[] {
  return pretendServer((asked): Answered | undefined => {
    const own = more(asked);
    if (own) return own;
    if (asked.method !== 'GET') return undefined;
    const found = batches.find((b) => asked.path === `/batches/${b.code}`);
    if (found) return { body: found, version: 3 };
    const list = LISTS[asked.path];
    return list ? { body: list() } : undefined;
  });
}

/** What was sent by a method to a path. */
export const sentTo = (asked: readonly Asked[], method: string, path: string): unknown[] =>
  asked.filter((a) => a.method === method && a.path === path).map((a) => a.body);

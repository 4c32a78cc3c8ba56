import { z } from 'zod';

/** Where the browser keeps how the studio's clock stood to its own, for a page that opens while the server is away. */
const LAST = 'warm-jar.clock';
const keptSchema = z.object({ baseMs: z.number(), toldAtMs: z.number(), pace: z.number() });

/** The clock as it was last told: by the wall, for it outlives the page. */
function lastTold(): z.infer<typeof keptSchema> | null {
  try {
    return keptSchema.parse(JSON.parse(globalThis.localStorage.getItem(LAST) ?? ''));
  } catch {
    return null;
  }
}

const kept = lastTold();
/**
 * The studio's clock as this page knows it: as it was last told here, else the machine's own, until the server tells
 * its moment and its pace. It is plain, no store, so that words and forms can date things by it.
 */
let [baseMs, toldAt, pace] = kept
  ? [kept.baseMs + (Date.now() - kept.toldAtMs) * kept.pace, performance.now(), kept.pace]
  : [Date.now(), performance.now(), 1];

/**
 * Takes the server's clock over.
 * @param now the studio's moment, ISO
 * @param speed studio seconds in one of the wall's
 */
export function setStudioTime({ now, speed }: { now: string; speed: number }): void {
  [baseMs, toldAt, pace] = [Date.parse(now), performance.now(), speed];
  try {
    globalThis.localStorage.setItem(LAST, JSON.stringify({ baseMs, toldAtMs: Date.now(), pace }));
  } catch {
    // A browser that keeps nothing goes by its own clock until the server is heard.
  }
}

/** The studio's moment, ms since 1970. */
export const studioMs = (): number => baseMs + (performance.now() - toldAt) * pace;

export const studioNow = (): Date => new Date(studioMs());

/** How many studio seconds go by in one of the wall's. */
export const studioPace = (): number => pace;

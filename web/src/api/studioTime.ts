/**
 * The studio's clock as this page knows it: the machine's own until the server told its moment and its pace.
 * It is plain, no store, so that words and forms can date things by it.
 */
let [baseMs, toldAt, pace] = [Date.now(), performance.now(), 1];

/**
 * Takes the server's clock over.
 * @param now the studio's moment, ISO
 * @param speed studio seconds in one of the wall's
 */
export function setStudioTime({ now, speed }: { now: string; speed: number }): void {
  [baseMs, toldAt, pace] = [Date.parse(now), performance.now(), speed];
}

/** The studio's moment, ms since 1970. */
export const studioMs = (): number => baseMs + (performance.now() - toldAt) * pace;

export const studioNow = (): Date => new Date(studioMs());

/** How many studio seconds go by in one of the wall's. */
export const studioPace = (): number => pace;

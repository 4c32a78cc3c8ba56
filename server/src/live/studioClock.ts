/** The studio's clock. It runs with the wall's, or faster where a run is tried out. */
export interface StudioClock {
  readonly now: () => Date;
  readonly speed: number;
}

/** @param speed how many studio seconds go by in one of the wall's, 1 or more */
export function studioClock(speed: number, wall: () => number = Date.now): StudioClock {
  const began = wall();
  return { speed, now: () => new Date(began + (wall() - began) * speed) };
}

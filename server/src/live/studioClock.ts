/** The studio's clock. It runs with the wall's, or otherwise where a run is tried out. */
export interface StudioClock {
  readonly now: () => Date;
  /** How many of its seconds go by in one of the wall's; 0 where it stands. */
  readonly speed: number;
  /** Moves it on by seconds; absent where it follows the wall. */
  readonly advance?: (seconds: number) => void;
}

/** The clock as screens are told it. */
export const clockMoment = ({ now, speed }: StudioClock) => ({ now: now().toISOString(), speed });

/**
 * A clock that starts with the wall, or, to show the demo of a day and for tests, at a moment of its own; one that was
 * set so can be moved on.
 * @param speed how many studio seconds go by in one of the wall's, 0 or more
 * @param from the moment that it starts at; the wall's where it is not given
 */
export function studioClock(speed: number, wall: () => number = Date.now, from?: Date): StudioClock {
  const began = wall();
  let fromMs = from?.getTime() ?? began;
  const now = () => new Date(fromMs + (wall() - began) * speed);
  if (!from) return { speed, now };
  return {
    speed,
    now,
    advance: (seconds) => {
      fromMs += seconds * 1000;
    },
  };
}

/** How long a mould is turned over one axis before the other, min. */
const EACH_MIN = 0.25;

/** Which way to turn now, which turn it is, and for how long still. */
export interface Turn {
  readonly axis: 'end over end' | 'sideways';
  /** Counted from 0: each one is called once. */
  readonly number: number;
  readonly leftMin: number;
}

export function turnNow(sinceMin: number): Turn {
  const since = Math.max(0, sinceMin);
  const turn = Math.floor(since / EACH_MIN);
  return {
    axis: turn % 2 === 0 ? 'end over end' : 'sideways',
    number: turn,
    leftMin: EACH_MIN - (since - turn * EACH_MIN),
  };
}

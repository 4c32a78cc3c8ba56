/** How long a mould is turned over one axis before the other, min. */
const EACH_MIN = 0.25;

/** Which way to turn now, and for how long still. */
export function turnNow(sinceMin: number): { readonly axis: 'end over end' | 'sideways'; readonly leftMin: number } {
  const since = Math.max(0, sinceMin);
  const turn = Math.floor(since / EACH_MIN);
  return { axis: turn % 2 === 0 ? 'end over end' : 'sideways', leftMin: EACH_MIN - (since - turn * EACH_MIN) };
}

/** When something to come back for is to be done: `now`, `in 40 min`, `in 3 h`. */
export function soonWords(atMs: number, nowMs: number): string {
  const m = (atMs - nowMs) / 60_000;
  return m < 0 ? 'now' : `in ${m < 100 ? `${Math.round(m)} min` : `${Math.round(m / 60)} h`}`;
}

/** When a look was or is due, in a few words: `in 5 h`, `2 days ago`. */
export function lookWords(atMs: number, nowMs: number): string {
  const h = (nowMs - atMs) / 3_600_000;
  const size = Math.abs(h) < 36 ? `${Math.max(1, Math.round(Math.abs(h)))} h` : `${Math.round(Math.abs(h) / 24)} days`;
  return h > 0 ? `${size} ago` : `in ${size}`;
}

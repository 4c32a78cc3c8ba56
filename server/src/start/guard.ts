/** Failures that nobody foresaw within this time, ms, and how many of them end the process for whoever restarts it. */
const [WITHIN_MS, MOST] = [60_000, 20];

/**
 * Keeps one job that fails from ending the server: what nobody handled is told and passed over. Every write is a
 * transaction of its own, so nothing is left half done. A server that fails again and again ends, to be started anew.
 * @param end ends the process
 */
export function guard(
  log: (error: unknown) => void,
  end: () => void,
  now: () => number = Date.now,
): (error: unknown) => void {
  let times: number[] = [];
  return (error) => {
    log(error);
    times = [...times.filter((at) => now() - at < WITHIN_MS), now()];
    if (times.length >= MOST) end();
  };
}

/** Median time of one call, ms, over enough calls to be told from the clock's own step. */
export function median(work: () => void, calls = 40): number {
  work();
  const times = Array.from({ length: calls }, () => {
    const t = performance.now();
    work();
    return performance.now() - t;
  });
  return times.sort((a, b) => a - b)[Math.floor(calls / 2)]!;
}

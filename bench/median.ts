/** Median time of one call, ms, over enough calls to be told from the clock's own step. */
export function median(work: (call: number) => void, calls = 40): number {
  work(0);
  const times = Array.from({ length: calls }, (_, i) => {
    const t = performance.now();
    work(i + 1);
    return performance.now() - t;
  });
  return times.sort((a, b) => a - b)[Math.floor(calls / 2)]!;
}

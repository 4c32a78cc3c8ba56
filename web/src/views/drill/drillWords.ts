import type { DrillProgress } from '@warm-jar/core';
import type { ChartSpec } from '../../components/chartOption';

/** A score as it is told: whole, with a real minus; a dash before the first. */
export function scored(score: number | null): string {
  if (score === null) return '–';
  const whole = Math.round(score);
  return whole < 0 ? `−${Math.abs(whole)}` : String(whole);
}

/** Drills that say whether somebody is ready. */
const ENOUGH = 5;

/** Whether somebody is ready for a level or a family, in words. */
export function readyWords({ ready, times }: { readonly ready: boolean | null; readonly times: number }): string {
  if (ready === null) return `${ENOUGH - times} more to say`;
  return ready ? 'ready' : 'not yet';
}

const COUNTED = ['never', 'once', 'twice'] as const;
/** `never`, `once`, `7 times`. */
export const timesWords = (times: number): string => COUNTED[times] ?? `${times} times`;

const percent = (share: number) => Math.round(share * 1000) / 10;

/** Sureness against how often it came true, with how far that could be off by chance alone. */
export function surenessSpec(steps: DrillProgress['calibration']): ChartSpec {
  const said = steps.flatMap((s) =>
    s.times > 0 && s.meanShare !== null ? [{ ...s, sure: percent(s.meanShare) }] : [],
  );
  const line = (name: string, of: (s: (typeof said)[number]) => number) => ({
    name,
    points: said.map((s) => [s.sure, percent(of(s))] as const),
    dots: true,
  });
  return {
    title: 'How sure, and how often right',
    x: 'sure, %',
    y: 'right, %',
    fromZero: true,
    lines: [
      line('you', (s) => s.right / s.times),
      {
        name: 'as sure as right',
        points: [
          [0, 0],
          [100, 100],
        ],
      },
      line('at least', (s) => s.low),
      line('at most', (s) => s.high),
    ],
  };
}

/** As many drills as a score is the mean of, so that one lucky cast makes no curve. */
const MEAN_OF = 5;

/** Scores over time, each the mean of the latest few, and the ledger's on the same casts. */
export function scoreSpec(runs: DrillProgress['runs']): ChartSpec {
  const mean = (at: number, of: (r: DrillProgress['runs'][number]) => number) => {
    const latest = runs.slice(Math.max(0, at + 1 - MEAN_OF), at + 1);
    return Math.round((10 * latest.reduce((sum, r) => sum + of(r), 0)) / latest.length) / 10;
  };
  const line = (name: string, of: (r: DrillProgress['runs'][number]) => number) => ({
    name,
    points: runs.map((_, i) => [i + 1, mean(i, of)] as const),
  });
  return {
    title: `Score, the mean of the latest ${MEAN_OF}`,
    x: 'drill',
    y: 'score',
    lines: [line('you', (r) => r.score), line('the ledger', (r) => r.ledger)],
  };
}

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

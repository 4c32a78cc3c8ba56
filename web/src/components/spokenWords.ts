/** Marks of a running clock that are worth a word, minutes, from long to short. */
const MARKS_MIN = [240, 120, 60, 45, 30, 20, 15, 10, 5, 4, 3, 2, 1] as const;

const spokenMinutes = (minutes: number) => {
  if (minutes >= 120) return `${minutes / 60} hours`;
  return minutes === 1 ? '1 minute' : `${minutes} minutes`;
};

/**
 * A running clock in words that change only at marks, so that a screen reader says what matters and not every second.
 * @param minutes what is left; below nought it is past
 * @example spokenLeft(4.2) // 'under 5 minutes'
 */
export function spokenLeft(minutes: number): string {
  if (minutes < 0) return 'past';
  const mark = [...MARKS_MIN].reverse().find((m) => minutes < m);
  if (mark === undefined) return `over ${spokenMinutes(MARKS_MIN[0])}`;
  return mark === 1 && minutes < 0.5 ? 'under 30 seconds' : `under ${spokenMinutes(mark)}`;
}

const CLOCK = /^[−-]?(?:(\d+):)?(\d+):(\d\d)$/;

/** The big number in words: a clock by its marks, any other figure as it stands. */
export function spokenNumber(label: string, value: string): string {
  const [all, h = '0', m = '0', s = '0'] = CLOCK.exec(value) ?? [];
  if (all === undefined) return `${label} ${value}`;
  const minutes = Number(h) * 60 + Number(m) + Number(s) / 60;
  return `${label}: ${spokenLeft(/^[−-]/.test(value) ? -minutes : minutes)}`;
}

/** `micro-throughout` as people say it. */
export const inWords = (id: string): string => id.replaceAll('-', ' ');

/** A symptom with its pattern, the pattern left out where nobody told it. */
export const symptomWords = (s: { kind: string; pattern: string }): string =>
  s.pattern === 'unspecified' ? inWords(s.kind) : `${inWords(s.kind)}, ${inWords(s.pattern)}`;

/** The same words within a sentence: `Room damp` becomes `room damp`, `Lot A` stays. */
export const midSentence = (text: string): string =>
  /^(Lot|Part) [AB]/.test(text) ? text : text.charAt(0).toLowerCase() + text.slice(1);

/** What each severity stands for, in the order 1 to 4. */
export const SEVERITY_WORDS = ['only when looked for', 'seen at once', 'spoils a second', 'spoils the piece'] as const;

/** A day and time of day in this machine's own zone; the year only where it is another. */
export function dayAndTime(iso: string | null | undefined): string {
  if (!iso) return 'not recorded';
  const date = new Date(iso);
  const year = date.getFullYear() === new Date().getFullYear() ? {} : { year: 'numeric' as const };
  return new Intl.DateTimeFormat('en-GB', {
    day: 'numeric',
    month: 'short',
    ...year,
    hour: '2-digit',
    minute: '2-digit',
  }).format(date);
}

/** Today's calendar day on this machine, `2026-03-14`. */
export function today(): string {
  const now = new Date();
  const pad = (n: number) => String(n).padStart(2, '0');
  return `${now.getFullYear()}-${pad(now.getMonth() + 1)}-${pad(now.getDate())}`;
}

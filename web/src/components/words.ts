import { localDay } from '@warm-jar/core';
import { isSameYear, lightFormat, parseISO } from 'date-fns';
import { studioNow } from '../api/studioTime';

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

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const;

/** A day and time of day in this machine's own zone; the year only where it is another. */
export function dayAndTime(iso: string | null | undefined): string {
  if (!iso) return 'not recorded';
  const date = parseISO(iso);
  const year = isSameYear(date, studioNow()) ? '' : ` ${date.getFullYear()}`;
  return `${date.getDate()} ${MONTHS[date.getMonth()]!}${year}, ${lightFormat(date, 'HH:mm')}`;
}

/** When the parts met, as far as it is known: a record of before may know only the day. */
export function startWords({ startedAt, dayOnly }: { startedAt?: string | null; dayOnly?: boolean | null }): string {
  const words = dayAndTime(startedAt);
  return dayOnly === true ? words.replace(/, \d{2}:\d{2}$/, '') : words;
}

/** The studio's calendar day in this machine's zone, `2026-03-14`. */
export const today = (): string => localDay(studioNow());

import { isValid, parse } from 'date-fns';

/** A moment as it is typed, year first, in local time; null for anything else, and for a day or an hour that does not exist. */
export function readMoment(text: string): Date | null {
  const written = text.trim().replace(/[ T]+/, ' ');
  if (!/^\d{4}-/.test(written)) return null;
  const date = parse(written, 'yyyy-M-d H:mm', new Date(0));
  return isValid(date) ? date : null;
}

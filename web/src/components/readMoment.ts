import { isValid, parse } from 'date-fns';

/**
 * A moment as it is typed, year first, in local time; null for anything
 * else, and for a day or an hour that does not exist.
 */
export function readMoment(text: string): Date | null {
  const written = text.trim().replace(/[ T]+/, ' ');
  // Minutes of one digit are a moment half typed: read, they would be put back as 09:02 while 09:20 is still written.
  if (!/^\d{4}-.+ \d{1,2}:\d\d$/.test(written)) return null;
  const date = parse(written, 'yyyy-M-d H:mm', new Date(0));
  return isValid(date) ? date : null;
}

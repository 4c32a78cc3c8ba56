import { isValid, parse } from 'date-fns';

/** Days as people write them, the displayed way first; day before month, as the studio's own dates are spoken. */
const DAYS = [
  { shape: /^\d{4}-\d{1,2}-\d{1,2}$/, format: 'yyyy-M-d' },
  { shape: /^\d{8}$/, format: 'yyyyMMdd' },
  { shape: /^\d{1,2}\.\d{1,2}\.\d{4}$/, format: 'd.M.yyyy' },
  { shape: /^\d{1,2} [a-z]{3} \d{4}$/i, format: 'd MMM yyyy' },
  { shape: /^\d{1,2} [a-z]{4,9} \d{4}$/i, format: 'd MMMM yyyy' },
  { shape: /^\d{1,2} [a-z]{3}$/i, format: 'd MMM' },
  { shape: /^\d{1,2} [a-z]{4,9}$/i, format: 'd MMMM' },
] as const;

/** How a day and a moment are shown: typed so, they are whole and taken at once. */
export const WHOLE_DAY = /^\d{4}-\d\d-\d\d$/;
export const WHOLE_MOMENT = /^\d{4}-\d\d-\d\d \d\d:\d\d$/;

const plain = (text: string) => text.trim().replaceAll(/[ ,]+/g, ' ');

/**
 * A day as it is typed: `2027-12-25`, `25.12.2027`, `25 Dec 2027`, or `25 Dec` of this year; null for anything else, and
 * for a day that does not exist.
 * @param today gives the year where none is typed
 */
export function readDay(text: string, today: Date): Date | null {
  const written = plain(text);
  const found = DAYS.find(({ shape }) => shape.test(written));
  if (!found) return null;
  const date = parse(written, found.format, today);
  return isValid(date) ? date : null;
}

/**
 * A moment as it is typed, a day and a time to the minute, in local time; null for anything else, and for a day or an
 * hour that does not exist. A time alone is of today.
 */
export function readMoment(text: string, today: Date): Date | null {
  // Minutes of one digit are a moment half typed: read, they would be put back as 09:02 while 09:20 is still written.
  const parts = /^(.*?)[ T]*(\d{1,2}:\d\d)$/.exec(plain(text));
  if (!parts) return null;
  const [, dayText = '', time = ''] = parts;
  const day = dayText === '' ? today : readDay(dayText, today);
  const moment = day && parse(time, 'H:mm', day);
  return moment && isValid(moment) ? moment : null;
}

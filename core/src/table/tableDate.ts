import { TZDate } from '@date-fns/tz';
import { DATE_ORDERS, type DateOrder } from './tableField';

/** A day as a cell names it, and the time of day where it names one. */
export interface CellDate {
  readonly day: string;
  /** `HH:mm:ss`; null where the cell names only a day. */
  readonly time: string | null;
  /** The offset that the cell itself gives, `+01:00` or `Z`. */
  readonly offset: string | null;
}

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const monthOf = (word: string) => MONTHS.indexOf(word.slice(0, 3).toLowerCase()) + 1;
const two = (n: number) => String(n).padStart(2, '0');
/** Years of two digits below this are of this century. */
const CENTURY_TURNS = 70;

function dayFrom(year: number, month: number, day: number): string | null {
  const full = year < 100 ? year + (year < CENTURY_TURNS ? 2000 : 1900) : year;
  const date = new Date(Date.UTC(full, month - 1, day));
  const real = date.getUTCFullYear() === full && date.getUTCMonth() === month - 1 && date.getUTCDate() === day;
  return real ? `${full}-${two(month)}-${two(day)}` : null;
}

const TIME = /(?:^|[\sT,])(\d{1,2})[:.h](\d{2})(?:[:.](\d{2})(?:\.\d+)?)?\s*([ap]\.?m\.?)?\s*(Z|[+-]\d{2}:?\d{2})?$/i;
const TIME_OF_HOUR = /(?:^|[\s,])(\d{1,2})\s*([ap])\.?m\.?$/i;

/**
 * A time of day: `9:20`, `09:20:15`, `9.20 pm`, `4 pm`; null where a text is none.
 * @returns `HH:mm:ss`
 */
export function readTime(text: string): string | null {
  const found = TIME.exec(text.trim()) ?? TIME_OF_HOUR.exec(text.trim());
  if (!found) return null;
  const isHourAlone = found.length === 3;
  const half = (isHourAlone ? found[2] : found[4])?.charAt(0).toLowerCase();
  const written = Number(found[1]);
  if (half !== undefined && (written < 1 || written > 12)) return null;
  const hour = half === undefined ? written : (written % 12) + (half === 'p' ? 12 : 0);
  const [minute, second] = isHourAlone ? [0, 0] : [Number(found[2]), Number(found[3] ?? 0)];
  return hour < 24 && minute < 60 && second < 60 ? `${two(hour)}:${two(minute)}:${two(second)}` : null;
}

const NUMERIC = /^(\d{1,4})\s*[./\-\s]\s*(\d{1,2})\s*[./\-\s]\s*(\d{1,4})(?=$|[\sT,])/;
const WITH_DAY_FIRST =
  /^(?:[a-z]+,?\s+)?(\d{1,2})(?:st|nd|rd|th)?[\s.\-/]*([a-z]{3,9})\.?,?[\s.\-/]*(\d{2,4})(?=$|[\sT,])/i;
const WITH_MONTH_FIRST =
  /^(?:[a-z]+day,?\s+)?([a-z]{3,9})\.?[\s.\-/]*(\d{1,2})(?:st|nd|rd|th)?,?[\s.\-/]+(\d{2,4})(?=$|[\sT,])/i;
/** Days since the end of 1899, as spreadsheets count them. */
const SERIAL = /^(\d{5})(?:\.(\d+))?$/;
const SERIAL_EPOCH_MS = Date.UTC(1899, 11, 30);
/** 1990 and 2099: five figures outside are a code. */
const [FIRST_SERIAL, LAST_SERIAL] = [32_874, 73_050];

/** The orders in which three numbers can be a date. */
function ordersOf(one: number, two_: number, three: number, width: number): DateOrder[] {
  if (width > 2) return dayFrom(one, two_, three) ? ['ymd'] : [];
  return DATE_ORDERS.filter((order) => {
    if (order === 'dmy') return dayFrom(three, two_, one) !== null;
    if (order === 'mdy') return dayFrom(three, one, two_) !== null;
    return false;
  });
}

/**
 * The orders in which a cell can be read as a date: one where it says so itself, several where day and month could
 * change places, none where it is no date.
 */
export function dateOrders(text: string): DateOrder[] {
  const trimmed = text.trim();
  const numeric = NUMERIC.exec(trimmed);
  if (numeric) return ordersOf(Number(numeric[1]), Number(numeric[2]), Number(numeric[3]), numeric[1]!.length);
  return readDay(trimmed, 'dmy') === null ? [] : [...DATE_ORDERS];
}

function numericDay([one, two_, three]: readonly [number, number, number], width: number, order: DateOrder) {
  if (width > 2) return dayFrom(one, two_, three);
  return order === 'mdy' ? dayFrom(three, one, two_) : dayFrom(three, two_, one);
}

function readDay(text: string, order: DateOrder): { day: string; rest: string } | null {
  const found = (day: string | null, length: number) => (day === null ? null : { day, rest: text.slice(length) });
  const numeric = NUMERIC.exec(text);
  if (numeric) {
    const numbers = [Number(numeric[1]), Number(numeric[2]), Number(numeric[3])] as const;
    return found(numericDay(numbers, numeric[1]!.length, order), numeric[0].length);
  }
  const dayFirst = WITH_DAY_FIRST.exec(text);
  if (dayFirst && monthOf(dayFirst[2]!) > 0)
    return found(dayFrom(Number(dayFirst[3]), monthOf(dayFirst[2]!), Number(dayFirst[1])), dayFirst[0].length);
  const monthFirst = WITH_MONTH_FIRST.exec(text);
  if (monthFirst && monthOf(monthFirst[1]!) > 0)
    return found(dayFrom(Number(monthFirst[3]), monthOf(monthFirst[1]!), Number(monthFirst[2])), monthFirst[0].length);
  return null;
}

function fromSerial(text: string): CellDate | null {
  const serial = SERIAL.exec(text);
  if (!serial) return null;
  const moment = new Date(SERIAL_EPOCH_MS + Math.round(Number(text) * 86_400) * 1000);
  if (Number(text) < FIRST_SERIAL || Number(text) > LAST_SERIAL) return null;
  const iso = moment.toISOString();
  return { day: iso.slice(0, 10), time: serial[2] === undefined ? null : iso.slice(11, 19), offset: null };
}

/**
 * A day, with its time where it has one.
 * @param order of three numbers; a year of four digits at the front, or a month in letters, says it itself
 * @returns null where the text is no date
 * Example: readCellDate('14/03/2026 9:20', 'dmy') // { day: '2026-03-14', time: '09:20:00', offset: null }
 */
export function readCellDate(text: string, order: DateOrder): CellDate | null {
  const trimmed = text.trim();
  const serial = fromSerial(trimmed);
  if (serial) return serial;
  const found = readDay(trimmed, order);
  if (!found) return null;
  const rest = found.rest.trim().replace(/^[T,]/, '').trim();
  if (rest === '') return { day: found.day, time: null, offset: null };
  const time = readTime(rest);
  if (time === null) return null;
  return { day: found.day, time, offset: /(Z|[+-]\d{2}:?\d{2})$/.exec(rest)?.[1] ?? null };
}

const offsetText = (minutes: number): string => {
  const size = Math.abs(minutes);
  return `${minutes < 0 ? '-' : '+'}${two(Math.floor(size / 60))}:${two(size % 60)}`;
};

/**
 * A moment with its offset, by the clock on the wall of a time zone.
 * @param zone an IANA name, such as `Europe/Paris`
 * Example: momentIn('2026-03-14', '09:20:00', 'Europe/Paris') // '2026-03-14T09:20:00+01:00'
 */
export function momentIn(day: string, time: string, zone: string): string {
  const [year, month, date] = day.split('-').map(Number) as [number, number, number];
  const [hour, minute, second] = time.split(':').map(Number) as [number, number, number];
  const moment = new TZDate(year, month - 1, date, hour, minute, second, zone);
  return `${day}T${time}${offsetText(-moment.getTimezoneOffset())}`;
}

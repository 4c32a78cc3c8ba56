import { TZDate } from '@date-fns/tz';
import {
  addDays as addWholeDays,
  addHours,
  addMonths as addWholeMonths,
  differenceInCalendarDays,
  lightFormat,
  parseISO,
} from 'date-fns';
import { memoizeText } from '../numeric/memoize';

/** Mean Gregorian month, days; only for the size of a stretch of time in words, never for a deadline. */
export const MEAN_MONTH_DAYS = 30.436875;

const DAY = 'yyyy-MM-dd';
const DAY_MS = 86_400_000;

const PLAIN_DAY = /^\d{4}-\d{2}-\d{2}$/;

/** Days that are remembered: the lots and batches of a studio are of the same few years. */
const MAX_DAYS = 4_000;

/** A plain calendar day as days since 1970; null for all else, a day that no month has too: the general reader tells. */
const dayNumber = memoizeText((isoDate): number | null => {
  if (!PLAIN_DAY.test(isoDate)) return null;
  const ms = Date.parse(isoDate);
  return Number.isNaN(ms) || new Date(ms).toISOString().slice(0, 10) !== isoDate ? null : ms / DAY_MS;
}, MAX_DAYS);

/** A plain day whole months later; null where it is no plain day, or lies beyond the years that are written so. */
function monthsLater(isoDate: string, months: number): string | null {
  if (dayNumber(isoDate) === null) return null;
  const date = new Date(isoDate);
  const day = date.getUTCDate();
  date.setUTCDate(1);
  date.setUTCMonth(date.getUTCMonth() + months + 1, 0);
  date.setUTCDate(Math.min(day, date.getUTCDate()));
  const year = date.getUTCFullYear();
  return year >= 1000 && year <= 9999 ? date.toISOString().slice(0, 10) : null;
}

const plainMonthsLater = memoizeText((text): string | null => {
  const [isoDate, months] = text.split('|') as [string, string];
  return monthsLater(isoDate, Number(months));
}, MAX_DAYS);

/**
 * A date some calendar months later: the same day, or the month's last where it is shorter.
 * @example addMonths('2026-01-31', 1) // '2026-02-28'
 */
export function addMonths(isoDate: string, months: number): string {
  const plain = Number.isInteger(months) ? plainMonthsLater(`${isoDate}|${months}`) : null;
  if (plain !== null) return plain;
  const whole = Math.floor(months);
  const extraDays = Math.round((months - whole) * MEAN_MONTH_DAYS);
  return lightFormat(addWholeDays(addWholeMonths(parseISO(isoDate), whole), extraDays), DAY);
}

/** A date some days later. @example addDays('2026-02-27', 2) // '2026-03-01' */
export const addDays = (isoDate: string, days: number): string =>
  lightFormat(addWholeDays(parseISO(isoDate), days), DAY);

/**
 * Days from one calendar date to another; negative where `to` is earlier.
 * @example daysBetween('2026-03-28', '2026-03-30') // 2
 */
export function daysBetween(from: string, to: string): number {
  const [a, b] = [dayNumber(from), dayNumber(to)];
  return a !== null && b !== null ? b - a : differenceInCalendarDays(parseISO(to), parseISO(from));
}

/** The calendar day of a date in this machine's zone, `2026-03-14`. */
export const localDay = (date: Date): string => lightFormat(date, DAY);

/**
 * The calendar day of a moment by the clock on the wall where it was written down.
 * @example dayOf('2026-03-14T23:30:00-05:00') // '2026-03-14'
 */
export const dayOf = (moment: string): string => moment.slice(0, 10);

const OFFSET = /(Z|[+-]\d{2}:\d{2})$/;

/**
 * The calendar day some hours after a moment, by the same clock on the wall; null where it lies beyond any calendar.
 * @example dayAfter('2026-03-14T23:30:00-05:00', 1) // '2026-03-15'
 */
export function dayAfter(moment: string, hours: number): string | null {
  const offset = OFFSET.exec(moment)?.[1] ?? 'Z';
  const later = addHours(new TZDate(Date.parse(moment), offset === 'Z' ? 'UTC' : offset), hours);
  if (!Number.isFinite(later.getTime())) return null;
  const day = lightFormat(later, DAY);
  return /^\d{4}-/.test(day) ? day : null;
}

/**
 * The first moment of a calendar day in a time zone, ISO in UTC: the day
 * is 23 or 25 hours long where the clocks change.
 * @example startOfDayIn('2026-03-14', 'Europe/Paris') // '2026-03-13T23:00:00.000Z'
 */
export function startOfDayIn(isoDate: string, zone: string): string {
  const [year, month, day] = isoDate.split('-').map(Number) as [number, number, number];
  return new Date(new TZDate(year, month - 1, day, zone).getTime()).toISOString();
}

/**
 * The first moment of the day after, as `startOfDayIn`.
 * @example endOfDayIn('2026-03-14', 'UTC') // '2026-03-15T00:00:00.000Z'
 */
export const endOfDayIn = (isoDate: string, zone: string): string => startOfDayIn(addDays(isoDate, 1), zone);

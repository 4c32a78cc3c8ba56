const WRITTEN = /^(\d{4})-(\d{1,2})-(\d{1,2})[ T]+(\d{1,2}):(\d{2})$/;

/** A moment as it is typed, year first, in local time; null for anything else, and for a day or an hour that does not exist. */
export function readMoment(text: string): Date | null {
  const found = WRITTEN.exec(text.trim());
  if (!found) return null;
  const [year, month, day, hour, minute] = found.slice(1).map(Number) as [number, number, number, number, number];
  const date = new Date(year, month - 1, day, hour, minute);
  const asWritten = date.getMonth() === month - 1 && date.getDate() === day && hour < 24 && minute < 60;
  return asWritten ? date : null;
}

import type { Measure } from './measures';
import { rounded } from './rounded';

const MONTH_UNITS: Readonly<Record<string, number>> = { month: 1, year: 12, week: 7 / 30.4375, d: 1 / 30.4375 };

/** A span in calendar months, as shelf lives are told; null for a span of minutes. */
export function monthsOf(measure: Measure): number | null {
  const inMonths = MONTH_UNITS[measure.unit?.id ?? ''];
  if (inMonths === undefined || !measure.unit) return null;
  const perUnit = measure.unit.toStored(1);
  return rounded((measure.low / perUnit) * inMonths);
}

import { z } from 'zod';

/**
 * Number fields of the open formats, each bounded to what is physically possible at a bench, so that a slipped
 * decimal point is refused at its field instead of spoiling a later sum. Units are in the key's name.
 */
const between = (low: number, high: number, unit: string) =>
  z
    .number(`Write a number${unit ? ` in ${unit}` : ''}.`)
    .min(low, `Must be ${low}${unit ? ` ${unit}` : ''} or more.`)
    .max(high, `Must be ${high}${unit ? ` ${unit}` : ''} or less.`);

const positiveUpTo = (high: number, unit: string) =>
  z
    .number(`Write a number${unit ? ` in ${unit}` : ''}.`)
    .positive(`Must be more than 0${unit ? ` ${unit}` : ''}.`)
    .max(high, `Must be ${high}${unit ? ` ${unit}` : ''} or less.`);

/** °C at which resin work can take place, cold store to exotherm. */
export const temperatureC = between(-40, 400, '°C');
export const humidityPct = between(0, 100, '%');
export const massG = between(0, 1_000_000, 'g');
export const positiveMassG = positiveUpTo(1_000_000, 'g');
export const amount = between(0, 1_000_000, '');
export const partNumber = positiveUpTo(100_000, 'parts');
export const densityGPerML = positiveUpTo(25, 'g/mL');
export const viscosityMPaS = positiveUpTo(10_000_000, 'mPa·s');
export const minutes = between(0, 1_000_000, 'min');
export const positiveMinutes = positiveUpTo(1_000_000, 'min');
/**
 * A time that a card states for the liquid, pot life or gel: six seconds to four days. A cure is fitted to it; outside
 * this no resin is sold, and the fit would take longer than anybody waits.
 */
export const liquidMinutes = between(0.1, 5_760, 'min');
/** Any other time of a card, six seconds to ten weeks. */
export const cardMinutes = between(0.1, 100_000, 'min');
/** The mass that a card states a time or a peak at, a spoonful to a barrel. */
export const cardMassG = between(1, 250_000, 'g');
export const hours = between(0, 200_000, 'h');
export const positiveHours = positiveUpTo(200_000, 'h');
export const heatCapacityJPerGK = positiveUpTo(20, 'J/(g·K)');
/** Area of a surface, cm². */
export const areaCM2 = between(0, 1_000_000, 'cm²');
export const volumeML = between(0, 1_000_000, 'mL');
export const lengthMm = between(0, 10_000, 'mm');
export const positiveLengthMm = positiveUpTo(10_000, 'mm');
/** Gauge pressure; 0 means not pressed. */
export const gaugeKPa = between(0, 5_000, 'kPa');
export const absoluteKPa = between(0, 150, 'kPa');
export const percent = between(0, 100, '%');
/** Loading may pass 100 % of the resin where much filler is used. */
export const loadingPct = between(0, 1_000, '%');
export const doseMJPerCM2 = between(0, 1_000_000, 'mJ/cm²');
export const months = between(0, 600, 'months');
export const count = between(0, 1_000_000, '').int('Write a whole number.');
export const shore = between(0, 100, 'Shore');
export const anyNumber = z.number('Write a number.');

/** Short text, a name or a code; bounded so that a document stays a document. */
export const shortText = z.string().max(200, 'Keep this under 200 characters.');
export const longText = z.string().max(10_000, 'Keep this under 10 000 characters.');
/** Lower-case words joined by hyphens: the stable name of a product. */
export const slug = z
  .string()
  .regex(/^[a-z0-9]+(-[a-z0-9]+)*$/, 'Use lower-case letters, digits and hyphens, such as house-clear-6.')
  .max(80);
/** Years that a studio can write down; what lies outside is a slip of the keys. */
export const [FIRST_YEAR, LAST_YEAR] = [1970, 2200];
const yearIsLikely = (text: string) => {
  const year = Number(text.slice(0, 4));
  return year >= FIRST_YEAR && year <= LAST_YEAR;
};
const YEAR_WORDS = `Check the year: it lies outside ${FIRST_YEAR} to ${LAST_YEAR}.`;
/** A calendar day, `2026-03-14`. */
export const isoDate = z.iso
  .date('Write a date as year-month-day, such as 2026-03-14.')
  .refine(yearIsLikely, { error: YEAR_WORDS, abort: true });
/** A moment with its offset, `2026-03-14T09:20:00+01:00`. */
export const isoMoment = z.iso
  .datetime({
    offset: true,
    error: 'Write a time with its offset, such as 2026-03-14T09:20:00+01:00.',
  })
  .refine(yearIsLikely, { error: YEAR_WORDS, abort: true });
export const longestList = 500;

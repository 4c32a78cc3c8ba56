/** Which sign parts the whole from the tenths on a sheet. */
export type DecimalSign = '.' | ',';

const VULGAR: Readonly<Record<string, number>> = {
  '½': 1 / 2,
  '¼': 1 / 4,
  '¾': 3 / 4,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
  '⅛': 1 / 8,
  '⅜': 3 / 8,
};

/** A number as sheets and spreadsheets write it: a fraction, thousands apart, tenths after a point or a comma. */
export const NUMBER_PATTERN =
  String.raw`(?:\d{1,3}(?:[ \u2009']\d{3})+(?:[.,]\d+)?(?![\d.,]*\d)|(?:\d+[ -])?\d+\/\d+(?![\d.,:]*\d)` +
  String.raw`|\d*[½¼¾⅓⅔⅛⅜]|\d+(?:[.,]\d+)*)`;

const count = (text: string, pattern: RegExp) => (text.match(pattern) ?? []).length;

/**
 * The sign that this text uses for tenths: the one that stands where only tenths can (one, two or four digits after it,
 * or after a nought); a point where nothing tells.
 * @example decimalSign('Dichte 1,07 g/cm³') // ','
 */
export function decimalSign(text: string): DecimalSign {
  const tenths = (sign: string) =>
    count(text, new RegExp(String.raw`(?<![\d.,])\d+${sign}(?:\d{1,2}|\d{4,})(?![\d.,]*\d)`, 'g')) +
    count(text, new RegExp(String.raw`(?<![\d.,])0${sign}\d{3}(?![\d.,]*\d)`, 'g'));
  return tenths(',') > tenths(String.raw`\.`) ? ',' : '.';
}

function fraction(text: string): number | null {
  const sign = /[½¼¾⅓⅔⅛⅜]$/.exec(text)?.[0];
  if (sign) return Number(text.slice(0, -1) || 0) + (VULGAR[sign] ?? 0);
  const parts = /^(?:(\d+)[ -])?(\d+)\/(\d+)$/.exec(text);
  if (!parts) return null;
  const below = Number(parts[3]);
  return below === 0 ? Number.NaN : Number(parts[1] ?? 0) + Number(parts[2]) / below;
}

/** Digits in threes behind a sign that is not the one of tenths, or behind several of the same. */
function withoutThousands(text: string, decimal: DecimalSign): string {
  const other = decimal === '.' ? ',' : '.';
  const spaceless = text.replaceAll(/[ \u2009']/g, '');
  const threes = new RegExp(String.raw`^\d{1,3}(?:[${other}]\d{3})+(?=$|[${decimal}])`);
  if (threes.test(spaceless)) return spaceless.replaceAll(other, '');
  const repeated = new RegExp(String.raw`^\d{1,3}(?:[${decimal}]\d{3}){2,}$`);
  return repeated.test(spaceless) ? spaceless.replaceAll(decimal, '') : spaceless;
}

/**
 * The number that a text stands for.
 * @param decimal the sign of tenths in the whole text; `1,200` is 1200 beside points and 1.2 beside commas
 * @returns NaN where it is none
 * @example readNumber('1,200', '.') // 1200
 * @example readNumber('2 1/2', '.') // 2.5
 * @example readNumber('1,07', ',') // 1.07
 */
export function readNumber(text: string, decimal: DecimalSign): number {
  const trimmed = text.trim();
  const asFraction = fraction(trimmed);
  if (asFraction !== null) return asFraction;
  const plain = withoutThousands(trimmed, decimal).replace(',', '.');
  return plain === '' ? Number.NaN : Number(plain);
}

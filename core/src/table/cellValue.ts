import { NUMBER_PATTERN, readNumber, type DecimalSign } from '../datasheet/sheetNumber';
import { unitAlone, type SheetUnit } from '../datasheet/sheetUnits';
import { readYesNo } from '../formats/yesNo';
import { dimensionsOf, type DateOrder, type TableField } from './tableField';
import { readCellDate, readTime, type CellDate } from './tableDate';

/** What a cell says, or why it says nothing that fits. */
export type CellRead =
  | { readonly value: unknown; readonly unit?: SheetUnit | null }
  | { readonly date: CellDate }
  | { readonly time: string }
  | { readonly fault: string };

/** What a column's cells are read by. */
export interface CellContext {
  readonly decimal: DecimalSign;
  /** The unit of a column of numbers, or the order of its dates. */
  readonly unit: string | null;
  /** Products that are known, by what they may be called. */
  readonly products: readonly { readonly slug: string; readonly name: string }[];
}

const NUMBER_CELL = new RegExp(
  String.raw`^(?:[€$£¥]\s*)?(?:≈|~|ca\.?|approx\.?)?\s*([-+−]?)\s*(${NUMBER_PATTERN})\s*(.*)$`,
  'i',
);
const rounded = (value: number) => Number(value.toPrecision(10));
const MONTHS_PER: Readonly<Record<string, number>> = { month: 1, year: 12, week: 12 / 52.1775, d: 12 / 365.25 };
const MINUTES_PER_HOUR = 60;

/** A number in the field's own stored unit. */
function inStored(value: number, unit: SheetUnit | null, field: TableField): number {
  if (!unit) return value;
  if (field.unit === 'months') return value * (MONTHS_PER[unit.id] ?? Number.NaN);
  const stored = unit.toStored(value);
  return field.unit === 'h' ? stored / MINUTES_PER_HOUR : stored;
}

/** Whether a written unit measures what the field does; a number without a unit takes none. */
const isOfField = (field: TableField, unit: SheetUnit | null) => {
  const dimensions = dimensionsOf(field);
  return unit === null || dimensions.length === 0 || dimensions.includes(unit.dimension);
};

function numberOf(field: TableField, text: string, { decimal, unit }: CellContext): CellRead {
  const found = NUMBER_CELL.exec(text);
  const [, sign, digits = '', behind = ''] = found ?? [];
  const value = readNumber(digits, decimal) * (sign === '-' || sign === '−' ? -1 : 1);
  if (!Number.isFinite(value)) return { fault: `"${text}" is no number.` };
  const written = behind.trim() === '' ? null : unitAlone(behind);
  if (behind.trim() !== '' && !written) return { fault: `"${text}" holds more than one number.` };
  const named = written ?? (unit === null ? null : unitAlone(unit));
  if (!isOfField(field, named)) return { fault: `"${text}" is not in ${field.unit ?? 'a unit'} or a unit like it.` };
  const converted = dimensionsOf(field).length > 0 ? named : null;
  return { value: rounded(inStored(value, converted, field)), unit: named };
}

const plain = (text: string) =>
  text
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, ' ')
    .trim();

/** Other words for the choices that people write down. */
const SAME_AS: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  'checks[0].grade': {
    ok: 'pass',
    good: 'pass',
    passed: 'pass',
    fine: 'pass',
    perfect: 'pass',
    first: 'pass',
    seconds: 'second',
    '2nd': 'second',
    fail: 'scrap',
    failed: 'scrap',
    bad: 'scrap',
    waste: 'scrap',
    bin: 'scrap',
    scrapped: 'scrap',
    reject: 'scrap',
    repair: 'mend',
    rework: 'mend',
    fix: 'mend',
  },
  'checks[0].symptoms[0].kind': {
    bubble: 'bubbles',
    air: 'bubbles',
    'air bubbles': 'bubbles',
    pinholes: 'bubbles',
    voids: 'bubbles',
    sticky: 'tacky',
    tack: 'tacky',
    'not cured': 'tacky',
    uncured: 'tacky',
    yellow: 'yellowing',
    yellowed: 'yellowing',
    ambered: 'yellowing',
    'soft cure': 'soft',
    rubbery: 'soft',
    bendy: 'soft',
    cloudy: 'haze',
    hazy: 'haze',
    milky: 'haze',
    cloud: 'haze',
    crack: 'cracks',
    cracked: 'cracks',
    shrinkage: 'sink',
    sunk: 'sink',
    delaminated: 'delamination',
    peeling: 'delamination',
  },
  part: { resin: 'A', 'part a': 'A', base: 'A', 'part b': 'B', hardener: 'B', catalyst: 'B' },
  rubber: {
    platinum: 'platinum-silicone',
    'platinum cure': 'platinum-silicone',
    'addition cure': 'platinum-silicone',
    tin: 'tin-silicone',
    'tin cure': 'tin-silicone',
    'condensation cure': 'tin-silicone',
    pu: 'urethane',
    polyurethane: 'urethane',
  },
  family: {
    pu: 'polyurethane',
    urethane: 'polyurethane',
    'epoxy resin': 'epoxy',
    uv: 'uv-acrylate',
    'uv resin': 'uv-acrylate',
    gypsum: 'mineral-acrylic',
    'silicone rubber': 'silicone',
  },
};

function choiceOf(field: TableField, text: string): CellRead {
  const options = field.options ?? [];
  const word = plain(text);
  const found = options.find((option) => plain(option) === word) ?? SAME_AS[field.path]?.[word];
  return found === undefined ? { fault: `"${text}" is none of: ${options.join(', ')}.` } : { value: found };
}

function dateOf(text: string, { unit }: CellContext, isMoment: boolean): CellRead {
  const time = isMoment ? readTime(text) : null;
  if (time !== null && readCellDate(text, 'ymd') === null && /^\d{1,2}\s*(?:[:.h]|[ap])/i.test(text)) {
    const asDate = readCellDate(text, (unit ?? 'dmy') as DateOrder);
    if (asDate === null) return { time };
  }
  const orders = new Set((['ymd', 'dmy', 'mdy'] as const).map((order) => JSON.stringify(readCellDate(text, order))));
  const readings = [...orders].filter((reading) => reading !== 'null');
  if (readings.length === 0) return { fault: `"${text}" is no date.` };
  if (unit === null && readings.length > 1)
    return { fault: `"${text}" can be two days. Say whether the day or the month comes first.` };
  const date = readCellDate(text, (unit ?? 'ymd') as DateOrder);
  return date === null ? { fault: `"${text}" is no date in this order.` } : { date };
}

function ratioOf(text: string, { decimal }: CellContext): CellRead {
  const found = new RegExp(
    String.raw`^(${NUMBER_PATTERN})\s*A?\s*(?::|\/|to|-)\s*(${NUMBER_PATTERN})\s*B?(?:\s*by.*|\s*\(.*)?$`,
    'i',
  ).exec(text);
  const [a, b] = [readNumber(found?.[1] ?? '', decimal), readNumber(found?.[2] ?? '', decimal)];
  return a > 0 && b > 0 ? { value: { a, b } } : { fault: `"${text}" is no ratio such as 100:82.` };
}

function productOf(text: string, { products }: CellContext): CellRead {
  const word = plain(text);
  const found = products.find((p) => plain(p.slug) === word || plain(p.name) === word);
  if (found) return { value: found.slug };
  return products.length === 0
    ? { value: word.replaceAll(' ', '-') }
    : { fault: `There is no card "${text}". Bring in or type its card first, or correct the name.` };
}

/**
 * What a cell says for a field, in the field's own stored unit.
 * @param text a cell that is not empty
 */
export function readCell(field: TableField, text: string, context: CellContext): CellRead {
  switch (field.kind) {
    case 'number':
      return numberOf(field, text, context);
    case 'choice':
      return choiceOf(field, text);
    case 'yes-no': {
      const value = readYesNo(text);
      return value === null ? { fault: `"${text}" is neither yes nor no.` } : { value };
    }
    case 'date':
    case 'moment':
      return dateOf(text, context, field.kind === 'moment');
    case 'ratio':
      return ratioOf(text, context);
    case 'product':
      return productOf(text, context);
    case 'text':
      return { value: text };
  }
}

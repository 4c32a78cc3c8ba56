import type { Dimension } from '../datasheet/sheetUnits';

/** A field that a column may fill. */
export interface TableField {
  /** Dotted path into the document; `[0]` is the first of a list. */
  readonly path: string;
  readonly label: string;
  readonly kind: 'number' | 'choice' | 'yes-no' | 'text' | 'date' | 'moment' | 'ratio' | 'product';
  /** Stored unit of a number. */
  readonly unit?: string;
  readonly options?: readonly string[];
  /** Heads of columns that mean it, in lower case without units and signs. */
  readonly heads?: RegExp;
  /** Which numbers it can be: a column of others is another field, or of another unit. */
  readonly usual?: readonly [least: number, most: number];
}

const DIMENSIONS: Readonly<Record<string, Dimension>> = {
  '°C': 'temperature',
  g: 'mass',
  mL: 'volume',
  mm: 'length',
  kPa: 'pressure',
  min: 'time',
  h: 'time',
  months: 'time',
  '%': 'percent',
  'g/mL': 'density',
  'mPa·s': 'viscosity',
  'mJ/cm²': 'dose',
};

/** Units that a column of such numbers may be written in, the stored one first. */
export const UNITS_OF: Readonly<Record<string, readonly string[]>> = {
  '°C': ['°C', '°F'],
  g: ['g', 'kg', 'oz', 'lb'],
  mL: ['mL', 'L', 'fl oz'],
  'g or mL': ['g', 'kg', 'oz', 'lb', 'mL', 'L', 'fl oz'],
  mm: ['mm', 'cm', 'in'],
  kPa: ['kPa', 'psi', 'bar', 'MPa'],
  min: ['min', 'h', 's', 'd'],
  h: ['h', 'min', 'd'],
  months: ['month', 'year', 'week'],
  '%': ['%'],
  'g/mL': ['g/mL', 'kg/L', 'kg/m³', 'lb/gal'],
  'mPa·s': ['mPa·s', 'cP', 'Pa·s'],
  'mJ/cm²': ['mJ/cm²', 'J/cm²'],
};

/** Orders in which a date may be written. */
export const DATE_ORDERS = ['ymd', 'dmy', 'mdy'] as const;
export type DateOrder = (typeof DATE_ORDERS)[number];

/** What a field's numbers measure; undefined for a number without a unit. */
export const dimensionsOf = ({ unit = '' }: TableField): readonly Dimension[] => {
  if (unit === 'g or mL') return ['mass', 'volume'];
  const own = DIMENSIONS[unit];
  if (own === 'percent') return ['percent', 'humidity'];
  return own === undefined ? [] : [own];
};

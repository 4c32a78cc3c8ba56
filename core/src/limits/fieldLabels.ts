import { anyPlace, batchField } from '../formats/batchFields';

/** What limits and questions speak of that is no single field of the record. */
const WORKED_OUT: Readonly<Record<string, string>> = {
  'air.dewPointSpreadK': 'Above dew point',
  'mix.ratioErrorPct': 'Ratio, B for A',
  'mix.total': 'Size of the batch',
  'mix.ratioBFor100A': 'B for 100 of A',
  'additives.totalPct': 'Loading, total',
  'light.stable': 'Light stability',
  readings: 'Readings of the gauge',
  additives: 'Colour and fill',
  mould: 'Mould',
  waxed: 'Wax in the product',
};

/** What a question asks of a field, where that is more than its name. */
const ASKED: Readonly<Record<string, string>> = {
  'mould.code': 'This mould before',
  'checks[].shore': 'Second hardness reading',
  'additives[].kind': 'What was mixed in',
  'inclusions[].what': 'Inclusion, with this resin before',
};

/** What one row of a list is called, with its number after it. */
const ROWS: Readonly<Record<string, string>> = {
  inclusions: 'Inclusion',
  checks: 'Check',
  additives: 'Additive',
  readings: 'Reading',
  mends: 'Mend',
  quickTests: 'Quick test',
  cups: 'Cup',
  castings: 'Casting',
  outcome: 'Outcome',
};

const lowerFirst = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);
const spaced = (word: string) => word.replaceAll('-', ' ');

/** `inclusions[1].moisturePct` in words; null for a path that lies in no list. */
function rowLabel(path: string): string | null {
  const [, list, place, rest] = /^(\w+)\[(\d*)\]\.(.+)$/.exec(path) ?? [];
  const row = list === undefined ? undefined : ROWS[list];
  if (row === undefined || rest === undefined) return null;
  const name = batchField(`${list}[].${rest}`)?.label;
  const number = place ? ` ${Number(place) + 1}` : '';
  return name === undefined ? null : `${row}${number}, ${lowerFirst(name)}`;
}

/** A test, or the loading of one kind; null for any other path. */
function keyedLabel(path: string): string | null {
  const test = /^quickTests\.(.+)$/.exec(path)?.[1];
  if (test) return `Test: ${spaced(test)}`;
  const kind = /^additives\.(.+)\.pct$/.exec(path)?.[1];
  return kind ? `Loading, ${spaced(kind)}` : null;
}

/**
 * The word people use for a field, such as `room.temperatureC`: the table's own, with the row it lies in; what limits
 * and questions work out has its own words. A path that nobody knows stays as it is.
 */
export function fieldLabel(path: string): string {
  const known = labels.get(path);
  if (known !== undefined) return known;
  const label = WORKED_OUT[path] ?? keyedLabel(path) ?? rowLabel(path) ?? batchField(path)?.label ?? path;
  if (labels.size < MAX_LABELS) labels.set(path, label);
  return label;
}

/** Labels that were put together; a record names few paths, and any number of them may come from outside. */
const labels = new Map<string, string>();
const MAX_LABELS = 1_000;

/** What a question about a field is called: of a mould, say, it asks what it did before. */
export const askLabel = (path: string): string => ASKED[anyPlace(path)] ?? fieldLabel(path);

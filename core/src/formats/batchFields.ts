import type { BatchField, FieldKind } from './batchField';
import { FIELDS_OF_CASTING } from './batchFieldsOfCasting';
import { FIELDS_OF_LOOKS } from './batchFieldsOfLooks';
import { FIELDS_OF_MIXING } from './batchFieldsOfMixing';

/**
 * Every field of a batch's record, in the order of the work. The log page, the limits, the questions, the sheet, the
 * table of the log, comparisons, the history and conflicts all take a field's name, unit and choices from here.
 */
export const BATCH_FIELDS: readonly BatchField[] = [...FIELDS_OF_MIXING, ...FIELDS_OF_CASTING, ...FIELDS_OF_LOOKS];

const BY_PATH = new Map<string, BatchField>();
for (const field of BATCH_FIELDS) if (!BY_PATH.has(field.path)) BY_PATH.set(field.path, field);

/** A path with any place in a list in the stead of one: `checks[2].shore` becomes `checks[].shore`. */
export const anyPlace = (path: string): string => path.replaceAll(/\[\d+\]/g, '[]').replace(/\[\]$/, '');

/** What a cup or a casting may have of its own, over what the batch says for all of them. */
const OVERLAY = /^(?:cups|castings)\[\]\./;

/**
 * The field that a path names, whichever place of a list, cup or casting
 * it lies in; undefined for no field of the format.
 */
export function batchField(path: string): BatchField | undefined {
  const any = anyPlace(path);
  return BY_PATH.get(any) ?? BY_PATH.get(any.replace(OVERLAY, ''));
}

const TEXTS: ReadonlySet<FieldKind> = new Set(['text', 'choice', 'date', 'moment', 'made', 'words']);

/**
 * Whether a field holds text whatever it looks like: a code of figures
 * alone is no number. Undefined for no known field.
 */
export function isTextField(path: string): boolean | undefined {
  const field = batchField(path);
  return field && TEXTS.has(field.kind);
}

/** Sections of the record in the order of the work, for the columns of a table. */
export const BATCH_SECTIONS: readonly string[] = [...new Set(BATCH_FIELDS.map(({ path }) => /^[^.[]+/.exec(path)![0]))];

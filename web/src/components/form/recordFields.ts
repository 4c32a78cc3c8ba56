import { BATCH_FIELDS, type BatchField, type FieldSection, type Product, type Stage } from '@warm-jar/core';
import type { Field } from './field';

/** One thing to record, and which limit reading is drawn beside it. */
export interface RecordField extends Field {
  readonly reading?: string;
  readonly help?: string;
  readonly only?: (product: Product) => boolean;
}

/** A step of the work on the log page. */
export interface Section {
  readonly id: FieldSection;
  readonly title: string;
  readonly stage: Stage;
  readonly fields: readonly RecordField[];
}

const amountUnit = (value: (path: string) => unknown) =>
  value('mix.unit') === 'mL' || (value('mix.unit') == null && value('mix.measuredBy') === 'volume') ? 'mL' : 'g';

/** A field of the record as a form enters it. */
export function recordField({ path, label, kind, unit, options, reading, help, only }: BatchField): RecordField {
  return {
    path,
    label,
    kind: kind === 'made' ? 'text' : kind,
    ...(unit === undefined ? {} : { unit: unit === 'g or mL' ? amountUnit : unit }),
    ...(options ? { options } : {}),
    ...(reading ? { reading } : {}),
    ...(help ? { help } : {}),
    ...(only ? { only } : {}),
  };
}

const TITLES: readonly (readonly [FieldSection, string])[] = [
  ['lots', 'Lots'],
  ['conditions', 'Room and resin'],
  ['weigh', 'Weigh'],
  ['colour', 'Colour and fill'],
  ['mix', 'Mix'],
  ['clear', 'Clear the air'],
  ['pour', 'Pour'],
  ['press', 'Press'],
  ['mould', 'Mould'],
  ['inclusions', 'Inclusions'],
  ['layer', 'Layer below'],
  ['cure', 'Cure'],
];

const inSection = (id: FieldSection) => BATCH_FIELDS.filter((f) => f.section === id && f.byHand);

/**
 * Everything that a batch's record holds and people write by hand, in
 * the order of the work. Rows of lists stand apart.
 */
export const SECTIONS: readonly Section[] = TITLES.map(([id, title]) => ({
  id,
  title,
  stage: inSection(id)[0]!.stage,
  fields: inSection(id)
    .filter((f) => !f.path.includes('[]'))
    .map(recordField),
}));

/** What one row of a list holds, by paths within the row. */
export const rowFields = (list: 'additives' | 'inclusions'): readonly RecordField[] =>
  BATCH_FIELDS.filter((f) => f.byHand && f.path.startsWith(`${list}[].`)).map((f) =>
    recordField({ ...f, path: f.path.slice(list.length + 3) }),
  );

/** The fields of a section that this product can have. */
export const fieldsFor = (section: Section, product: Product): readonly RecordField[] =>
  section.fields.filter((f) => f.only?.(product) ?? true);

/** The sections that this product has anything in; lists stand for themselves. */
export const sectionsFor = (product: Product): readonly Section[] =>
  SECTIONS.filter((s) => s.fields.length === 0 || fieldsFor(s, product).length > 0);

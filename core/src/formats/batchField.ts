import type { Product } from './product';
import type { Stage } from './vocabulary';

/** How a field is entered, and so what kind of value it holds. */
export type FieldKind = 'number' | 'choice' | 'yes-no' | 'text' | 'words' | 'date' | 'moment' | 'made';

/** Steps of the record, in the order of the work; the log page shows those that people fill in by hand. */
export type FieldSection =
  | 'head'
  | 'lots'
  | 'conditions'
  | 'weigh'
  | 'colour'
  | 'mix'
  | 'clear'
  | 'pour'
  | 'press'
  | 'mould'
  | 'inclusions'
  | 'layer'
  | 'cups'
  | 'castings'
  | 'cure'
  | 'checks'
  | 'mends'
  | 'outcome'
  | 'bench';

/** Whose a field is: of the whole mix, of one cup of it, of one casting out of it, or of a look. */
export type FieldOwner = 'batch' | 'cup' | 'casting' | 'check';

/** One field of a batch's record, as every page, sentence, table and sheet takes it. */
export interface BatchField {
  /** Dotted, with `[]` for any place in a list: `additives[].massG`. */
  readonly path: string;
  readonly label: string;
  readonly kind: FieldKind;
  /** Stored unit of a number; `g or mL` where the record itself decides it. */
  readonly unit?: string;
  readonly options?: readonly string[];
  readonly section: FieldSection;
  readonly stage: Stage;
  readonly owner: FieldOwner;
  /** What a person is to write, where the label alone does not say. */
  readonly help?: string;
  /** Whether a card limits it. */
  readonly limit: boolean;
  /** The limit that is drawn beside it, where that is not its own. */
  readonly reading?: string;
  /** Whether it is filled in on the log page, rather than picked, counted or worked out. */
  readonly byHand: boolean;
  /** Whether a product can have it at all. */
  readonly only?: (product: Product) => boolean;
}

type Extra = Partial<Pick<BatchField, 'help' | 'limit' | 'reading' | 'byHand' | 'only' | 'owner'>>;

/** What the fields of one section have in common. */
export function fieldsOf(section: FieldSection, stage: Stage, owner: FieldOwner = 'batch') {
  const field = (path: string, label: string, kind: FieldKind, more: Extra & Pick<BatchField, 'unit' | 'options'>) => ({
    path,
    label,
    kind,
    section,
    stage,
    owner,
    limit: false,
    byHand: true,
    ...more,
  });
  return {
    number: (path: string, label: string, unit: string, more: Extra = {}): BatchField =>
      field(path, label, 'number', { unit, ...more }),
    choice: (path: string, label: string, options: readonly string[], more: Extra = {}): BatchField =>
      field(path, label, 'choice', { options, ...more }),
    yesNo: (path: string, label: string, more: Extra = {}): BatchField => field(path, label, 'yes-no', more),
    text: (path: string, label: string, more: Extra = {}): BatchField => field(path, label, 'text', more),
    words: (path: string, label: string, more: Extra = {}): BatchField => field(path, label, 'words', more),
    date: (path: string, label: string, more: Extra = {}): BatchField => field(path, label, 'date', more),
    moment: (path: string, label: string, more: Extra = {}): BatchField => field(path, label, 'moment', more),
    /** What the application writes itself. */
    made: (path: string, label: string, more: Extra = {}): BatchField =>
      field(path, label, 'made', { byHand: false, ...more }),
  };
}

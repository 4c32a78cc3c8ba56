import { FIELDS_OF_BATCHES } from './fieldsOfBatches';
import { FIELDS_OF_LOTS, FIELDS_OF_MOULDS, FIELDS_OF_PRODUCTS } from './fieldsOfShelf';
import type { TableKind } from '../formats/vocabulary';
import type { TableField } from './tableField';

/** The fields that columns may fill, by what the rows are of. */
export const TABLE_FIELDS: Readonly<Record<TableKind, readonly TableField[]>> = {
  batch: FIELDS_OF_BATCHES,
  lot: FIELDS_OF_LOTS,
  mould: FIELDS_OF_MOULDS,
  product: FIELDS_OF_PRODUCTS,
};

/** The field of a kind that a path names; undefined for none. */
export const tableField = (kind: TableKind, path: string): TableField | undefined =>
  TABLE_FIELDS[kind].find((field) => field.path === path);

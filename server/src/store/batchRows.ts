import type { Batch, Product } from '@warm-jar/core';
import type { InferCreationAttributes } from 'sequelize';
import { batchColumns, symptomsOf, type BatchColumns } from './batchColumns';
import { marksOf } from './batchMarks';
import { castingRows } from './castingRows';
import type { BatchGearRow, CastingRow, OutcomeRow } from './models';
import { gearRows, outcomeRows } from './outcomeRows';

/** All that is laid down of a batch beside its document, worked out whenever that is written. */
export interface BatchRows {
  readonly columns: BatchColumns;
  readonly castings: InferCreationAttributes<CastingRow>[];
  readonly symptoms: { readonly batchCode: string; readonly kind: string; readonly pattern: string }[];
  readonly outcomes: InferCreationAttributes<OutcomeRow>[];
  readonly gear: InferCreationAttributes<BatchGearRow>[];
  /** What filters ask of all this, as words. */
  readonly marks: string;
}

export function batchRows(code: string, batch: Batch, card: Product): BatchRows {
  const rows = {
    columns: batchColumns(batch, card),
    castings: castingRows(code, batch, card),
    symptoms: symptomsOf(batch).map((s) => ({ ...s, batchCode: code })),
    outcomes: outcomeRows(code, batch),
    gear: gearRows(code, batch),
  };
  return { ...rows, marks: marksOf(rows) };
}

import {
  castingAsBatch,
  castingGrade,
  castingIds,
  castingOf,
  type Batch,
  type BatchSummary,
  type Product,
} from '@warm-jar/core';
import type { InferCreationAttributes } from 'sequelize';
import type { CastingRow } from './models';

/** The rows of a batch's castings, as they are worked out whenever it is written. */
export function castingRows(code: string, batch: Batch, product: Product): InferCreationAttributes<CastingRow>[] {
  return castingIds(batch).map((id, place) => {
    const casting = castingOf(batch, id);
    return {
      batchCode: code,
      place,
      casting: id,
      mould: castingAsBatch(product, batch, id).mould?.code ?? null,
      cavity: casting?.mould?.cavity ?? null,
      cup: casting?.cup ?? null,
      grade: castingGrade(batch, id),
      reason: casting?.reason ?? null,
      price: casting?.price ?? null,
      massG: casting?.massG ?? null,
      soldOn: casting?.soldOn ?? null,
    };
  });
}

/** Castings as a list shows them with their batch; none where the batch tells none apart. */
export const castingsInList = (rows: readonly CastingRow[]): BatchSummary['castings'] =>
  rows
    .filter((r) => r.casting !== null)
    .sort((a, b) => a.place - b.place)
    .map((r) => ({
      casting: r.casting!,
      mould: r.mould,
      cavity: r.cavity,
      grade: r.grade as BatchSummary['castings'][number]['grade'],
      reason: r.reason,
      price: r.price,
    }));

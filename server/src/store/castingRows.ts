import {
  castingAsBatch,
  castingGrade,
  castingIds,
  castingOf,
  looksAt,
  type Batch,
  type BatchSummary,
  type Casting,
  type Product,
} from '@warm-jar/core';
import type { InferCreationAttributes } from 'sequelize';
import type { CastingRow } from './models';

/** What a casting says of itself; nothing of it where the batch tells none apart. */
function saidOf(casting: Casting | null) {
  const { mould, cup = null, reason = null, price = null, massG = null, soldOn = null } = casting ?? {};
  return { cavity: mould?.cavity ?? null, cup, reason, price, massG, soldOn };
}

/** Words each between blanks, so that one is found by itself; nothing where there is none. */
const betweenBlanks = (words: readonly string[]) => (words.length === 0 ? '' : ` ${[...new Set(words)].join(' ')} `);

/** The rows of a batch's castings, as they are worked out whenever it is written. */
export function castingRows(code: string, batch: Batch, product: Product): InferCreationAttributes<CastingRow>[] {
  return castingIds(batch).map((id, place) => ({
    batchCode: code,
    place,
    casting: id,
    mould: castingAsBatch(product, batch, id).mould?.code ?? null,
    grade: castingGrade(batch, id),
    looked: looksAt(batch, id).length > 0 ? 1 : 0,
    seen: betweenBlanks(looksAt(batch, id).flatMap((c) => (c.symptoms ?? []).map((s) => s.kind))),
    ...saidOf(castingOf(batch, id)),
  }));
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

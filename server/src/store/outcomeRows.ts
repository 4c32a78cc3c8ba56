import type { Batch } from '@warm-jar/core';
import type { InferCreationAttributes } from 'sequelize';
import type { BatchGearRow, OutcomeRow } from './models';

/** What a batch's causes turned out to be, a row each. */
export const outcomeRows = (code: string, batch: Batch): InferCreationAttributes<OutcomeRow>[] =>
  (batch.outcome ?? []).map(({ symptom, casting, cause, how, refuted }, place) => ({
    batchCode: code,
    place,
    symptom,
    casting: casting ?? null,
    cause,
    how,
    refuted: refuted === true ? 1 : 0,
  }));

/** The gear that a batch was made with, each once. */
export function gearRows(code: string, batch: Batch): InferCreationAttributes<BatchGearRow>[] {
  const used = (kind: BatchGearRow['kind'], codes: readonly (string | null | undefined)[]) =>
    [...new Set(codes)].flatMap((gear) => (gear ? [{ batchCode: code, kind, gear }] : []));
  return [
    ...used('scale', [batch.mix?.scale]),
    ...used('vessel', [batch.pressure?.vessel]),
    ...used(
      'device',
      (batch.readings ?? []).map((r) => r.device),
    ),
  ];
}

import { lookedAt } from '../castings/castingList';
import type { Batch } from '../formats/batch';
import { checksInOrder } from '../formats/batchChecks';
import type { SeenSymptom } from './caseFacts';

/** Every symptom of every check, in the order in which it was seen. */
export function seenSymptoms(batch: Batch): SeenSymptom[] {
  return checksInOrder(batch).flatMap(({ afterH, symptoms, casting }) => {
    const of = lookedAt(batch, casting);
    return (symptoms ?? []).map(({ kind, pattern }) => ({
      kind,
      pattern,
      afterH,
      ...(of === null ? {} : { casting: of }),
    }));
  });
}

import type { Batch } from '../formats/batch';
import type { Diagnosis, SymptomDiagnosis } from '../formats/diagnosis';
import type { Product } from '../formats/product';
import { wordsIn, type Say } from '../units/wording';
import { askNext } from './ask';
import { recordFacts, type History, type RecordFacts, type SeenSymptom } from './caseFacts';
import { rankCauses } from './ledger';
import { mendFor } from './mending/mend';
import { explainedTogether } from './together';

export interface DiagnoseOptions {
  /** Wording of figures in sentences, in the units people chose; stored units otherwise. */
  readonly say?: Say | undefined;
  readonly history?: History | null | undefined;
  /** Now by the studio's clock: a look that lies after it is asked about. */
  readonly now?: Date | undefined;
}

/** Every symptom of every check, in the order in which it was seen. */
export function seenSymptoms(batch: Batch): SeenSymptom[] {
  return (batch.checks ?? [])
    .flatMap(({ afterH, symptoms }) => (symptoms ?? []).map(({ kind, pattern }) => ({ kind, pattern, afterH })))
    .sort((a, b) => a.afterH - b.afterH);
}

function diagnoseSymptom(record: RecordFacts, seen: SeenSymptom): SymptomDiagnosis {
  const facts = { ...record, seen };
  const causes = rankCauses(facts);
  return { ...seen, causes, ask: askNext(facts), mend: mendFor(facts, causes), together: explainedTogether(facts) };
}

/**
 * Argues from a batch's record, held against its product's card, to the causes of each symptom seen on it. Nothing
 * that was not recorded counts for or against; each cause carries the evidence that moved it.
 * @returns a `warm-jar.diagnosis/1` document; shares over one symptom's causes sum to 1
 */
export function diagnose(product: Product, batch: Batch, options: DiagnoseOptions = {}): Diagnosis {
  const record = recordFacts(product, batch, options.say ?? wordsIn(), options.history ?? {}, options.now ?? null);
  return {
    format: 'warm-jar.diagnosis/1',
    limits: [...record.readings.values()],
    symptoms: seenSymptoms(batch).map((seen) => diagnoseSymptom(record, seen)),
  };
}

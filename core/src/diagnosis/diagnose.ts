import { castingAsBatch, commonBatch, placeOfField } from '../castings/castingAsBatch';
import { castingsOf } from '../castings/castingList';
import type { Batch } from '../formats/batch';
import type { Diagnosis, LimitReading, SymptomDiagnosis } from '../formats/diagnosis';
import type { Product } from '../formats/product';
import { wordsIn, type Say } from '../units/wording';
import { askNext } from './ask';
import { recordFacts, type History, type RecordFacts, type SeenSymptom } from './caseFacts';
import { rankCauses } from './ledger';
import { mendFor } from './mending/mend';
import { recordBeside, type Beside } from './recordBeside';
import { seenSymptoms } from './seenSymptoms';
import { explainedTogether } from './together';
import { whatIf } from './whatIf';
import { limitReadings } from '../limits/limitReadings';

export interface DiagnoseOptions {
  /** Wording of figures in sentences, in the units people chose; stored units otherwise. */
  readonly say?: Say | undefined;
  readonly history?: History | null | undefined;
  /** What earlier batches tell of one casting, where that is known apart; else `history` is for all. */
  readonly historyOf?: ((casting: string) => History | null | undefined) | undefined;
  /** Now by the studio's clock: a look that lies after it is asked about. */
  readonly now?: Date | undefined;
}

/** Looks named by their place: that of the batch, not that of the casting's own view. */
const inBatch = <T extends { readonly field: string }>(batch: Batch, id: string, told: readonly T[]): T[] =>
  told.map((t) => (t.field.startsWith('checks[') ? { ...t, field: placeOfField(batch, id, t.field) } : t));

/** The readings of the record as it stands, those that are asked about marked. */
function limitsAsWritten({ product, say, doubts, readings }: RecordFacts, written: Batch): LimitReading[] {
  if (doubts.length === 0) return [...readings.values()];
  const why = new Map(doubts.map((d) => [d.field, d.says]));
  return limitReadings(product, written, say).map((r) => {
    const doubt = why.get(r.field) ?? (r.field === 'mix.ratioErrorPct' ? why.get('mix.amountB') : undefined);
    return doubt === undefined ? r : { ...r, doubt };
  });
}

/** A casting's diagnosis, with its fields where they stand in the batch. */
const placed = (batch: Batch, id: string, told: SymptomDiagnosis): SymptomDiagnosis => ({
  ...told,
  causes: told.causes.map((c) => ({ ...c, evidence: inBatch(batch, id, c.evidence) })),
});

/** A record as it is read, and what records beside it would say; null where it is read in two ways. */
interface Read {
  readonly facts: RecordFacts;
  readonly beside: Beside | null;
}

function diagnoseSymptom({ facts: record, beside }: Read, seen: SeenSymptom): SymptomDiagnosis {
  const weighing = whatIf({ ...record, seen }, beside);
  const facts = { ...record, seen, ...(weighing.evidence && { evidence: weighing.evidence }) };
  const causes = rankCauses(facts);
  return {
    ...seen,
    causes,
    ask: askNext(facts, weighing),
    mend: mendFor(facts, causes),
    together: explainedTogether(facts),
  };
}

/**
 * Argues from a batch's record, held against its product's card, to the causes of each symptom seen on it. Nothing
 * that was not recorded counts for or against; each cause carries the evidence that moved it. A symptom of one casting
 * is argued from that casting's own record, one of all from what they have in common.
 * @returns a `warm-jar.diagnosis/1` document; shares over one symptom's causes sum to 1
 */
export function diagnose(product: Product, batch: Batch, options: DiagnoseOptions = {}): Diagnosis {
  const say = options.say ?? wordsIn();
  const seenHere = seenSymptoms(batch);
  const read = (laid: Batch, given: History | null | undefined, isAsked: boolean): Read => {
    const [history, now] = [given ?? {}, options.now ?? null];
    return (
      (isAsked ? recordBeside(product, laid, say, history, now) : null) ?? {
        facts: recordFacts(product, laid, say, history, now),
        beside: null,
      }
    );
  };
  const common = commonBatch(product, batch);
  const whole = read(
    common,
    options.history,
    seenHere.some((seen) => seen.casting === undefined),
  );
  const known = new Map<string, Read>();
  const ofCasting = (id: string): Read => {
    const history = options.historyOf ? options.historyOf(id) : options.history;
    const facts = known.get(id) ?? read(castingAsBatch(product, batch, id), history, true);
    known.set(id, facts);
    return facts;
  };
  const symptoms = seenHere.map((seen) =>
    seen.casting === undefined
      ? diagnoseSymptom(whole, seen)
      : placed(batch, seen.casting, diagnoseSymptom(ofCasting(seen.casting), seen)),
  );
  return {
    format: 'warm-jar.diagnosis/1',
    limits: limitsAsWritten(whole.facts, common),
    doubts: whole.facts.doubts.map(({ field, says, meant }) => ({
      field,
      says,
      ...(meant === undefined ? {} : { meant }),
    })),
    ...(castingsOf(batch).length === 0
      ? {}
      : {
          castings: [...known].map(([id, { facts }]) => ({
            id,
            limits: inBatch(batch, id, limitsAsWritten(facts, castingAsBatch(product, batch, id))),
          })),
        }),
    symptoms,
  };
}

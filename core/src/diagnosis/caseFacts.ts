import { doubtsOf, unbelieved, type Doubt } from './doubts';
import { dewPointSpreadK } from '../limits/conditionReadings';
import { cureTemperatureC } from '../limits/cureTemperature';
import { limitReadings } from '../limits/limitReadings';
import { workingTime, type WorkingTime } from '../cure/workingTime';
import type { Batch } from '../formats/batch';
import type { DiagnoseRequest, Evidence, LimitReading } from '../formats/diagnosis';
import type { Product } from '../formats/product';
import type { CauseId, SymptomKind } from '../formats/vocabulary';
import type { Say } from '../units/wording';

/** One symptom as it was seen, and when. */
export interface SeenSymptom {
  readonly kind: SymptomKind;
  readonly pattern: string;
  readonly afterH: number;
  /** The casting that was looked at; absent where the look was of all of them. */
  readonly casting?: string;
}

export type History = NonNullable<DiagnoseRequest['history']>;

/** The record as the causes read it: worked out once, the same for every symptom of the batch. */
export interface RecordFacts {
  readonly product: Product;
  /** The record as it is taken to be: as written, but for figures that are more likely mistyped than not. */
  readonly batch: Batch;
  readonly say: Say;
  readonly readings: ReadonlyMap<string, LimitReading>;
  readonly working: WorkingTime;
  readonly cureC: number | null;
  readonly dewPointSpreadK: number | null;
  readonly history: History;
  /** Figures that are asked about before they are believed. */
  readonly doubts: readonly Doubt[];
  /** The other way to read it, where figures may be mistyped, and how likely that is. */
  readonly otherwise: { readonly facts: RecordFacts; readonly chance: number } | null;
}

/** The record together with the symptom that is to be explained. */
export interface CaseFacts extends RecordFacts {
  readonly seen: SeenSymptom;
  /** What speaks for and against each cause, where that was worked out already. */
  readonly evidence?: EvidenceByCause;
}

/** The evidence of every cause that could have made a fault. */
export type EvidenceByCause = ReadonlyMap<CauseId, Evidence[]>;

/**
 * Works out once what every cause's evidence looks at. A figure that is hardly likely is read both ways, as it stands
 * and as not recorded, each as likely as it is.
 */
export function recordFacts(
  product: Product,
  written: Batch,
  say: Say,
  history: History = {},
  now: Date | null = null,
): RecordFacts {
  const doubts = doubtsOf(product, written, say, now);
  const read = (batch: Batch): RecordFacts => {
    const working = workingTime(product, batch);
    return {
      product,
      batch,
      say,
      history,
      working,
      doubts,
      readings: new Map(limitReadings(product, batch, say, working).map((r) => [r.field, r])),
      cureC: cureTemperatureC(batch),
      dewPointSpreadK: dewPointSpreadK(batch),
      otherwise: null,
    };
  };
  const without = unbelieved(written, doubts);
  if (!without) return read(written);
  const [asWritten, asUnknown] = [read(written), read(without.batch)];
  return without.chance < 0.5
    ? { ...asWritten, otherwise: { facts: asUnknown, chance: without.chance } }
    : { ...asUnknown, otherwise: { facts: asWritten, chance: 1 - without.chance } };
}

/** A reading's figures where it was measured and limited, as numbers; null where it can tell nothing. */
export function figures(
  facts: RecordFacts,
  field: string,
): { measured: number; low: number | null; high: number | null; unit: string; says: string } | null {
  const r = facts.readings.get(field);
  if (!r || typeof r.measured !== 'number') return null;
  const number = (v: number | string | null) => (typeof v === 'number' ? v : null);
  return { measured: r.measured, low: number(r.low), high: number(r.high), unit: r.unit, says: r.says };
}

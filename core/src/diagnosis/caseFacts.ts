import { doubtsOf, type Doubt } from './doubts';
import { dewPointSpreadK } from '../limits/conditionReadings';
import { cureTemperatureC } from '../limits/cureReadings';
import { limitReadings } from '../limits/limitReadings';
import { workingTime, type WorkingTime } from '../cure/workingTime';
import type { Batch } from '../formats/batch';
import type { DiagnoseRequest, LimitReading } from '../formats/diagnosis';
import type { Product } from '../formats/product';
import type { SymptomKind } from '../formats/vocabulary';
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
  readonly batch: Batch;
  readonly say: Say;
  readonly readings: ReadonlyMap<string, LimitReading>;
  readonly working: WorkingTime;
  readonly cureC: number | null;
  readonly dewPointSpreadK: number | null;
  readonly history: History;
  /** Figures that are asked about before they are believed. */
  readonly doubts: readonly Doubt[];
}

/** The record together with the symptom that is to be explained. */
export interface CaseFacts extends RecordFacts {
  readonly seen: SeenSymptom;
}

/** Works out once what every cause's evidence looks at. */
export function recordFacts(
  product: Product,
  batch: Batch,
  say: Say,
  history: History = {},
  now: Date | null = null,
): RecordFacts {
  const working = workingTime(product, batch);
  return {
    product,
    batch,
    say,
    history,
    working,
    doubts: doubtsOf(product, batch, say, now),
    readings: new Map(limitReadings(product, batch, say, working).map((r) => [r.field, r])),
    cureC: cureTemperatureC(batch),
    dewPointSpreadK: dewPointSpreadK(batch),
  };
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

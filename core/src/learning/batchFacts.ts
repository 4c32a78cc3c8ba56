import { castingAsBatch, commonBatch } from '../castings/castingAsBatch';
import { castingGrade, castingOf, castingsOf, gradeCount } from '../castings/castingList';
import type { Batch, Casting } from '../formats/batch';
import type { Product } from '../formats/product';
import type { SymptomKind } from '../formats/vocabulary';
import { limitReadings } from '../limits/limitReadings';
import { settledCases, type SettledFact } from '../outcomes/settledCases';
import { castFacts, type CastFacts } from './castFacts';

/** The facts of a batch as a whole, and of each casting where it tells them apart. */
export interface BatchFacts extends CastFacts {
  readonly castings?: readonly CastFacts[];
  /** Faults whose cause is known; absent where none is. */
  readonly settled?: readonly SettledFact[];
  /** The batch it was copied from, with what was changed; absent where it was copied from none. */
  readonly copiedFrom?: {
    readonly code: string;
    readonly changes: readonly { readonly cause: string | null; readonly says: string }[];
    /** The fault that the changes were made for, where that was kept. */
    readonly symptom?: SymptomKind;
  };
}

/**
 * What share of the mix each casting has: by their masses where every one was weighed, else alike. What stayed in the
 * cup is theirs too, so the shares sum to 1: what was mixed is paid for by what came out.
 */
export function castingShares(castings: readonly Casting[]): number[] {
  const masses = castings.map((k) => k.massG ?? 0);
  const total = masses.reduce((a, b) => a + b, 0);
  return masses.every((m) => m > 0) ? masses.map((m) => m / total) : masses.map(() => 1 / masses.length);
}

const part = (massG: number | null, share: number) => (massG === null ? null : massG * share);

/** How each mend's coat is shared: among the castings it was made for. */
const mendShareG = (batch: Batch, id: string, count: number): number =>
  (batch.mends ?? []).reduce((sum, m) => {
    const of = m.castings == null ? count : m.castings.length;
    return sum + (m.castings == null || m.castings.includes(id) ? (m.coat?.massG ?? 0) / Math.max(1, of) : 0);
  }, 0);

function factsOfCasting(product: Product, batch: Batch, casting: Casting, whole: CastFacts, share: number): CastFacts {
  const view = castingAsBatch(product, batch, casting.id);
  const own = castFacts(product, view, limitReadings(product, view));
  return {
    ...own,
    casting: casting.id,
    cavity: casting.mould?.cavity ?? null,
    grade: castingGrade(batch, casting.id),
    reason: casting.reason ?? null,
    price: casting.price ?? null,
    sold: casting.soldOn != null,
    massG: part(whole.massG, share),
    massAG: part(whole.massAG, share),
    massBG: part(whole.massBG, share),
    leftG: part(whole.leftG, share),
    mendG: mendShareG(batch, casting.id, castingsOf(batch).length),
    // The witness cup is the mix's: it is told once, with the batch.
    gel: null,
  };
}

/** The one grade of a batch whose castings all have it; null where they differ, or one is open. */
export function commonGrade(batch: Pick<Batch, 'checks' | 'castings'>): CastFacts['grade'] {
  const { open, ...count } = gradeCount(batch);
  const given = Object.entries(count).filter(([, n]) => n > 0);
  return open === 0 && given.length === 1 ? (given[0]![0] as CastFacts['grade']) : null;
}

/** What is known of causes: what they turned out to be here, and what was changed against the batch before. */
function ofOutcomes(product: Product, batch: Batch): Pick<BatchFacts, 'settled' | 'copiedFrom'> {
  const settled = settledCases(product, batch);
  const { code, changes, symptom } = batch.copiedFrom ?? {};
  return {
    ...(settled.length > 0 ? { settled } : {}),
    ...(code == null
      ? {}
      : {
          copiedFrom: {
            code,
            changes: (changes ?? []).map((c) => ({ cause: c.cause ?? null, says: c.says ?? '' })),
            ...(symptom == null ? {} : { symptom }),
          },
        }),
  };
}

/** The facts of a batch, with those of its castings where it tells them apart. */
export function batchFacts(product: Product, batch: Batch): BatchFacts {
  const common = commonBatch(product, batch);
  const whole: BatchFacts = {
    ...castFacts(product, common, limitReadings(product, common)),
    grade: commonGrade(batch),
    ...ofOutcomes(product, batch),
  };
  const ids = [...new Set(castingsOf(batch).map((k) => k.id))];
  if (ids.length === 0) return whole;
  const castings = ids.map((id) => castingOf(batch, id)!);
  const shares = castingShares(castings);
  return { ...whole, castings: castings.map((k, i) => factsOfCasting(product, batch, k, whole, shares[i]!)) };
}

/** Every casting of the log by itself; a batch that tells none apart is one. */
export const castingFacts = (facts: readonly BatchFacts[]): CastFacts[] =>
  facts.flatMap((f): readonly CastFacts[] => (f.castings && f.castings.length > 0 ? f.castings : [f]));

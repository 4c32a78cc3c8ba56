import { castingAsBatch, commonBatch } from '../castings/castingAsBatch';
import { lookedAt } from '../castings/castingList';
import { recordFacts } from '../diagnosis/caseFacts';
import { cataloguePriors } from '../diagnosis/ledger';
import type { Batch } from '../formats/batch';
import type { Product } from '../formats/product';
import type { SymptomKind } from '../formats/vocabulary';
import { wordsIn } from '../units/wording';
import type { SettledCase } from './causeRates';
import { movesRates, turnedOut } from './turnedOut';

/** A fault whose cause is known, as it is kept beside its batch. */
export interface SettledFact extends SettledCase {
  readonly pattern: string;
}

/** How the fault looked when it was last seen, on the casting that is told of where it is of one. */
function lastPattern(batch: Batch, kind: SymptomKind, casting: string | null): string {
  const looks = (batch.checks ?? []).filter((c) => {
    const of = lookedAt(batch, c.casting);
    return casting === null || of === null || of === casting;
  });
  const seen = looks.flatMap((c) => (c.symptoms ?? []).filter((s) => s.kind === kind));
  return seen.at(-1)?.pattern ?? 'unspecified';
}

/**
 * The faults of a batch whose cause is known by more than judgement, one a symptom: castings of one mix that turned
 * out alike are one answer, not many.
 */
export function settledCases(product: Product, batch: Batch): SettledFact[] {
  const known = (batch.outcome ?? []).filter(movesRates);
  const kinds = [...new Set(known.map((o) => o.symptom))];
  return kinds.map((kind) => {
    const own = known.filter((o) => o.symptom === kind);
    const casting = own.at(-1)?.casting ?? null;
    const pattern = lastPattern(batch, kind, casting);
    const view = casting === null ? commonBatch(product, batch) : castingAsBatch(product, batch, casting);
    // What it turned out to be must not count in what was expected of it.
    const facts = {
      ...recordFacts(product, { ...view, outcome: null }, wordsIn()),
      seen: { kind, pattern, afterH: 0 },
    };
    return { kind, pattern, family: product.family, prior: rounded(cataloguePriors(facts)), ...turnedOut(own) };
  });
}

const rounded = (shares: ReadonlyMap<string, number>) =>
  Object.fromEntries([...shares].map(([id, share]) => [id, Math.round(share * 1e5) / 1e5]));

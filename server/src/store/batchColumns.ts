import {
  batchFacts,
  castingName,
  castingsOf,
  dueCheck,
  mixMasses,
  packFacts,
  stageOf,
  type Batch,
  type Product,
  type Symptom,
} from '@warm-jar/core';
import { searchable } from './searchWords';

/** What lists need of a batch beside its document; worked out whenever the document is written. */
export interface BatchColumns {
  readonly productSlug: string;
  readonly productRevision: number;
  readonly startedAt: string | null;
  readonly by: string | null;
  readonly mould: string | null;
  readonly stage: string;
  readonly grade: string | null;
  readonly outside: number;
  readonly search: string;
  readonly lotA: string | null;
  readonly lotB: string | null;
  readonly massAG: number | null;
  readonly massBG: number | null;
  readonly nextCheckAt: string | null;
  readonly nextCheckWhy: string | null;
  readonly massG: number | null;
  readonly note: string | null;
  /** What learning and the filters need of it, `CastFacts` as JSON. */
  readonly facts: string;
  readonly copiedFrom: string | null;
}

export const symptomsOf = (batch: Batch): Pick<Symptom, 'kind' | 'pattern'>[] => {
  const seen = new Map<string, Pick<Symptom, 'kind' | 'pattern'>>();
  for (const check of batch.checks ?? []) {
    for (const { kind, pattern } of check.symptoms ?? []) seen.set(`${kind} ${pattern}`, { kind, pattern });
  }
  return [...seen.values()];
};

/** Everything a person might remember a batch by, as it is found by words. */
function searchText(batch: Batch, product: Product): string {
  const said = [
    batch.code,
    batch.by,
    product.name,
    product.slug,
    batch.mould?.code,
    ...castingsOf(batch).flatMap((k) => [castingName(batch.code ?? '', k.id), k.mould?.code, k.reason]),
    batch.lotA?.code,
    batch.lotB?.code,
    batch.note,
    ...(batch.additives ?? []).map((a) => a.name),
    ...(batch.inclusions ?? []).map((i) => i.what),
  ];
  return searchable(said.filter(Boolean).join(' '));
}

const partMasses = (batch: Batch, product: Product) => {
  const { massAG, massBG } = mixMasses(product, batch);
  return { massAG, massBG };
};

const HOUR_MS = 3_600_000;
/** So much of a note is shown in lists. */
const NOTE_SHOWN = 120;

/** When it is to be looked at next; nothing where nobody knows when it began. */
function nextLook(batch: Batch, product: Product): Pick<BatchColumns, 'nextCheckAt' | 'nextCheckWhy'> {
  const next = dueCheck(product, batch);
  return next && batch.startedAt
    ? {
        nextCheckAt: new Date(Date.parse(batch.startedAt) + next.afterH * HOUR_MS).toISOString(),
        nextCheckWhy: next.why,
      }
    : { nextCheckAt: null, nextCheckWhy: null };
}

/** The columns of a batch. Moments are kept in UTC so that they sort. */
export function batchColumns(batch: Batch, product: Product): BatchColumns {
  const facts = batchFacts(product, batch);
  // What lies outside on any casting lies outside on the batch; each field once.
  const beyond = [facts, ...(facts.castings ?? [])].flatMap((f) => f.limits.filter((l) => !l.endsWith(':near')));
  return {
    productSlug: product.slug,
    productRevision: product.revision,
    startedAt: batch.startedAt ? new Date(batch.startedAt).toISOString() : null,
    by: batch.by ?? null,
    mould: facts.levels.mould ?? null,
    stage: stageOf(product, batch),
    grade: facts.grade,
    outside: new Set(beyond).size,
    search: searchText(batch, product),
    lotA: batch.lotA?.code ?? null,
    lotB: batch.lotB?.code ?? null,
    ...partMasses(batch, product),
    ...nextLook(batch, product),
    massG: facts.massG,
    note: batch.note ? batch.note.slice(0, NOTE_SHOWN) : null,
    facts: JSON.stringify(packFacts(facts)),
    copiedFrom: batch.copiedFrom?.code ?? null,
  };
}

import type { Batch } from '../formats/batch';
import type { Evidence } from '../formats/diagnosis';
import { keeper } from '../numeric/keptSums';
import { changesBetween } from '../numeric/watched';
import { recordFacts, type CaseFacts, type EvidenceByCause } from './caseFacts';
import type { Cause } from './cause';
import { candidates, causesInQuestion, evidenceFor, isCandidate, totalPoints } from './ledger';
import { recordBeside, type Beside } from './recordBeside';

/** The points of every cause that could have made a fault. */
export type Points = ReadonlyMap<string, number>;

/** The points of every cause, were the record this one. */
export type WhatIf = (batch: Batch) => Points;

/** What all answers are held against: the points as they are, and as they would be. */
export interface Weighing {
  readonly now: Points;
  /** Gives `now` itself where nothing that counts would change and the record is read in one way. */
  readonly after: WhatIf;
  /** The evidence that the points are of; null where the record is read in two ways. */
  readonly evidence: EvidenceByCause | null;
}

export const pointsByCause = (facts: CaseFacts): Points =>
  new Map(candidates(facts).map((c) => [c.id, totalPoints(evidenceFor(c, facts))]));

/** What a record says as if it stood by itself: the straightforward sum that all else here has to agree with. */
const asRecord = ({ product, say, history, seen }: CaseFacts, batch: Batch): CaseFacts => ({
  ...recordFacts(product, batch, say, history),
  seen,
});
export const plainWhatIf =
  (facts: CaseFacts): WhatIf =>
  (batch) =>
    pointsByCause(asRecord(facts, batch));

/** Parts of the facts that are looked at as one thing. */
const WHOLE: ReadonlySet<string> = new Set(['product', 'history', 'seen', 'doubts', 'otherwise']);

/** The evidence of a cause; null where it could not have made the fault. */
const evidenceIfAny =
  (cause: Cause) =>
  (facts: CaseFacts): Evidence[] | null =>
    isCandidate(cause, facts) ? evidenceFor(cause, facts) : null;

/**
 * Why something was done beyond a limit goes into every reading, and what it turned out to be into which causes are
 * weighed: a record that differs in these is read anew.
 */
const READ_ANEW = ['batch.bench', 'batch.outcome'];
const isReadAnew = (change: string) => change === 'batch' || READ_ANEW.some((path) => change.startsWith(path));

/**
 * The record as those with an answer are held against it: of one that is read in two ways, the way that leads, by
 * itself. Null where it holds a figure that may be mistyped, and answers are read in two ways too.
 */
function asAnswered({ product, batch, say, history, seen }: CaseFacts): { facts: CaseFacts; beside: Beside } | null {
  const read = recordBeside(product, batch, say, history);
  return read && { facts: { ...read.facts, seen }, beside: read.beside };
}

/**
 * The points of every cause under answers that are not known yet. An answer touches few parts of a record: what each
 * part and each cause looked at is noted once, and only those that an answer touches are worked out again.
 * @param known the facts of records beside this one, where they are known already
 */
export function whatIf(facts: CaseFacts, known: Beside | null = null): Weighing {
  const plain = plainWhatIf(facts);
  const base = known ? { facts, beside: known } : asAnswered(facts);
  if (base === null) return { now: pointsByCause(facts), after: plain, evidence: null };
  const { keep, touched } = keeper(base.facts, WHOLE);
  const weighed = causesInQuestion(base.facts);
  const causes = keep(weighed.map(evidenceIfAny));
  const evidence = new Map(causes.before.flatMap((of, i) => (of === null ? [] : [[weighed[i]!.id, of] as const])));
  const before: Points = new Map([...evidence].map(([id, of]) => [id as string, totalPoints(of)]));
  const after: WhatIf = (batch) => {
    const ofBatch = changesBetween(base.facts.batch, batch, 'batch');
    const found = ofBatch.some(isReadAnew) ? null : base.beside(base.facts, batch, ofBatch);
    if (found === null) return plain(batch);
    const then = causes.after(found.next, touched(found.changes));
    if (then === causes.before) return before;
    const points = new Map<string, number>();
    then.forEach((of, i) => {
      const { id } = weighed[i]!;
      if (of !== null) points.set(id, of === causes.before[i] ? before.get(id)! : totalPoints(of));
    });
    return points;
  };
  // With doubts the record as it stands may be read in two ways, and the points are those of the one that leads.
  return known !== null || facts.doubts.length === 0
    ? { now: before, after, evidence }
    : { now: pointsByCause(facts), after, evidence: null };
}

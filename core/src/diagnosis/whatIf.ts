import { workingTime, type WorkingTime } from '../cure/workingTime';
import type { Batch } from '../formats/batch';
import type { LimitReading } from '../formats/diagnosis';
import { dewPointSpreadK } from '../limits/conditionReadings';
import { cureTemperatureC } from '../limits/cureTemperature';
import { READING_PARTS, withReasons } from '../limits/limitReadings';
import { changesBetween, touchedBy, watcher } from '../numeric/watched';
import { recordFacts, type CaseFacts } from './caseFacts';
import { CATALOGUE } from './catalogue';
import { doubtsOf, unbelieved, type Doubt } from './doubts';
import { candidates, evidenceFor, isCandidate, totalPoints } from './ledger';

/** The points of every cause that could have made a fault. */
type Points = ReadonlyMap<string, number>;

/** The points of every cause, were the record this one. */
export type WhatIf = (batch: Batch) => Points;

/** What all answers are held against: the points as they are, and as they would be. */
export interface Weighing {
  readonly now: Points;
  readonly after: WhatIf;
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

const same = (a: unknown, b: unknown): boolean => a === b || changesBetween(a, b).length === 0;

/** Where the facts of two records differ. */
function changedFacts(before: CaseFacts, after: CaseFacts, ofBatch: readonly string[]): string[] {
  const fields = new Set([...before.readings.keys(), ...after.readings.keys()]);
  const readings = [...fields].filter((f) => !same(before.readings.get(f), after.readings.get(f)));
  return [
    ...ofBatch.map((path) => `batch.${path}`),
    ...(readings.length > 0 ? ['readings.*'] : []),
    ...readings.map((f) => `readings.${f}`),
    ...changesBetween(before.working, after.working, 'working'),
    ...changesBetween(before.cureC, after.cureC, 'cureC'),
    ...changesBetween(before.dewPointSpreadK, after.dewPointSpreadK, 'dewPointSpreadK'),
    ...(same(before.doubts, after.doubts) ? [] : ['doubts']),
  ];
}

/** Sums over one document: each is worked out again only where what it looked at changed. */
function keptSums<T extends object, R>(
  root: T,
  sums: readonly ((of: T) => R)[],
  whole?: ReadonlySet<string>,
): { readonly before: readonly R[]; readonly after: (next: T, changes: readonly string[]) => R[] } {
  const watch = watcher(root, whole);
  const all = sums.map((sum) => watch(sum));
  const touched = touchedBy(all.map((w) => w.reads));
  return {
    before: all.map((w) => w.value),
    after: (next, changes) => {
      const again = touched(changes);
      return all.map(({ value }, i) => (again.has(i) ? sums[i]!(next) : value));
    },
  };
}

type Timed = { readonly batch: Batch; readonly working: WorkingTime };

/** The facts of records that differ from one by an answer: each part is worked out again only where it is touched. */
function factsBeside(facts: CaseFacts): (batch: Batch, ofBatch: readonly string[]) => CaseFacts | null {
  const { product, say, history, seen } = facts;
  const doubts = keptSums(facts.batch, [(b: Batch) => doubtsOf(product, b, say)]);
  const working = keptSums(facts.batch, [(b: Batch) => workingTime(product, b)]);
  const numbers = keptSums(facts.batch, [cureTemperatureC, dewPointSpreadK]);
  const parts = keptSums<Timed, LimitReading[]>(
    { batch: facts.batch, working: facts.working },
    READING_PARTS.map((part) => (of) => part(product, of, say)),
  );
  return (batch, ofBatch) => {
    const [found] = doubts.after(batch, ofBatch) as [Doubt[]];
    // A figure that may be mistyped has two ways to be read: that is worked out as any record is.
    if (unbelieved(batch, found)) return null;
    const [time] = working.after(batch, ofBatch) as [WorkingTime];
    const ofTimed = [...ofBatch.map((p) => `batch.${p}`), ...changesBetween(facts.working, time, 'working')];
    const readings = parts.after({ batch, working: time }, ofTimed).flat();
    const [cureC, spreadK] = numbers.after(batch, ofBatch) as [number | null, number | null];
    return {
      product,
      batch,
      say,
      history,
      seen,
      doubts: found,
      working: time,
      readings: new Map(withReasons(batch, readings).map((r) => [r.field, r])),
      cureC,
      dewPointSpreadK: spreadK,
      otherwise: null,
    };
  };
}

/** The points of each cause of the catalogue; null where it could not have made the fault. */
const POINTS = CATALOGUE.map(
  (cause) => (facts: CaseFacts) => (isCandidate(cause, facts) ? totalPoints(evidenceFor(cause, facts)) : null),
);

/**
 * The points of every cause under answers that are not known yet. An answer touches few parts of a record: what each
 * part and each cause looked at is noted once, and only those that an answer touches are worked out again.
 */
export function whatIf(facts: CaseFacts): Weighing {
  const plain = plainWhatIf(facts);
  const beside = factsBeside(facts);
  const base = beside(facts.batch, []);
  if (base === null) return { now: pointsByCause(facts), after: plain };
  const causes = keptSums(base, POINTS, WHOLE);
  const after: WhatIf = (batch) => {
    const ofBatch = changesBetween(base.batch, batch);
    const next = beside(batch, ofBatch);
    return next === null ? plain(batch) : pointsOf(causes.after(next, changedFacts(base, next, ofBatch)));
  };
  // With doubts the record as it stands is read in two ways, and the points are those of the one that leads.
  return { now: facts.doubts.length === 0 ? pointsOf(causes.before) : pointsByCause(facts), after };
}

/** Points in the catalogue's order, by cause. */
const pointsOf = (all: readonly (number | null)[]): Points =>
  new Map(all.flatMap((points, i) => (points === null ? [] : [[CATALOGUE[i]!.id as string, points] as const])));

import { workingTime, type WorkingTime } from '../cure/workingTime';
import type { Batch } from '../formats/batch';
import type { LimitReading } from '../formats/diagnosis';
import type { Product } from '../formats/product';
import { dewPointSpreadK } from '../limits/conditionReadings';
import { cureTemperatureC } from '../limits/cureTemperature';
import { READING_PARTS, withReasons } from '../limits/limitReadings';
import { keeper, type KeptSums } from '../numeric/keptSums';
import { changesBetween } from '../numeric/watched';
import type { Say } from '../units/wording';
import type { CaseFacts, History, RecordFacts } from './caseFacts';
import { FINDS_DOUBTS, standingDoubts, unbelieved, type Doubt } from './doubts';

/** The facts of a record that differs by an answer, and where they differ. */
export interface Differing {
  readonly next: CaseFacts;
  readonly changes: readonly string[];
}

/**
 * The facts of records that differ from one by an answer: each part is worked out again only where it is touched.
 * @param ofBatch where the records differ, below `batch`
 * @returns null for a record that is read anew: it holds a figure that may be mistyped, and is read in two ways
 */
export type Beside = (facts: CaseFacts, batch: Batch, ofBatch: readonly string[]) => Differing | null;

/** What the parts of a record's facts go by. */
interface Timed {
  readonly batch: Batch;
  readonly working: WorkingTime;
}
type Writable<T> = { -readonly [K in keyof T]: T[K] };

/** Nobody reads the sentences of a record that is not there yet. */
const QUIET: Say = () => '';

const same = (a: unknown, b: unknown): boolean => a === b || changesBetween(a, b).length === 0;

/** Whether two readings are of the same figures, whatever the words. */
function sameFigures(a: LimitReading, b: LimitReading): boolean {
  if (a === b) return true;
  const [keys, others] = [Object.keys(a) as (keyof LimitReading)[], Object.keys(b)];
  return keys.length === others.length && keys.every((key) => key === 'says' || Object.is(a[key], b[key]));
}

/** Where the readings of a part would differ, by field. */
function changedReadings(before: readonly LimitReading[], after: readonly LimitReading[]): string[] {
  if (before === after) return [];
  if (before.length === after.length && before.every(({ field }, i) => after[i]!.field === field))
    return before.flatMap((r, i) => (sameFigures(r, after[i]!) ? [] : [r.field]));
  const of = (all: readonly LimitReading[]) => new Map(all.map((r) => [r.field, r]));
  const [a, b] = [of(before), of(after)];
  return [...new Set([...a.keys(), ...b.keys()])].filter((field) => {
    const [was, is] = [a.get(field), b.get(field)];
    return !was || !is || !sameFigures(was, is);
  });
}

function byField(batch: Batch, parts: readonly (readonly LimitReading[])[]): ReadonlyMap<string, LimitReading> {
  const all = new Map<string, LimitReading>();
  for (const r of withReasons(batch, parts.flat())) all.set(r.field, r);
  return all;
}

interface Parts {
  readonly touched: (changes: readonly string[]) => ReadonlySet<number>;
  readonly doubts: KeptSums<Timed, readonly Doubt[]>;
  readonly doubtsNow: readonly Doubt[];
  readonly working: KeptSums<Timed, WorkingTime>;
  readonly warmth: KeptSums<Timed, number | null>;
  readonly readings: KeptSums<Timed, readonly LimitReading[]>;
}

/** Works out each part of a record's facts, and notes what it looked at. */
function partsOf(product: Product, batch: Batch, say: Say, now: Date | null): Parts {
  const root: { readonly batch: Batch; working?: WorkingTime } = { batch };
  const { keep, touched } = keeper(root as Timed);
  // The record as it stands is read in words; what it would be is not.
  let words = say;
  const doubts = keep(FINDS_DOUBTS.map((find) => (of: Timed) => find(product, of.batch, words, now)));
  const working = keep([(of: Timed) => workingTime(product, of.batch)]);
  const warmth = keep([(of: Timed) => cureTemperatureC(of.batch), (of: Timed) => dewPointSpreadK(of.batch)]);
  root.working = working.before[0]!;
  const readings = keep(READING_PARTS.map((part) => (of: Timed) => part(product, of, words)));
  words = QUIET;
  return { touched, doubts, doubtsNow: standingDoubts(batch, doubts.before.flat()), working, warmth, readings };
}

/** The facts of records that differ from one by an answer. */
const besideParts =
  ({ touched, doubts, doubtsNow, working, warmth, readings }: Parts): Beside =>
  (facts, batch, ofBatch) => {
    const next: Writable<CaseFacts> = { ...facts, batch, say: QUIET };
    const touch = touched(ofBatch);
    if (touch.size === 0) return { next, changes: ofBatch };
    const changes = [...ofBatch];

    next.doubts = standingDoubts(batch, doubts.after(next, touch).flat());
    if (unbelieved(batch, next.doubts)) return null;
    if (!same(doubtsNow, next.doubts)) changes.push('doubts');

    next.working = working.after(next, touch)[0]!;
    const ofTime = changesBetween(working.before[0], next.working, 'working');
    changes.push(...ofTime);
    const parts = readings.after(next, ofTime.length === 0 ? touch : touched([...ofBatch, ...ofTime]));
    const changed = parts.flatMap((list, i) => changedReadings(readings.before[i]!, list));
    if (changed.length > 0) {
      next.readings = byField(batch, parts);
      changes.push('readings.*', ...changed.map((field) => `readings.${field}`));
    }

    const [cureC, spreadK] = warmth.after(next, touch) as [number | null, number | null];
    if (!Object.is(cureC, warmth.before[0])) changes.push('cureC');
    if (!Object.is(spreadK, warmth.before[1])) changes.push('dewPointSpreadK');
    [next.cureC, next.dewPointSpreadK] = [cureC, spreadK];
    return { next, changes };
  };

/** The facts of a record, and of those that differ from it by an answer. */
export interface RecordBeside {
  readonly facts: RecordFacts;
  readonly beside: Beside;
}

/**
 * A record's facts as `recordFacts` gives them, with those of records beside it: each part is worked out again only
 * where an answer touches what it looked at.
 * @returns null where a figure may be mistyped: such a record is read in two ways
 */
export function recordBeside(
  product: Product,
  batch: Batch,
  say: Say,
  history: History = {},
  now: Date | null = null,
): RecordBeside | null {
  const parts = partsOf(product, batch, say, now);
  if (unbelieved(batch, parts.doubtsNow)) return null;
  const [cureC, spreadK] = parts.warmth.before as [number | null, number | null];
  const facts: RecordFacts = {
    product,
    batch,
    say,
    history,
    working: parts.working.before[0]!,
    doubts: parts.doubtsNow,
    readings: byField(batch, parts.readings.before),
    cureC,
    dewPointSpreadK: spreadK,
    otherwise: null,
  };
  return { facts, beside: besideParts(parts) };
}

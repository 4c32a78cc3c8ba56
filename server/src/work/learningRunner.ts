import { deserialize, serialize } from 'node:v8';
import {
  controlChart,
  logBook,
  monthReport,
  patternsIn,
  studioFigures,
  studioRates,
  type ControlChart,
  type KeptColumns,
  type LogBook,
  type LotCard,
  type MonthReport,
  type Mould,
  type PartRange,
  type Patterns,
  type Product,
  type SettledCase,
  type StudioFigures,
  type StudioRates,
  type SymptomKind,
} from '@warm-jar/core';
import { oneAtATime } from '../store/queue';
import { entriesOf, type LogChange, type LogFeed, type LogState, type PartInBytes } from './logFeed';

/** Days of the log that are asked about: moments from which, and up to which; the whole log where left out. */
interface Within {
  readonly from?: string | undefined;
  readonly to?: string | undefined;
}

/** What is asked of a log. */
export type LogJob = Within &
  (
    | {
        readonly what: 'patterns';
        readonly names: Readonly<Record<string, string>>;
        readonly lots: readonly LotCard[];
      }
    | { readonly what: 'chart'; readonly kind: SymptomKind | null }
    | {
        readonly what: 'figures';
        readonly cards: readonly Product[];
        readonly lots: readonly LotCard[];
        readonly moulds: readonly Mould[];
      }
    | { readonly what: 'month'; readonly month: string; readonly lots: readonly LotCard[] }
  );
/** Settled faults, one batch's list of them a line: they come as one text, so that they cross to a thread at no cost. */
export interface RatesJob {
  readonly what: 'rates';
  readonly cases: string;
}
export type LearningResult = Patterns | ControlChart | StudioFigures | StudioRates | MonthReport;

/** Works through the whole log off the server's thread. */
export interface LearningRunner {
  /**
   * @param log what it is asked of, read as far as it changed since it was last asked
   * @param signal ends the waiting, and the work as soon as it can be ended @throws AbortError then
   */
  readonly run: (
    job: LogJob,
    log: LogFeed,
    onProgress: (share: number) => void,
    signal: AbortSignal,
  ) => Promise<LearningResult>;
  readonly rates: (job: RatesJob) => Promise<StudioRates>;
}

const parseLines = (text: string): unknown[] =>
  text === '' ? [] : (JSON.parse(`[${text.replaceAll('\n', ',')}]`) as unknown[]);

/** How often each cause turned out to be the one, on the thread that calls. */
export const ratesOf = ({ cases }: RatesJob): StudioRates => studioRates((parseLines(cases) as SettledCase[][]).flat());

/** Logs as they are learned from, kept up to date by what their feeds tell. */
export interface LearningDesk {
  /** @param log the log's own name @param change what changed in it since it was last told */
  readonly take: (log: string, change: LogChange) => void;
  /** What the log had come to when it was last told of; null for one that is not known, or not to its end. */
  readonly upTo: (log: string) => LogState | null;
  /** Parts of a log that are to be kept. @param kept those that are */
  readonly toKeep: (log: string, kept: readonly PartRange[]) => PartInBytes[];
  readonly answer: (log: string, job: LogJob, onProgress: (share: number) => void) => LearningResult;
}

/** Whether a question is of the facts of every batch, and not only of what patterns ask of the whole log. */
export const asksFacts = ({ what, from, to }: LogJob): boolean =>
  what !== 'patterns' || from !== undefined || to !== undefined;

function takeInto(book: LogBook, change: LogChange): void {
  if (change.held) book.hold(change.held.range, deserialize(change.held.bytes) as KeptColumns);
  else if (change.instead || change.isApart) book.lay(entriesOf(change), change.instead);
  else book.change(entriesOf(change));
}

/** Logs that are kept: the studio's own and the one to look round in. */
const KEPT = 2;

/** @param partSize batches of one part of a log, where they are to be others than usual */
export function learningDesk(partSize?: number): LearningDesk {
  const logs = new Map<string, { readonly book: LogBook; upTo: LogState | null }>();
  const logOf = (id: string, anew = false) => {
    const known = anew ? undefined : logs.get(id);
    const log = known ?? { book: logBook([], partSize), upTo: null };
    // The last that was asked stands last; the one that was not for the longest makes room.
    logs.delete(id);
    logs.set(id, log);
    if (logs.size > KEPT) logs.delete(logs.keys().next().value!);
    return log;
  };
  return {
    take: (id, change) => {
      const log = logOf(id, change.anew);
      takeInto(log.book, change);
      if (change.upTo !== null) log.upTo = change.upTo;
    },
    upTo: (id) => logs.get(id)?.upTo ?? null,
    toKeep: (id, kept) =>
      (logs.get(id)?.book.toKeep(kept) ?? []).map(({ range, columns }) => ({
        range,
        batches: columns.batches,
        bytes: serialize(columns),
      })),
    answer: (id, job, onProgress) => {
      const view = logOf(id).book.view(job.from, job.to);
      if (job.what === 'patterns') return patternsIn(view, { names: job.names, lots: job.lots, onProgress });
      if (job.what === 'month') return monthReport(view.facts, job.month, job.lots);
      if (job.what === 'chart') return controlChart(view.facts, job.kind);
      return studioFigures({ facts: view.facts, cards: job.cards, lots: job.lots, moulds: job.moulds }, onProgress);
    },
  };
}

/**
 * Keeps the parts of a log that are not kept yet. What cannot be kept is worked out again the next time: nobody who asks
 * a question is told that it failed.
 * @param at what the log had come to when it was last told of
 */
export async function keepParts(
  log: LogFeed,
  at: number,
  toKeep: (kept: readonly PartRange[]) => PartInBytes[] | Promise<PartInBytes[]>,
): Promise<void> {
  try {
    const parts = await toKeep(await log.kept());
    if (parts.length > 0) await log.keep(parts, at);
  } catch {
    // The folder is full, or the studio was closed meanwhile.
  }
}

/** On the caller's own thread: for tests and for work from sources. */
export function inlineLearner(partSize?: number): LearningRunner {
  const [desk, inTurn] = [learningDesk(partSize), oneAtATime()];
  return {
    run: (job, log, onProgress, signal) =>
      inTurn(async () => {
        signal.throwIfAborted();
        for await (const change of log.since(desk.upTo(log.id), asksFacts(job))) desk.take(log.id, change);
        const answer = desk.answer(log.id, job, onProgress);
        const upTo = desk.upTo(log.id);
        if (upTo !== null) await keepParts(log, upTo.at, (kept) => desk.toKeep(log.id, kept));
        return answer;
      }),
    rates: (job) => Promise.resolve().then(() => ratesOf(job)),
  };
}

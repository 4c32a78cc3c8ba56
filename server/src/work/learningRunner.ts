import {
  controlChart,
  findPatterns,
  monthReport,
  studioFigures,
  studioRates,
  type CastFacts,
  type ControlChart,
  type LotCard,
  type MonthReport,
  type Mould,
  type Patterns,
  type Product,
  type SettledCase,
  type StudioFigures,
  type StudioRates,
  type SymptomKind,
} from '@warm-jar/core';

/**
 * What is asked of the whole log. Facts come as one text of JSON, one batch
 * a line, so that they cross to a thread at no cost.
 */
export type LearningJob =
  | {
      readonly what: 'patterns';
      readonly facts: string;
      readonly names: Readonly<Record<string, string>>;
      readonly lots: readonly LotCard[];
    }
  | { readonly what: 'chart'; readonly facts: string; readonly kind: SymptomKind | null }
  | {
      readonly what: 'figures';
      readonly facts: string;
      readonly cards: readonly Product[];
      readonly lots: readonly LotCard[];
      readonly moulds: readonly Mould[];
    }
  | { readonly what: 'month'; readonly facts: string; readonly month: string; readonly lots: readonly LotCard[] }
  /** Settled faults, one batch's list of them a line. */
  | { readonly what: 'rates'; readonly cases: string };
export type LearningResult = Patterns | ControlChart | StudioFigures | StudioRates | MonthReport;

/** Works through the whole log off the server's thread. */
export interface LearningRunner {
  /** @param signal ends the work where nobody waits for it any more @throws AbortError then */
  readonly run: (job: LearningJob, onProgress: (share: number) => void, signal: AbortSignal) => Promise<LearningResult>;
}

const parseLines = (text: string): unknown[] =>
  text === '' ? [] : (JSON.parse(`[${text.replaceAll('\n', ',')}]`) as unknown[]);
const parse = (text: string): CastFacts[] => parseLines(text) as CastFacts[];

/** One job, on the thread that calls. */
export function learn(job: LearningJob, onProgress: (share: number) => void): LearningResult {
  if (job.what === 'rates') return studioRates((parseLines(job.cases) as SettledCase[][]).flat());
  const facts = parse(job.facts);
  onProgress(0.05);
  if (job.what === 'patterns')
    return findPatterns(facts, {
      names: job.names,
      lots: job.lots,
      onProgress: (share) => {
        onProgress(0.05 + 0.95 * share);
      },
    });
  if (job.what === 'month') return monthReport(facts, job.month, job.lots);
  if (job.what === 'chart') return controlChart(facts, job.kind);
  return studioFigures({ facts, cards: job.cards, lots: job.lots, moulds: job.moulds }, onProgress);
}

/** On the caller's own thread: for tests and for work from sources. */
export function inlineLearner(): LearningRunner {
  return {
    run: (job, onProgress, signal) =>
      Promise.resolve().then(() => {
        signal.throwIfAborted();
        return learn(job, onProgress);
      }),
  };
}

import {
  batchSchema,
  savedFilterListSchema,
  type Batch,
  type ControlChart,
  type FairTrial,
  type MonthReport,
  type Patterns,
  type SavedFilter,
  type StudioFigures,
  type SymptomKind,
} from '@warm-jar/core';
import { z } from 'zod';
import { API_PREFIX } from './base';
import { ApiProblem, read, send, withJson } from './http';

export type LearningQuestion =
  | { readonly what: 'patterns'; readonly from?: string; readonly to?: string }
  | { readonly what: 'chart'; readonly kind?: SymptomKind; readonly from?: string; readonly to?: string }
  | { readonly what: 'figures' }
  | { readonly what: 'month'; readonly month?: string };
export interface Answers {
  readonly patterns: Patterns;
  readonly chart: ControlChart;
  readonly figures: StudioFigures;
  readonly month: MonthReport;
}

const line = z.union([
  z.object({ share: z.number() }),
  z.object({ result: z.looseObject({}), remembered: z.boolean().optional() }),
  z.object({ failure: z.string() }),
]);

/** Lines of a body as they come. */
async function* linesOf(body: ReadableStream<Uint8Array>): AsyncGenerator<string> {
  const reader = body
    .pipeThrough(new TextDecoderStream() as unknown as ReadableWritablePair<string, Uint8Array>)
    .getReader();
  let rest = '';
  for (;;) {
    const { done, value } = await reader.read();
    rest += value ?? '';
    const parts = rest.split('\n');
    rest = done ? '' : (parts.pop() ?? '');
    for (const part of parts) if (part.trim() !== '') yield part;
    if (done) return;
  }
}

/**
 * Asks something of the whole log. Progress is told from 0 to 1; the signal ends the work on the server too.
 * @throws ApiProblem where it cannot be worked out
 */
export async function learn<Q extends LearningQuestion>(
  question: Q,
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<Answers[Q['what']]> {
  const query = new URLSearchParams(
    Object.entries(question).filter((e): e is [string, string] => typeof e[1] === 'string' && e[1] !== ''),
  );
  const response = await send(`/learning?${query.toString()}`, { signal });
  if (!response.body) throw new ApiProblem('unreadable', 'The server answered nothing. Try again.', 0);
  for await (const text of linesOf(response.body)) {
    const told = line.parse(JSON.parse(text));
    if ('share' in told) onProgress(told.share);
    else if ('failure' in told) throw new ApiProblem('failed', told.failure, 500);
    // The shape is the core's own, worked out by the same version of it.
    else return told.result as unknown as Answers[Q['what']];
  }
  throw new ApiProblem('cut-short', 'The answer was cut short. Try again.', 0);
}

const attempt = z.object({
  code: z.string(),
  worst: z.number().nullable(),
  changes: z.array(z.string()),
  startedAt: z.string().nullable(),
  slug: z.string(),
  note: z.string().nullable(),
});
const seriesList = z.object({
  items: z.array(
    z.object({ attempts: z.array(attempt), trend: z.enum(['better', 'worse', 'level', 'too-few']), says: z.string() }),
  ),
});
export type Series = z.infer<typeof seriesList>['items'][number];
export type TrialAttempt = z.infer<typeof attempt>;
const comparison = z.object({ trial: z.looseObject({}), batches: z.array(batchSchema) });

const importAnswer = z.object({
  applied: z.number(),
  rows: z.array(
    z.object({
      row: z.number(),
      code: z.string().nullable(),
      action: z.enum(['new', 'same', 'differs', 'refused']),
      changed: z.array(z.string()),
      issues: z.array(z.object({ path: z.string(), message: z.string() })),
    }),
  ),
});
export type BatchImportAnswer = z.infer<typeof importAnswer>;

/** Trials, filters, and batches in and out. */
export const logApi = {
  compare: async (codes: readonly string[]): Promise<{ trial: FairTrial; batches: Batch[] }> => {
    const { trial, batches } = await read(
      comparison,
      await send(`/trials/compare?${new URLSearchParams({ codes: codes.join(',') }).toString()}`),
    );
    return { trial: trial as unknown as FairTrial, batches };
  },
  series: async (): Promise<Series[]> => (await read(seriesList, await send('/trials'))).items,
  filters: async (): Promise<SavedFilter[]> => (await read(savedFilterListSchema, await send('/filters'))).items,
  saveFilter: async (filter: SavedFilter): Promise<void> => {
    await send('/filters', withJson('POST', filter));
  },
  removeFilter: async (name: string): Promise<void> => {
    await send(`/filters/${encodeURIComponent(name)}`, { method: 'DELETE' });
  },
  importBatches: async (
    rows: readonly unknown[],
    options: { apply: boolean; skipRefused: boolean; replaceOthers: boolean },
  ): Promise<BatchImportAnswer> =>
    read(importAnswer, await send('/batches/import', withJson('POST', { rows, ...options }))),
};

/** Where the log, or what a filter leaves of it, is fetched as a file. */
export const exportAddress = (type: 'csv' | 'json' | 'zip', query: Readonly<Record<string, string>>): string =>
  `${API_PREFIX}/export/batches.${type}?${new URLSearchParams(query).toString()}`;

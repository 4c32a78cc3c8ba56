import {
  SYMPTOM_KINDS,
  castingAsBatch,
  castingOf,
  endOfDayIn,
  fairTrial,
  localDay,
  parseCastingName,
  seriesTrend,
  startOfDayIn,
  worstOf,
  type Batch,
} from '@warm-jar/core';
import type { Response } from 'express';
import { z } from 'zod';
import type { AppDeps } from '../appDeps';
import { endpoint, streamEndpoint, type Endpoint } from '../http/endpoint';
import { Problem, notFound } from '../http/problem';
import { studioZone } from '../live/studioZone';
import { fewAtOnce } from '../work/fewAtOnce';
import type { LearningResult, LogJob } from '../work/learningRunner';

const day = z.iso.date().optional();
const MONTH = /^\d{4}-(0[1-9]|1[0-2])$/;
const monthOf = z.string().regex(MONTH, 'Write a month as 2026-11.');
const question = z.object({
  what: z.enum(['patterns', 'chart', 'figures', 'month'], 'Ask for patterns, chart, figures or month.'),
  month: monthOf.optional().describe('The month, for `month`; the one it is where it is left out'),
  kind: z.enum(SYMPTOM_KINDS).optional().describe('One symptom, for the chart'),
  from: day,
  to: day,
});
type Question = z.infer<typeof question>;

/** Questions worked at at once, by the one thread that keeps the log, and those that may wait for their turn. */
const [MAX_RUNNING, MAX_WAITING] = [1, 9];
/** Answers remembered until the data change. */
const MAX_REMEMBERED = 24;

type LearningDeps = Pick<AppDeps, 'facts' | 'products' | 'shelf' | 'learner' | 'log' | 'clock'>;

/** The month it is by the studio's clock. */
const monthNow = (clock: AppDeps['clock']): string => localDay(clock.now()).slice(0, 7);

async function jobOf({ products, shelf, clock }: LearningDeps, asked: Question): Promise<LogJob> {
  const within = {
    from: asked.from && startOfDayIn(asked.from, studioZone()),
    to: asked.to && endOfDayIn(asked.to, studioZone()),
  };
  if (asked.what === 'chart') return { what: 'chart', kind: asked.kind ?? null, ...within };
  const [cards, lots, moulds] = await Promise.all([products.list(), shelf.lots.list(), shelf.moulds.list()]);
  const onShelf = { lots: lots.map((l) => l.item), moulds: moulds.map((m) => m.item) };
  if (asked.what === 'month')
    return { what: 'month', month: asked.month ?? monthNow(clock), lots: onShelf.lots, ...within };
  if (asked.what === 'patterns') {
    const names = Object.fromEntries(cards.map((c) => [c.slug, c.name]));
    return { what: 'patterns', names, lots: onShelf.lots, ...within };
  }
  return { what: 'figures', cards, ...onShelf, ...within };
}

/** Writes lines of JSON as they come. */
function lineWriter(response: Response): (line: unknown) => void {
  return (line) => {
    if (response.writableEnded || response.destroyed) return;
    // Only once there is something to say: what is refused before is a refusal, not a stream.
    if (!response.headersSent)
      response.set({
        'Content-Type': 'application/x-ndjson; charset=utf-8',
        'Cache-Control': 'no-store',
        'X-Accel-Buffering': 'no',
      });
    response.write(`${JSON.stringify(line)}\n`);
  };
}

/** A signal that is given when whoever asked hangs up. */
function whenGone(response: Response): AbortSignal {
  const leave = new AbortController();
  response.on('close', () => {
    leave.abort();
  });
  return leave.signal;
}

/** Answers to what was asked before, until the data change; the oldest makes room. */
function answerCache() {
  const answers = new Map<string, LearningResult>();
  return {
    get: (key: string) => answers.get(key),
    set: (key: string, result: LearningResult) => {
      if (answers.size >= MAX_REMEMBERED) answers.delete(answers.keys().next().value!);
      answers.set(key, result);
    },
  };
}

/** A question with the month that it means: tomorrow it may be another. */
const whole = ({ clock }: LearningDeps, asked: Question): Question =>
  asked.what === 'month' ? { ...asked, month: asked.month ?? monthNow(clock) } : asked;

/** Work on the whole log: few jobs at once, and what was worked out remembered until the data change. */
function working(deps: LearningDeps) {
  const few = fewAtOnce(MAX_RUNNING, MAX_WAITING);
  return {
    cache: answerCache(),
    keyOf: async (asked: Question) => `${await deps.facts.version()} ${JSON.stringify(whole(deps, asked))}`,
    workOut: (asked: Question, onProgress: (share: number) => void, gone: AbortSignal) =>
      few.run(async () => deps.learner.run(await jobOf(deps, asked), deps.facts.feed, onProgress, gone), gone),
  };
}
type Working = ReturnType<typeof working>;

/** A month as one document. */
const month = ({ cache, workOut, keyOf }: Working): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/months/{month}',
      summary: 'A month of the studio: what went wrong and why, what was changed, yield and cost',
      params: z.object({ month: monthOf }),
      answers: { 200: { description: 'A `warm-jar.month/1` document', schema: z.looseObject({}) } },
    },
    async ({ params }) => {
      const asked: Question = { what: 'month', month: params.month };
      const key = await keyOf(asked);
      const known = cache.get(key) ?? (await workOut(asked, () => undefined, new AbortController().signal));
      cache.set(key, known);
      return { status: 200, body: known as unknown as Record<string, unknown> };
    },
  );

/**
 * What is learned from the whole log, as lines of JSON: `{"share"}` as the work goes on, then `{"result"}`. Who hangs
 * up ends the work.
 */
function learned(deps: LearningDeps, { cache, workOut, keyOf }: Working): Endpoint {
  const { log } = deps;
  return streamEndpoint(
    {
      method: 'get',
      path: '/learning',
      summary: "Patterns, a control chart, the studio's own figures or a month, as lines of JSON with progress",
      query: question,
      answers: { 200: { description: 'Lines of JSON: share, then result', types: ['application/x-ndjson'] } },
    },
    async ({ query: asked }, { response }) => {
      const key = await keyOf(asked);
      response.on('error', log);
      const say = lineWriter(response);
      const known = cache.get(key);
      if (known) {
        say({ result: known, remembered: true });
        response.end();
        return;
      }
      const gone = whenGone(response);
      try {
        const onProgress = (share: number) => {
          say({ share });
        };
        const result = await workOut(asked, onProgress, gone);
        cache.set(key, result);
        say({ result });
      } catch (error) {
        if (error instanceof Problem) throw error;
        if (!gone.aborted) {
          log(error);
          say({ failure: 'The log could not be worked through. Try again.' });
        }
      }
      response.end();
    },
  );
}

const codes = z.object({
  codes: z
    .string()
    .min(1, 'Name batches or castings, by commas: B-0412, or B-0412/k1.')
    .max(4000)
    .transform((t) =>
      t
        .split(',')
        .map((c) => c.trim())
        .filter(Boolean),
    )
    .pipe(z.array(z.string().max(200)).min(1).max(24, 'At most 24 at once.')),
});
const anything = z.looseObject({});

type TrialDeps = Pick<AppDeps, 'batches' | 'products' | 'series'>;

/** Batches by their codes; `B-0412/k1` names one casting, which is seen as a batch of its own. */
const wholly = ({ batches, products }: TrialDeps, list: readonly string[]): Promise<Batch[]> =>
  Promise.all(
    list.map(async (name) => {
      const { batch: code, casting } = parseCastingName(name);
      const { batch } = await batches.get(code);
      if (casting === null) return batch;
      if (!castingOf(batch, casting)) throw notFound(`Casting ${name}`);
      return castingAsBatch(await products.get(batch.product.slug, batch.product.revision), batch, casting);
    }),
  );

function attempt(b: Batch) {
  const kinds = [...new Set((b.checks ?? []).flatMap((c) => (c.symptoms ?? []).map((s) => s.kind)))];
  const worst = (b.checks ?? []).length === 0 ? null : Math.max(0, ...kinds.map((k) => worstOf(b, k) ?? 0));
  return {
    code: b.code ?? '',
    worst,
    changes: (b.copiedFrom?.changes ?? []).map((c) => c.says),
    startedAt: b.startedAt ?? null,
    slug: b.product.slug,
    note: b.note ?? null,
  };
}

const compared = (deps: TrialDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/trials/compare',
      summary: 'What differs between batches, what was held, what is unknown, and whether that can tell',
      query: codes,
      answers: { 200: { description: 'The trial with its batches', schema: anything } },
    },
    async ({ query }) => {
      const found = await wholly(deps, query.codes);
      return { status: 200, body: { trial: fairTrial(found), batches: found } };
    },
  );

const seriesOfCopies = (deps: TrialDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/trials',
      summary: 'Series of batches copied one from another, newest first',
      answers: { 200: { description: 'Series with their trend', schema: anything } },
    },
    async () => {
      const all = await deps.series.all();
      const items = await Promise.all(
        all.map(async (list) => {
          const attempts = (await wholly(deps, list)).map(attempt);
          return { attempts, ...seriesTrend(attempts) };
        }),
      );
      return { status: 200, body: { items } };
    },
  );

/** What the whole log tells: patterns and figures, batches held side by side, and the series that copies make. */
export const learningRoutes = (deps: LearningDeps & TrialDeps): Endpoint[] => {
  const work = working(deps);
  return [learned(deps, work), month(work), compared(deps), seriesOfCopies(deps)];
};

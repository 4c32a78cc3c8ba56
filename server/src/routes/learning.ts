import { SYMPTOM_KINDS, fairTrial, seriesTrend, worstOf, type Batch } from '@warm-jar/core';
import express, { type Request, type Response, type Router } from 'express';
import { z } from 'zod';
import { endpoint, type Endpoint } from '../http/endpoint';
import { Problem } from '../http/problem';
import type { BatchStore } from '../store/batchStore';
import type { FactStore } from '../store/factStore';
import type { ProductStore } from '../store/productStore';
import type { SeriesStore } from '../store/seriesStore';
import type { Shelf } from '../store/shelf';
import { fewAtOnce } from '../work/fewAtOnce';
import type { LearningJob, LearningResult, LearningRunner } from '../work/learningRunner';

const day = z.iso.date().optional();
const question = z.object({
  what: z.enum(['patterns', 'chart', 'figures']),
  kind: z.enum(SYMPTOM_KINDS).optional(),
  from: day,
  to: day,
});
type Question = z.infer<typeof question>;

/** Questions worked at on threads at once, and those that may wait for their turn. */
const [MAX_RUNNING, MAX_WAITING] = [2, 8];
/** Answers remembered until the data change. */
const MAX_REMEMBERED = 24;

interface LearningDeps {
  readonly facts: FactStore;
  readonly products: ProductStore;
  readonly shelf: Shelf;
  readonly learner: LearningRunner;
  readonly log: (error: unknown) => void;
}

/**
 * What is learned from the whole log, as lines of JSON: `{"share"}` as the work goes on, then `{"result"}`. Who hangs up
 * ends the work.
 */
export function learningRouter({ facts, products, shelf, learner, log }: LearningDeps): Router {
  const answers = new Map<string, LearningResult>();
  const few = fewAtOnce(MAX_RUNNING, MAX_WAITING);
  async function jobOf(asked: Question): Promise<LearningJob> {
    const lines = await facts.lines(asked.from, asked.to);
    const cards = await products.list();
    if (asked.what === 'patterns')
      return { what: 'patterns', facts: lines, names: Object.fromEntries(cards.map((c) => [c.slug, c.name])) };
    if (asked.what === 'chart') return { what: 'chart', facts: lines, kind: asked.kind ?? null };
    const [lots, moulds] = await Promise.all([shelf.lots.list(), shelf.moulds.list()]);
    return { what: 'figures', facts: lines, cards, lots: lots.map((l) => l.item), moulds: moulds.map((m) => m.item) };
  }

  async function answer(request: Request, response: Response): Promise<void> {
    const parsed = question.safeParse(request.query);
    if (!parsed.success)
      throw new Problem(
        400,
        'invalid-input',
        'Ask for patterns, chart or figures, within days such as 2026-08-01.',
        parsed.error.issues.map((i) => ({ path: i.path.join('.'), message: i.message })),
      );
    const key = `${await facts.version()} ${JSON.stringify(parsed.data)}`;
    response.on('error', log);
    const say = (line: unknown) => {
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
    const known = answers.get(key);
    if (known) {
      say({ result: known, remembered: true });
      response.end();
      return;
    }
    const leave = new AbortController();
    response.on('close', () => {
      leave.abort();
    });
    try {
      const result = await few.run(
        async () =>
          learner.run(
            await jobOf(parsed.data),
            (share) => {
              say({ share });
            },
            leave.signal,
          ),
        leave.signal,
      );
      if (answers.size >= MAX_REMEMBERED) answers.delete(answers.keys().next().value!);
      answers.set(key, result);
      say({ result });
    } catch (error) {
      if (error instanceof Problem) throw error;
      if (!leave.signal.aborted) {
        log(error);
        say({ failure: 'The log could not be worked through. Try again.' });
      }
    }
    response.end();
  }
  const router = express.Router();
  router.get('/learning', (request, response) => answer(request, response));
  return router;
}

export const LEARNING_PATHS = {
  '/learning': {
    get: {
      summary: "Patterns, a control chart or the studio's own figures, as lines of JSON with progress",
      parameters: [
        {
          name: 'what',
          in: 'query',
          required: true,
          description: 'patterns, chart or figures',
          schema: { type: 'string' },
        },
        {
          name: 'kind',
          in: 'query',
          required: false,
          description: 'One symptom, for the chart',
          schema: { type: 'string' },
        },
      ],
      responses: { 200: { description: 'Lines of JSON: share, then result', content: { 'application/x-ndjson': {} } } },
    },
  },
};

const codes = z.object({
  codes: z
    .string()
    .min(1, 'Name batches, by commas.')
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

/** Batches held side by side, and the series that copies make. */
export function trialRoutes(batches: BatchStore, series: SeriesStore): Endpoint[] {
  const wholly = async (list: readonly string[]): Promise<Batch[]> =>
    Promise.all(list.map(async (c) => (await batches.get(c)).batch));
  const attempt = (b: Batch) => {
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
  };
  return [
    endpoint(
      {
        method: 'get',
        path: '/trials/compare',
        summary: 'What differs between batches, what was held, what is unknown, and whether that can tell',
        query: codes,
        answers: { 200: { description: 'The trial with its batches', schema: anything } },
      },
      async ({ query }) => {
        const found = await wholly(query.codes);
        return { status: 200, body: { trial: fairTrial(found), batches: found } };
      },
    ),
    endpoint(
      {
        method: 'get',
        path: '/trials',
        summary: 'Series of batches copied one from another, newest first',
        answers: { 200: { description: 'Series with their trend', schema: anything } },
      },
      async () => {
        const all = await series.all();
        const items = await Promise.all(
          all.map(async (list) => {
            const attempts = (await wholly(list)).map(attempt);
            return { attempts, ...seriesTrend(attempts) };
          }),
        );
        return { status: 200, body: { items } };
      },
    ),
  ];
}

import {
  QUICK_SECONDS,
  QUICK_TOPICS,
  isRightAnswer,
  quickAnswerSchema,
  quickQuestion,
  quickViewSchema,
  rightWords,
  saidWords,
  unitsQuerySchema,
  wordsIn,
  type QuickResult,
  type QuickView,
  type Say,
} from '@warm-jar/core';
import { z } from 'zod';
import type { AppDeps } from '../appDeps';
import { endpoint, type Endpoint } from '../http/endpoint';
import { newSeed, type DrillRun, type DrillStore } from '../store/drillStore';
import type { QuickRun } from '../store/drillStores';

interface Quick {
  readonly store: DrillStore<QuickRun>;
  readonly now: () => Date;
}

const byId = z.object({ id: z.string().min(1).max(60) });
const viewAnswer = { description: 'The question, and what came of it once it is answered', schema: quickViewSchema };

function viewed({ id, person, begunAt, doc }: DrillRun<QuickRun>, say: Say): QuickView {
  const { topic, says, asks, unit, choices } = quickQuestion(doc.seed, doc.topic, say);
  return {
    id,
    topic,
    by: person,
    says: [...says],
    asks,
    unit,
    choices: [...choices],
    askedAt: begunAt,
    result: doc.result,
  };
}

const begin = ({ store }: Quick): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: '/quick-drills',
      summary: 'A sum of the bench, to be done within a minute',
      query: unitsQuerySchema,
      body: z.object({ topic: z.enum(QUICK_TOPICS) }),
      answers: { 201: viewAnswer },
    },
    async ({ query, body }) => {
      const run = await store.begin({ topic: body.topic, seed: newSeed(), result: null });
      return { status: 201, body: viewed(run, wordsIn(query)) };
    },
  );

const show = ({ store }: Quick): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/quick-drills/{id}',
      summary: 'A quick drill',
      params: byId,
      query: unitsQuerySchema,
      answers: { 200: viewAnswer },
    },
    async ({ params, query }) => ({ status: 200, body: viewed(await store.get(params.id), wordsIn(query)) }),
  );

const answer = ({ store, now }: Quick): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: '/quick-drills/{id}/answer',
      summary: 'Answer it; it is told how it is worked out',
      params: byId,
      query: unitsQuerySchema,
      body: quickAnswerSchema,
      answers: { 200: viewAnswer },
    },
    async ({ params, query, body }) => {
      const say = wordsIn(query);
      const run = await store.change(params.id, ({ doc, begunAt }) => {
        const question = quickQuestion(doc.seed, doc.topic, say);
        const seconds = Math.max(0, (now().getTime() - Date.parse(begunAt)) / 1000);
        const result: QuickResult = {
          right: isRightAnswer(question, body),
          inTime: seconds <= QUICK_SECONDS,
          seconds: Math.round(seconds * 10) / 10,
          was: rightWords(question, say),
          said: saidWords(question, body, say),
          because: [...question.because],
        };
        return { doc: { ...doc, result }, ended: true };
      });
      return { status: 200, body: viewed(run, say) };
    },
  );

/** Sums of the bench against a minute. */
export const quickDrillRoutes = ({ drills: { quick: store }, clock }: AppDeps): Endpoint[] =>
  [begin, show, answer].map((route) => route({ store, now: clock.now }));

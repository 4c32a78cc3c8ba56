import { causePage, causePageSchema, isGuidedCause, unitsQuerySchema, wordsIn } from '@warm-jar/core';
import { z } from 'zod';
import { endpoint, type Endpoint } from '../http/endpoint';
import { notFound } from '../http/problem';

/** Pages of the guide that are worked out: what the catalogue knows of a cause, in a batch that it spoiled. */
export const guideRoutes = (): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/guide/causes/{id}',
      summary: 'A cause: how it looks and comes about, what speaks for it, what tells it apart, mend and prevention',
      params: z.object({ id: z.string().min(1).max(60) }),
      query: unitsQuerySchema,
      answers: { 200: { description: 'The page', schema: causePageSchema } },
    },
    async ({ params: { id }, query }) => {
      if (!isGuidedCause(id)) throw notFound(`A page on the cause ${id}`);
      return { status: 200, body: causePage(id, wordsIn(query)) };
    },
  ),
];

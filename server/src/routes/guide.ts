import {
  FAMILIES,
  SYMPTOM_KINDS,
  causePage,
  causeTitle,
  isGuidedCause,
  mendSchema,
  unitsQuerySchema,
  wordsIn,
} from '@warm-jar/core';
import { z } from 'zod';
import { endpoint, type Endpoint } from '../http/endpoint';
import { notFound } from '../http/problem';

const shown = z.object({ kind: z.enum(SYMPTOM_KINDS), pattern: z.string() });
const pageSchema = z.object({
  id: z.string(),
  title: z.string(),
  looks: z.string(),
  how: z.string(),
  shows: z.array(shown.extend({ share: z.number() })),
  families: z.array(z.enum(FAMILIES)).nullable(),
  speaks: z.array(z.object({ field: z.string(), label: z.string(), points: z.number() })),
  tests: z.array(
    z.object({ id: z.string(), title: z.string(), how: z.string(), caution: z.string().nullable(), says: z.string() }),
  ),
  neighbours: z.array(
    z.object({
      id: z.string(),
      title: z.string(),
      tests: z.array(z.object({ title: z.string(), here: z.string(), there: z.string().nullable() })),
      here: z.array(z.string()),
      there: z.array(z.string()),
    }),
  ),
  example: shown.extend({ product: z.string() }),
  mend: mendSchema,
  prevention: z.array(z.string()),
});

/** Pages of the guide that are worked out: what the catalogue knows of a cause, in a batch that it spoiled. */
export const guideRoutes = (): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/guide/causes/{id}',
      summary: 'A cause: how it looks and comes about, what speaks for it, what tells it apart, mend and prevention',
      params: z.object({ id: z.string().min(1).max(60) }),
      query: unitsQuerySchema,
      answers: { 200: { description: 'The page', schema: pageSchema } },
    },
    async ({ params: { id }, query }) => {
      if (!isGuidedCause(id)) throw notFound(`A page on “${causeTitle(id as never)}”`);
      const page = causePage(id, wordsIn(query));
      return { status: 200, body: { ...page, families: page.families === null ? null : [...page.families] } };
    },
  ),
];

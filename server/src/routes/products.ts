import {
  problemIssueSchema,
  productListSchema,
  productSchema,
  ratioContradictions,
  storedProductSchema,
} from '@warm-jar/core';
import { z } from 'zod';
import type { AppDeps } from '../appDeps';
import { endpoint, type Endpoint } from '../http/endpoint';
import { Problem } from '../http/problem';
import { importProducts } from '../store/productImport';

const bySlug = z.object({ slug: z.string().max(80) });
const byRevision = z.object({ slug: z.string().max(80), revision: z.coerce.number().int().min(1).max(100_000) });

const flag = z.enum(['true', 'false']).default('false');
const importQuery = z.object({ apply: flag, skipRefused: flag });
const importBody = z.object({
  rows: z.array(z.looseObject({})).min(1, 'The file holds no card.').max(500, 'Bring in at most 500 cards at once.'),
});
const importAnswer = z.object({
  applied: z.number().int(),
  rows: z.array(
    z.object({
      row: z.number().int(),
      slug: z.string().nullable(),
      name: z.string().nullable(),
      action: z.enum(['new', 'next-revision', 'same', 'refused']),
      revision: z.number().int().nullable(),
      changed: z.array(z.string()),
      issues: z.array(problemIssueSchema),
    }),
  ),
});

type ProductDeps = Pick<AppDeps, 'products'>;

const list = ({ products }: ProductDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/products',
      summary: 'The newest revision of every product card',
      answers: { 200: { description: 'Cards by name', schema: productListSchema } },
    },
    async () => ({ status: 200, body: { items: await products.list() } }),
  );

const add = ({ products }: ProductDeps): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: '/products',
      summary: 'Add a product card, or the next revision of one',
      body: productSchema,
      answers: { 201: { description: 'The stored card', schema: productSchema } },
    },
    async ({ body }) => {
      const contradictions = ratioContradictions(body);
      if (contradictions.length > 0)
        throw new Problem(
          400,
          'contradiction',
          contradictions.map((c) => c.says).join(' '),
          contradictions.map((c) => ({ path: c.field, message: c.says })),
        );
      const card = await products.add(body);
      return { status: 201, body: card, location: `/api/v1/products/${card.slug}/revisions/${card.revision}` };
    },
  );

const bringIn = ({ products }: ProductDeps): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: '/products/import',
      summary: 'Look through cards to be brought in, or bring them in: all or none',
      query: importQuery,
      body: importBody,
      answers: { 200: { description: 'What each row does or would do', schema: importAnswer } },
    },
    async ({ query, body }) => ({
      status: 200,
      body: await importProducts(products, body.rows, {
        apply: query.apply === 'true',
        skipRefused: query.skipRefused === 'true',
      }),
    }),
  );

const readOne = ({ products }: ProductDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/products/{slug}',
      summary: 'A product card at its newest revision',
      params: bySlug,
      answers: { 200: { description: 'The card', schema: storedProductSchema } },
    },
    async ({ params }) => ({ status: 200, body: await products.get(params.slug) }),
  );

const revisions = ({ products }: ProductDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/products/{slug}/revisions',
      summary: 'Every revision of a product card, newest first',
      params: bySlug,
      answers: { 200: { description: 'The revisions', schema: productListSchema } },
    },
    async ({ params }) => ({ status: 200, body: { items: await products.revisions(params.slug) } }),
  );

const readRevision = ({ products }: ProductDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/products/{slug}/revisions/{revision}',
      summary: 'A product card at one revision',
      params: byRevision,
      answers: { 200: { description: 'The card', schema: storedProductSchema } },
    },
    async ({ params }) => ({ status: 200, body: await products.get(params.slug, params.revision) }),
  );

export const productRoutes = (deps: ProductDeps): Endpoint[] =>
  [list, add, bringIn, readOne, revisions, readRevision].map((make) => make(deps));

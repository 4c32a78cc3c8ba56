import { z } from 'zod';
import type { AppDeps } from '../appDeps';
import { endpoint, type Endpoint } from '../http/endpoint';
import { SEARCH_KINDS } from '../store/searchStore';

const query = z.object({ q: z.string().max(200) });
const answer = z.object({
  items: z.array(z.object({ kind: z.enum(SEARCH_KINDS), code: z.string(), title: z.string() })),
});

export function searchRoutes({ search }: Pick<AppDeps, 'search'>): Endpoint[] {
  return [
    endpoint(
      {
        method: 'get',
        path: '/search',
        summary: 'Find products, batches, lots, moulds, inclusions, additives and gear by words',
        query,
        answers: { 200: { description: 'What holds every word', schema: answer } },
      },
      async ({ query: { q } }) => ({ status: 200, body: { items: await search(q) } }),
    ),
  ];
}

import { z } from 'zod';
import type { AppDeps } from '../appDeps';
import { endpoint, type Endpoint } from '../http/endpoint';

const byCode = z.object({ code: z.string().min(1).max(200) });
const anything = z.looseObject({});

export function pieceRoutes({ pieces }: Pick<AppDeps, 'pieces'>): Endpoint[] {
  return [
    endpoint(
      {
        method: 'get',
        path: '/pieces/{code}/plan',
        summary: 'The layers of a piece in time: order, waits, and what speaks against them',
        params: byCode,
        answers: { 200: { description: 'The plan as of now', schema: anything } },
      },
      async ({ params }) => ({ status: 200, body: await pieces.plan(params.code) }),
    ),
    endpoint(
      {
        method: 'get',
        path: '/batches/{code}/pieces',
        summary: 'Where a batch lies in pieces made in layers',
        params: byCode,
        answers: { 200: { description: 'Its neighbours', schema: anything } },
      },
      async ({ params }) => ({ status: 200, body: { items: await pieces.placesOf(params.code) } }),
    ),
  ];
}

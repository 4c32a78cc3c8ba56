import { planRequestSchema, planSchema, unitsQuerySchema } from '@warm-jar/core';
import type { AppDeps } from '../appDeps';
import { endpoint, type Endpoint } from '../http/endpoint';
import { Problem } from '../http/problem';

export function planRoutes({ planner }: Pick<AppDeps, 'planner'>): Endpoint[] {
  return [
    endpoint(
      {
        method: 'post',
        path: '/plan',
        summary: 'Plan a batch: amounts, time, air, mould; nothing is stored',
        storesNothing: true,
        query: unitsQuerySchema,
        body: planRequestSchema,
        answers: { 200: { description: 'The plan', schema: planSchema } },
      },
      async ({ query, body }) => {
        const outcome = await planner.run(body, query);
        if (!outcome.ok)
          throw new Problem(400, outcome.refusal.code, outcome.refusal.message, [
            { path: outcome.refusal.path, message: outcome.refusal.message },
          ]);
        return { status: 200, body: outcome.plan };
      },
    ),
  ];
}

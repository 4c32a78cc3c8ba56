import { diagnose, diagnoseRequestSchema, diagnosisSchema, unitsQuerySchema, wordsIn } from '@warm-jar/core';
import type { AppDeps } from '../appDeps';
import { endpoint, type Endpoint } from '../http/endpoint';

export function diagnoseRoutes({ clock }: Pick<AppDeps, 'clock'>): Endpoint[] {
  return [
    endpoint(
      {
        method: 'post',
        path: '/diagnose',
        summary: 'Diagnose a batch against a card; nothing is stored',
        storesNothing: true,
        query: unitsQuerySchema,
        body: diagnoseRequestSchema,
        answers: { 200: { description: 'The diagnosis', schema: diagnosisSchema } },
      },
      async ({ query, body }) => ({
        status: 200,
        body: diagnose(body.product, body.batch, {
          history: body.history ?? {},
          say: wordsIn(query),
          now: clock.now(),
        }),
      }),
    ),
  ];
}

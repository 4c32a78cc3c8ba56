import { dueCheckListSchema, mouldSpotsSchema } from '@warm-jar/core';
import { z } from 'zod';
import type { AppDeps } from '../appDeps';
import { endpoint, type Endpoint } from '../http/endpoint';

const DAY_MS = 86_400_000;
/** A look this long overdue is let be, unless it is asked for, days. */
const LATE_DAYS = 14;
const daysQuery = z.object({
  days: z.coerce.number('Write a number of days.').min(0).max(400).default(2),
  late: z.coerce.number('Write a number of days.').min(0).max(4000).default(LATE_DAYS),
});

type CheckDeps = Pick<AppDeps, 'checks' | 'past' | 'pieces' | 'clock'>;

const dueLayers = ({ pieces, clock }: CheckDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/layers/due',
      summary: 'Layers to be poured next within some days, soonest first',
      query: daysQuery,
      answers: {
        200: {
          description: 'Due layers',
          schema: z.object({
            items: z.array(
              z.object({
                piece: z.string(),
                name: z.string(),
                /** 0 where it is a joint that is due. */
                layer: z.number(),
                join: z.number().optional(),
                product: z.string(),
                at: z.string(),
                says: z.string(),
              }),
            ),
          }),
        },
      },
    },
    async ({ query }) => ({
      status: 200,
      body: {
        items: (await pieces.due(new Date(clock.now().getTime() + query.days * DAY_MS))).sort((a, b) =>
          a.at.localeCompare(b.at),
        ),
      },
    }),
  );

const dueLooks = ({ checks, clock }: CheckDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/checks/due',
      summary: 'Looks that are due within some days, soonest first; late ones too, up to `late` days',
      query: daysQuery,
      answers: { 200: { description: 'Due looks', schema: dueCheckListSchema } },
    },
    async ({ query }) => ({
      status: 200,
      body: {
        items: await checks.due(
          new Date(clock.now().getTime() - query.late * DAY_MS),
          new Date(clock.now().getTime() + query.days * DAY_MS),
        ),
      },
    }),
  );

const spots = ({ past }: CheckDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/moulds/{code}/spots',
      summary: 'Where faults recur on a mould, and whether chance would do that',
      params: z.object({ code: z.string().min(1).max(200) }),
      answers: { 200: { description: 'By cavity', schema: mouldSpotsSchema } },
    },
    async ({ params }) => ({ status: 200, body: await past.spots(params.code) }),
  );

export const checkRoutes = (deps: CheckDeps): Endpoint[] => [dueLayers, dueLooks, spots].map((make) => make(deps));

import {
  afterCare,
  comeBacks,
  cureTemperatureC,
  dueCheckListSchema,
  mouldSpotsSchema,
  stageOf,
  workingTime,
  type Batch,
  type DueCheck,
  type Product,
} from '@warm-jar/core';
import express, { type Request, type Response, type Router } from 'express';
import ical, { ICalCalendarMethod } from 'ical-generator';
import { z } from 'zod';
import type { AccessStore } from '../access/accessStore';
import { actorOf, type AccessOptions } from '../access/gate';
import { tokenId } from '../access/secrets';
import { endpoint, type Endpoint } from '../http/endpoint';
import { Problem } from '../http/problem';
import type { BatchStore } from '../store/batchStore';
import type { CheckStore } from '../store/checkStore';
import type { PastStore } from '../store/pastStore';
import type { LayerDue, PieceStore } from '../store/pieceStore';
import type { ProductStore } from '../store/productStore';

const DAY_MS = 86_400_000;
/** A look this long overdue is let be, unless it is asked for, days. */
const LATE_DAYS = 14;
const daysQuery = z.object({
  days: z.coerce.number('Write a number of days.').min(0).max(400).default(2),
  late: z.coerce.number('Write a number of days.').min(0).max(4000).default(LATE_DAYS),
});

export function checkRoutes(checks: CheckStore, past: PastStore, pieces: PieceStore, now: () => Date): Endpoint[] {
  return [
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
                  layer: z.number(),
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
          items: (await pieces.due(new Date(now().getTime() + query.days * DAY_MS))).sort((a, b) =>
            a.at.localeCompare(b.at),
          ),
        },
      }),
    ),

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
            new Date(now().getTime() - query.late * DAY_MS),
            new Date(now().getTime() + query.days * DAY_MS),
          ),
        },
      }),
    ),

    endpoint(
      {
        method: 'get',
        path: '/moulds/{code}/spots',
        summary: 'Where faults recur on a mould, and whether chance would do that',
        params: z.object({ code: z.string().min(1).max(200) }),
        answers: { 200: { description: 'By cavity', schema: mouldSpotsSchema } },
      },
      async ({ params }) => ({ status: 200, body: await past.spots(params.code) }),
    ),
  ];
}

/** A thing to be done at a moment, as a calendar keeps it. */
interface AgendaItem {
  readonly id: string;
  readonly at: Date;
  readonly says: string;
  readonly about: string;
}

/** How far ahead the calendar goes, and how long something is shown as, ms. */
const AHEAD_MS = 60 * DAY_MS;
const SHOWN_MS = 15 * 60_000;
/** What is this long past is taken as done. */
const PAST_MS = DAY_MS / 2;

const lookItem = (c: DueCheck): AgendaItem => ({
  id: `${c.code}-look`,
  at: new Date(c.at),
  says: `Look at ${c.code}`,
  about: `${c.productName}${c.mould ? `, mould ${c.mould}` : ''}: ${c.why}.`,
});

const layerItem = (l: LayerDue): AgendaItem => ({
  id: `${l.piece}-layer-${l.layer}`,
  at: new Date(l.at),
  says: `Layer ${l.layer} of ${l.piece}: ${l.product}`,
  about: `${l.name}: ${l.says}`,
});

function workItems(product: Product, batch: Batch, from: Date): AgendaItem[] {
  const stage = stageOf(product, batch);
  if (!batch.startedAt || (stage !== 'watch' && stage !== 'check')) return [];
  const start = Date.parse(batch.startedAt);
  const backs =
    stage === 'watch'
      ? comeBacks(product, workingTime(product, batch).gelMin, batch.pour?.finishedMin ?? 0)
      : afterCare(product, batch, cureTemperatureC(batch) ?? 20);
  return backs
    .map((b, i) => ({
      id: `${batch.code}-${b.what}-${i}`,
      at: new Date(start + b.afterMin * 60_000),
      says: `${b.what[0]!.toUpperCase()}${b.what.slice(1)} ${batch.code}`,
      about: `${product.name}: ${b.says}`,
    }))
    .filter((item) => item.at.getTime() > from.getTime() - PAST_MS && item.at.getTime() < from.getTime() + AHEAD_MS);
}

/** Batches in work that the calendar looks through. */
const MAX_IN_WORK = 200;

/** The agenda as iCalendar (RFC 5545): what a phone or a wall calendar subscribes to. */
export function agendaRouter(deps: {
  checks: CheckStore;
  batches: BatchStore;
  products: ProductStore;
  pieces: PieceStore;
  now: () => Date;
  mayRead: MayRead;
}): Router {
  const router = express.Router();
  router.get('/agenda.ics', async (request, response) => {
    if (!(await deps.mayRead(request, response)))
      throw new Problem(401, 'calendar', 'This address of the calendar holds no secret, or one that was renewed.');
    const from = deps.now();
    const due = await deps.checks.due(
      new Date(from.getTime() - LATE_DAYS * DAY_MS),
      new Date(from.getTime() + AHEAD_MS),
    );
    const page = await deps.batches.list({ page: 1, pageSize: MAX_IN_WORK, sort: '-startedAt', stage: 'in-work' });
    const inWork = await Promise.all(
      page.items.map(async ({ code }) => {
        const { batch } = await deps.batches.get(code);
        return workItems(await deps.products.get(batch.product.slug, batch.product.revision), batch, from);
      }),
    );
    const layers = await deps.pieces.due(new Date(from.getTime() + AHEAD_MS));
    const calendar = ical({
      name: 'Warm Jar',
      prodId: { company: 'Warm Jar', product: 'agenda', language: 'EN' },
      method: ICalCalendarMethod.PUBLISH,
      ttl: 1800,
    });
    for (const item of [...due.map(lookItem), ...layers.map(layerItem), ...inWork.flat()]) {
      calendar.createEvent({
        id: `${item.id}@warm-jar`,
        stamp: from,
        start: item.at,
        end: new Date(item.at.getTime() + SHOWN_MS),
        summary: item.says,
        description: item.about,
      });
    }
    response.type('text/calendar; charset=utf-8').set('Cache-Control', 'no-store').send(calendar.toString());
  });
  return router;
}

/** Whether a request may read the calendar. */
export type MayRead = (request: Request, response: Response) => Promise<boolean>;

/** On a network a calendar proves itself by the secret in its address, for it cannot sign in; who signed in may look too. */
export function mayReadCalendar({ mode }: AccessOptions, people: AccessStore): MayRead {
  return async (request, response) => {
    if (mode !== 'people' || actorOf(response) !== null) return true;
    const key = request.query['key'];
    return typeof key === 'string' && tokenId(key) === tokenId(await people.calendarKey());
  };
}

/** Its place in the OpenAPI document: the answer is a calendar, not JSON. */
export const AGENDA_PATHS = {
  '/agenda.ics': {
    get: {
      summary: 'Looks and work that are due, as iCalendar',
      responses: { 200: { description: 'RFC 5545', content: { 'text/calendar': {} } } },
    },
  },
};

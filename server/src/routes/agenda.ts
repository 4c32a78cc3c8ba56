import {
  comeBacks,
  cureTemperatureC,
  finishBacks,
  stageOf,
  workingTime,
  type Batch,
  type DueCheck,
  type Product,
} from '@warm-jar/core';
import type { Response } from 'express';
import ical, { ICalCalendarMethod } from 'ical-generator';
import { z } from 'zod';
import { actorOf } from '../access/gate';
import { tokenId } from '../access/secrets';
import type { AppDeps } from '../appDeps';
import { streamEndpoint, type Endpoint } from '../http/endpoint';
import { Problem } from '../http/problem';
import type { LayerDue } from '../store/pieceStore';

const DAY_MS = 86_400_000;
/** A look this long overdue is let be, days. */
const LATE_DAYS = 14;

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
  id: l.join === undefined ? `${l.piece}-layer-${l.layer}` : `${l.piece}-join-${l.join}-${l.at}`,
  at: new Date(l.at),
  says: l.join === undefined ? `Layer ${l.layer} of ${l.piece}: ${l.product}` : `Joint of ${l.piece}`,
  about: `${l.name}: ${l.says}`,
});

function workItems(product: Product, batch: Batch, from: Date): AgendaItem[] {
  const stage = stageOf(product, batch);
  if (!batch.startedAt || (stage !== 'watch' && stage !== 'check')) return [];
  const start = Date.parse(batch.startedAt);
  const backs =
    stage === 'watch'
      ? comeBacks(product, workingTime(product, batch).gelMin, batch.pour?.finishedMin ?? 0)
      : finishBacks(product, batch, cureTemperatureC(batch) ?? 20);
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

type AgendaDeps = Pick<AppDeps, 'checks' | 'batches' | 'products' | 'pieces' | 'clock' | 'access' | 'people'>;

/**
 * On a network a calendar proves itself by the secret in its address, for
 * it cannot sign in; who signed in may look too.
 */
async function requireReader({ access, people }: AgendaDeps, key: string | undefined, response: Response) {
  if (access.mode !== 'people' || actorOf(response) !== null) return;
  if (key !== undefined && tokenId(key) === tokenId(await people.calendarKey())) return;
  throw new Problem(401, 'calendar', 'This address of the calendar holds no secret, or one that was renewed.');
}

/** Everything that is due: looks, layers, and work on batches that cure or came out. */
async function itemsFrom({ checks, batches, products, pieces }: AgendaDeps, from: Date): Promise<AgendaItem[]> {
  const ahead = new Date(from.getTime() + AHEAD_MS);
  const due = await checks.due(new Date(from.getTime() - LATE_DAYS * DAY_MS), ahead);
  const page = await batches.list({ page: 1, pageSize: MAX_IN_WORK, sort: '-startedAt', stage: 'in-work' });
  const inWork = await Promise.all(
    page.items.map(async ({ code }) => {
      const { batch } = await batches.get(code);
      return workItems(await products.get(batch.product.slug, batch.product.revision), batch, from);
    }),
  );
  const layers = await pieces.due(ahead);
  return [...due.map(lookItem), ...layers.map(layerItem), ...inWork.flat()];
}

function calendarOf(items: readonly AgendaItem[], stamp: Date): string {
  const calendar = ical({
    name: 'Warm Jar',
    prodId: { company: 'Warm Jar', product: 'agenda', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
    ttl: 1800,
  });
  for (const item of items) {
    calendar.createEvent({
      id: `${item.id}@warm-jar`,
      stamp,
      start: item.at,
      end: new Date(item.at.getTime() + SHOWN_MS),
      summary: item.says,
      description: item.about,
    });
  }
  return calendar.toString();
}

/** The agenda as iCalendar (RFC 5545): what a phone or a wall calendar subscribes to. */
export const agendaRoutes = (deps: AgendaDeps): Endpoint[] => [
  streamEndpoint(
    {
      method: 'get',
      path: '/agenda.ics',
      summary: 'Looks and work that are due, as iCalendar',
      query: z.object({ key: z.string().optional() }),
      answers: { 200: { description: 'RFC 5545', types: ['text/calendar'] } },
    },
    async ({ query }, { response }) => {
      await requireReader(deps, query.key, response);
      const from = deps.clock.now();
      const text = calendarOf(await itemsFrom(deps, from), from);
      response.type('text/calendar; charset=utf-8').set('Cache-Control', 'no-store').send(text);
    },
  ),
];

import { deviceTokenSchema } from '@warm-jar/core';
import { z } from 'zod';
import { actorNow } from '../access/actor';
import { endpoint, type Endpoint } from '../http/endpoint';
import { byId, code, label, type AccessDeps } from './accessDeps';

const calendar = z.object({ path: z.string() });
const calendarPath = (key: string) => ({ path: `/api/v1/agenda.ics?key=${key}` });

const listTokens = ({ store }: AccessDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/tokens',
      summary: 'Tokens that devices on a wire speak by',
      answers: { 200: { description: 'By device', schema: z.object({ items: z.array(deviceTokenSchema) }) } },
    },
    async () => ({ status: 200, body: { items: await store.deviceTokens() } }),
  );

const addToken = ({ store }: AccessDeps): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: '/tokens',
      summary: 'A token for one device; it is told this once',
      body: z.object({ device: code, label }),
      answers: { 201: { description: 'The token', schema: z.object({ id: z.string(), token: z.string() }) } },
    },
    async ({ body }) => ({
      status: 201,
      body: await store.addDeviceToken(body.device, body.label, actorNow()?.person ?? null),
    }),
  );

const endToken = ({ store }: AccessDeps): Endpoint =>
  endpoint(
    {
      method: 'delete',
      path: '/tokens/{id}',
      summary: 'Take a token back',
      params: byId,
      answers: { 204: { description: 'Taken back' } },
    },
    async ({ params }) => {
      await store.endDeviceToken(params.id);
      return { status: 204 };
    },
  );

const readCalendar = ({ store }: AccessDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/calendar',
      summary: 'The address that a calendar subscribes to; it holds a secret',
      answers: { 200: { description: 'The address', schema: calendar } },
    },
    async () => ({ status: 200, body: calendarPath(await store.calendarKey()) }),
  );

const renewCalendar = ({ store }: AccessDeps): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: '/calendar/renew',
      summary: 'Another secret in the calendar’s address; the one before opens nothing any more',
      answers: { 200: { description: 'The address', schema: calendar } },
    },
    async () => ({ status: 200, body: calendarPath(await store.calendarKey(true)) }),
  );

/** Tokens of devices on a wire, and the secret in the calendar's address. */
export const tokenRoutes = (deps: AccessDeps): Endpoint[] =>
  [listTokens, addToken, endToken, readCalendar, renewCalendar].map((make) => make(deps));

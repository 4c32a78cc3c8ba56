import { postedReadingSchema } from '@warm-jar/core';
import express, { type Router } from 'express';
import { z } from 'zod';
import type { AccessStore } from '../access/accessStore';
import { bearerOf } from '../access/gate';
import { endpoint, type Endpoint } from '../http/endpoint';
import { Problem } from '../http/problem';
import { MAX_BODY_BYTES, boundBody } from '../http/bounds';
import { refusedBy } from '../http/refused';
import type { ReadingStore } from '../store/readingStore';

/** Readings sent at once. */
const MOST = 100;
const body = z.union([
  postedReadingSchema.transform((r) => [r]),
  z.array(postedReadingSchema).min(1, 'Send at least one.').max(MOST, `At most ${MOST} at once.`),
]);

/** The open way for a device to speak: by its own token, which opens nothing else. */
export function readingRouter(readings: ReadingStore, access: AccessStore, now: () => Date): Router {
  const router = express.Router();
  router.post(
    '/devices/:code/readings',
    express.json({ limit: MAX_BODY_BYTES }),
    boundBody,
    async (request, response) => {
      const token = bearerOf(request);
      const device = token === null ? null : await access.deviceOf(token);
      if (device === null) throw new Problem(401, 'token', 'Send the device’s own token, as Authorization: Bearer …');
      if (device !== request.params.code)
        throw new Problem(403, 'not-yours', `This token is of ${device}. It speaks for no other device.`);
      const parsed = body.safeParse(request.body);
      if (!parsed.success) throw refusedBy(parsed.error);
      await readings.add(device, parsed.data, now());
      response.status(204).end();
    },
  );
  return router;
}

export const READING_PATHS = {
  '/devices/{code}/readings': {
    post: {
      summary: 'A reading of a device, or a list of up to 100, by the device’s own token',
      parameters: [{ name: 'code', in: 'path', required: true, schema: { type: 'string' } }],
      requestBody: {
        required: true,
        content: { 'application/json': { schema: z.toJSONSchema(z.array(postedReadingSchema)) } },
      },
      responses: { 204: { description: 'Stored' } },
    },
  },
};

/** What a device posted last. */
export function readingRoutes(readings: ReadingStore): Endpoint[] {
  const told = z.object({
    at: z.string(),
    receivedAt: z.string(),
    what: z.string(),
    value: z.number(),
    unit: z.string(),
  });
  return [
    endpoint(
      {
        method: 'get',
        path: '/devices/{code}/readings',
        summary: 'The latest readings that a device posted, newest first',
        params: z.object({ code: z.string().min(1).max(200) }),
        answers: { 200: { description: 'Readings', schema: z.object({ items: z.array(told) }) } },
      },
      async ({ params }) => ({ status: 200, body: { items: await readings.latest(params.code, MOST) } }),
    ),
  ];
}

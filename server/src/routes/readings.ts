import { postedReadingSchema } from '@warm-jar/core';
import { z } from 'zod';
import type { AppDeps } from '../appDeps';
import { endpoint, type Endpoint } from '../http/endpoint';
import { Problem } from '../http/problem';

/** Readings sent at once. */
const MOST = 100;
const body = z.union([
  postedReadingSchema.transform((r) => [r]),
  z.array(postedReadingSchema).min(1, 'Send at least one.').max(MOST, `At most ${MOST} at once.`),
]);

type ReadingDeps = Pick<AppDeps, 'readings' | 'people' | 'clock'>;
const byCode = z.object({ code: z.string().min(1).max(200) });

/** The open way for a device to speak: by its own token, which opens nothing else. */
const post = ({ readings, people, clock }: ReadingDeps): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: '/devices/{code}/readings',
      summary: 'A reading of a device, or a list of up to 100, by the device’s own token',
      // A device does nothing that anybody would look up.
      storesNothing: true,
      params: byCode,
      body,
      answers: { 204: { description: 'Stored' } },
    },
    async ({ params, body: sent, client }) => {
      const device = client.bearer === null ? null : await people.deviceOf(client.bearer);
      if (device === null) throw new Problem(401, 'token', 'Send the device’s own token, as Authorization: Bearer …');
      if (device !== params.code)
        throw new Problem(403, 'not-yours', `This token is of ${device}. It speaks for no other device.`);
      await readings.add(device, sent, clock.now());
      return { status: 204 };
    },
  );

const told = z.object({
  at: z.string(),
  receivedAt: z.string(),
  what: z.string(),
  value: z.number(),
  unit: z.string(),
});

const latest = ({ readings }: ReadingDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/devices/{code}/readings',
      summary: 'The latest readings that a device posted, newest first',
      params: byCode,
      answers: { 200: { description: 'Readings', schema: z.object({ items: z.array(told) }) } },
    },
    async ({ params }) => ({ status: 200, body: { items: await readings.latest(params.code, MOST) } }),
  );

/** What devices on a wire post, and what they posted last. */
export const readingRoutes = (deps: ReadingDeps): Endpoint[] => [post, latest].map((make) => make(deps));

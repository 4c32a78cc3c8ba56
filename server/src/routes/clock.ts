import { clockEventSchema } from '@warm-jar/core';
import { z } from 'zod';
import type { AppDeps } from '../appDeps';
import { endpoint, type Endpoint } from '../http/endpoint';
import { Problem } from '../http/problem';
import { clockMoment } from '../live/studioClock';

/** The longest step that a set clock is moved on by, s: a year. */
const MAX_STEP_S = 366 * 86_400;

const stepSchema = z.object({
  advanceS: z
    .number('Write how many seconds to go on, such as 90.')
    .min(0, 'A clock goes forward only.')
    .max(MAX_STEP_S),
});

/** The studio's clock: read by anybody, moved on only where it was set when the studio was started. */
export function clockRoutes({ clock, bus }: Pick<AppDeps, 'clock' | 'bus'>): Endpoint[] {
  return [
    endpoint(
      {
        method: 'get',
        path: '/clock',
        summary: "The studio's moment, and its seconds in one of the wall's",
        answers: { 200: { description: 'The clock', schema: clockEventSchema } },
      },
      () => Promise.resolve({ status: 200, body: clockMoment(clock) }),
    ),
    endpoint(
      {
        method: 'post',
        path: '/clock',
        summary: 'Move a set clock on, to try out what is timed; a clock that follows the wall is not moved',
        body: stepSchema,
        storesNothing: true,
        answers: { 200: { description: 'The clock', schema: clockEventSchema } },
      },
      ({ body }) => {
        if (!clock.advance)
          throw new Problem(
            409,
            'clock-not-set',
            "This studio's clock follows the wall. Start it with WARM_JAR_NOW to try out another time.",
          );
        clock.advance(body.advanceS);
        bus.publishClock();
        return Promise.resolve({ status: 200, body: clockMoment(clock) });
      },
    ),
  ];
}

import type { Response } from 'express';
import { z } from 'zod';
import type { AccessStore } from '../access/accessStore';
import { actorOf } from '../access/gate';
import { DeviceSilent, type Device, type Subject } from '../devices/device';
import type { AppDeps } from '../appDeps';
import { streamEndpoint, type Endpoint } from '../http/endpoint';
import { Problem } from '../http/problem';
import { clockMoment, type StudioClock } from '../live/studioClock';

/** How often a device's figures are sent, and how often the clock, ms. */
const [READING_MS, CLOCK_MS] = [250, 10_000];
/** How long a subject that was looked up stands before it is looked up again, ms. */
const SUBJECT_MS = 2_000;
const MAX_STREAMS = 64;

const query = z.object({
  devices: z.string().max(200).optional().describe('Codes to watch, by commas'),
  batch: z.string().max(200).optional().describe('The batch that thermometer and tester are pointed at'),
});

type EventDeps = Pick<AppDeps, 'bus' | 'clock' | 'devices' | 'log'> & {
  readonly people: Pick<AccessStore, 'isLive' | 'onEnded'>;
};

/** What may wait to be sent to a screen that does not read, bytes; beyond it the screen is let go, and joins again. */
const MAX_WAITING = 1_000_000;

function send(response: Response, name: string, data: unknown): void {
  if (response.writableEnded || response.destroyed) return;
  response.write(`event: ${name}\ndata: ${JSON.stringify(data)}\n\n`);
  if (response.writableLength > MAX_WAITING) response.destroy();
}

/** Figures of the devices that a screen watches, told as they change. */
function watchDevices(
  response: Response,
  watched: readonly Device[],
  code: string | undefined,
  clock: StudioClock,
  log: (error: unknown) => void,
): () => void {
  const subjects = new Map<string, { subject: Subject | null; atMs: number }>();
  const subjectFor = async (device: Device): Promise<Subject | null> => {
    if (!device.subjectOf || !code) return null;
    const known = subjects.get(device.code);
    if (known && Date.now() - known.atMs < SUBJECT_MS) return known.subject;
    const subject = await device.subjectOf(code).catch(() => null);
    subjects.set(device.code, { subject, atMs: Date.now() });
    return subject;
  };
  const told = new Map<string, string>();
  const tick = async () => {
    for (const device of watched) {
      const subject = await subjectFor(device);
      const at = clock.now();
      let values: unknown = null;
      try {
        values = device.read(at, subject);
      } catch (error) {
        if (!(error instanceof DeviceSilent)) throw error;
      }
      const text = JSON.stringify(values);
      if (told.get(device.code) === text) continue;
      told.set(device.code, text);
      send(response, 'reading', { code: device.code, at: at.toISOString(), values });
    }
  };
  let running = false;
  const timer = setInterval(() => {
    if (!running) {
      running = true;
      tick()
        .catch(log)
        .finally(() => {
          running = false;
        });
    }
  }, READING_MS);
  return () => {
    clearInterval(timer);
  };
}

/** What ends a stream's own timers and subscriptions. */
type Stop = () => void;

/** Tells the clock now and every few seconds, and lets go of a screen whose device was signed out meanwhile. */
function tellClock(response: Response, { clock, people, log }: EventDeps): Stop {
  const session = actorOf(response)?.session ?? null;
  const tell = () => {
    send(response, 'clock', clockMoment(clock));
  };
  // A device that is signed out hears nothing more.
  const letGo = async () => {
    if (session !== null && !(await people.isLive(session))) response.end();
  };
  const stopAccess = people.onEnded(() => {
    letGo().catch(log);
  });
  tell();
  const timer = setInterval(() => {
    tell();
    // A device that the command on the machine signed out, beside this process.
    letGo().catch(log);
  }, CLOCK_MS);
  return () => {
    clearInterval(timer);
    stopAccess();
  };
}

function tellChanges(response: Response, { bus, clock }: EventDeps): Stop {
  return bus.subscribe((told) => {
    if (told.what === 'batch') {
      send(response, 'batch', told.change);
      return;
    }
    if (told.what === 'clock') {
      send(response, 'clock', clockMoment(clock));
      return;
    }
    send(response, 'replaced', {});
    // This stream is the replaced studio's: the screen joins the new one's.
    response.end();
  });
}

/** The stream that keeps screens in step: the clock, changes of batches, and the figures of devices. */
export function eventRoutes(deps: EventDeps): Endpoint[] {
  const { devices, clock, log } = deps;
  let streams = 0;
  const stream = streamEndpoint(
    {
      method: 'get',
      path: '/events',
      summary:
        'Server-sent events: `clock`, `batch` (a change), `replaced` (by a copy that was put back), `reading` (a device, or silence)',
      query,
      answers: { 200: { description: 'The stream', types: ['text/event-stream'] } },
    },
    ({ query: asked }, { response }) => {
      if (streams >= MAX_STREAMS)
        throw new Problem(429, 'too-many-screens', 'Too many screens listen at once. Close one.');
      streams += 1;
      response.set({
        'Content-Type': 'text/event-stream',
        'Cache-Control': 'no-store',
        Connection: 'keep-alive',
        'X-Accel-Buffering': 'no',
      });
      response.flushHeaders();
      const codes = new Set((asked.devices ?? '').split(',').filter(Boolean));
      const watched = devices.filter((d) => codes.has(d.code));
      const stops = [tellClock(response, deps), tellChanges(response, deps)];
      if (watched.length > 0) stops.push(watchDevices(response, watched, asked.batch, clock, log));
      response.on('error', log);
      response.on('close', () => {
        streams -= 1;
        for (const stop of stops) stop();
      });
    },
  );
  return [stream];
}

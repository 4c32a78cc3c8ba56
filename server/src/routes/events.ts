import type { ReadingEvent } from '@warm-jar/core';
import type { Response } from 'express';
import { z } from 'zod';
import type { AccessStore } from '../access/accessStore';
import { actorOf } from '../access/gate';
import type { Device, Subject } from '../devices/device';
import type { Devices } from '../devices/devices';
import { readDevice } from '../devices/readDevice';
import type { AppDeps } from '../appDeps';
import { streamEndpoint, type Endpoint } from '../http/endpoint';
import { Problem } from '../http/problem';
import type { NumberedChange } from '../live/changeBus';
import { clockMoment } from '../live/studioClock';

/** How often a device's figures are sent, and how often the clock, ms. */
const [READING_MS, CLOCK_MS] = [250, 10_000];
/** How long what was looked up stands before it is looked up again, ms. */
const LOOKED_UP_MS = 2_000;
const MAX_STREAMS = 64;

const query = z.object({
  devices: z.string().max(200).optional().describe('Codes to watch, by commas'),
  batch: z.string().max(200).optional().describe('The batch that thermometer and tester are pointed at'),
  age: z.coerce
    .number()
    .min(0)
    .optional()
    .describe('How old the answers are that a page shows, ms: what changed meanwhile is told at once'),
});

type EventDeps = Pick<AppDeps, 'bus' | 'clock' | 'devices' | 'log'> & {
  readonly people: Pick<AccessStore, 'isLive' | 'onEnded'>;
};

/** What may wait to be sent to a screen that does not read, bytes; beyond it the screen is let go, and joins again. */
const MAX_WAITING = 1_000_000;

function send(response: Response, name: string, data: unknown, id?: string): void {
  if (response.writableEnded || response.destroyed) return;
  response.write(`${id === undefined ? '' : `id: ${id}\n`}event: ${name}\ndata: ${JSON.stringify(data)}\n\n`);
  if (response.writableLength > MAX_WAITING) response.destroy();
}

/** What ends a stream's own timers and subscriptions. */
type Stop = () => void;

/** Looks up what a device is pointed at, and holds on to it for a little while. */
function subjectLookup(code: string | undefined) {
  const known = new Map<string, { subject: Subject | null; atMs: number }>();
  return async (device: Device): Promise<Subject | null> => {
    if (!device.subjectOf || !code) return null;
    const held = known.get(device.code);
    if (held && Date.now() - held.atMs < LOOKED_UP_MS) return held.subject;
    const subject = await device.subjectOf(code).catch(() => null);
    known.set(device.code, { subject, atMs: Date.now() });
    return subject;
  };
}

/** The devices of some codes, looked up anew now and then: gear comes and goes while a screen watches. */
function deviceLookup(devices: Devices, codes: ReadonlySet<string>) {
  let [found, atMs]: [readonly Device[], number] = [[], -Infinity];
  return async () => {
    if (Date.now() - atMs < LOOKED_UP_MS) return found;
    found = (await devices.list()).filter((d) => codes.has(d.code));
    atMs = Date.now();
    return found;
  };
}

/**
 * Figures of the devices that a screen watches, told as they change. Each is read by itself, so that a slow one keeps
 * none of the others waiting.
 */
function watchDevices(
  response: Response,
  { devices, clock, log }: EventDeps,
  codes: ReadonlySet<string>,
  batch: string | undefined,
): Stop {
  const subjectFor = subjectLookup(batch);
  const watched = deviceLookup(devices, codes);
  const told = new Map<string, string>();
  const reading = new Set<string>();
  async function tell(device: Device): Promise<void> {
    if (reading.has(device.code)) return;
    reading.add(device.code);
    try {
      const at = clock.now();
      const now = {
        ...(await readDevice(device, at, await subjectFor(device))),
        holder: devices.holderOf(device.code),
      };
      const text = JSON.stringify(now);
      if (told.get(device.code) === text) return;
      told.set(device.code, text);
      const event: ReadingEvent = {
        code: device.code,
        at: at.toISOString(),
        values: now.values && [...now.values],
        says: now.says,
        holder: now.holder,
      };
      send(response, 'reading', event);
    } finally {
      reading.delete(device.code);
    }
  }
  const tick = async () => {
    await Promise.all((await watched()).map(tell));
  };
  const timer = setInterval(() => {
    tick().catch(log);
  }, READING_MS);
  return () => {
    clearInterval(timer);
  };
}

/** Tells the clock now and every few seconds, and lets go of a screen whose device was signed out meanwhile. */
function tellClock(response: Response, { bus, clock, people, log }: EventDeps): Stop {
  const session = actorOf(response)?.session ?? null;
  const tell = () => {
    // A screen that loses the stream says by this what it was told of, and hears the rest when it comes again.
    send(response, 'clock', clockMoment(clock), bus.latest());
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

/**
 * @param lastId of the last change that this screen was told of, where it was on this stream before
 * @param ageMs how old the answers are that its page shows
 */
function tellChanges(
  response: Response,
  { bus, clock }: EventDeps,
  { lastId, ageMs }: { readonly lastId: string | undefined; readonly ageMs: number | undefined },
): Stop {
  const tell = ({ id, ...change }: NumberedChange) => {
    send(response, 'batch', change, id);
  };
  if (lastId !== undefined) bus.after(lastId).forEach(tell);
  else if (ageMs !== undefined) bus.within(ageMs).forEach(tell);
  return bus.subscribe((told) => {
    if (told.what === 'batch') {
      tell(told.change);
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
  const { log } = deps;
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
    ({ query: asked }, { request, response }) => {
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
      const stops = [
        tellClock(response, deps),
        tellChanges(response, deps, { lastId: request.get('last-event-id'), ageMs: asked.age }),
      ];
      if (codes.size > 0) stops.push(watchDevices(response, deps, codes, asked.batch));
      response.on('error', log);
      response.on('close', () => {
        streams -= 1;
        for (const stop of stops) stop();
      });
    },
  );
  return [stream];
}

import express, { type Response, type Router } from 'express';
import { z } from 'zod';
import type { AccessStore } from '../access/accessStore';
import { actorOf } from '../access/gate';
import { DeviceSilent, type Device, type Subject } from '../devices/device';
import { Problem } from '../http/problem';
import type { ChangeBus } from '../live/changeBus';
import type { StudioClock } from '../live/studioClock';

/** How often a device's figures are sent, and how often the clock, ms. */
const [READING_MS, CLOCK_MS] = [250, 10_000];
/** How long a subject that was looked up stands before it is looked up again, ms. */
const SUBJECT_MS = 2_000;
const MAX_STREAMS = 64;

const query = z.object({ devices: z.string().max(200).optional(), batch: z.string().max(200).optional() });

interface EventDeps {
  readonly bus: ChangeBus;
  readonly clock: StudioClock;
  readonly devices: readonly Device[];
  readonly log: (error: unknown) => void;
  readonly access: Pick<AccessStore, 'isLive' | 'onEnded'>;
}

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

/** The stream that keeps screens in step: the clock, changes of batches, and the figures of devices. */
export function eventsRouter({ bus, clock, devices, log, access }: EventDeps): Router {
  const router = express.Router();
  let streams = 0;
  router.get('/events', (request, response) => {
    const parsed = query.safeParse(request.query);
    if (!parsed.success) throw new Problem(400, 'invalid-input', 'The query cannot be read.');
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
    const tellClock = () => {
      send(response, 'clock', { now: clock.now().toISOString(), speed: clock.speed });
    };
    tellClock();
    const codes = new Set((parsed.data.devices ?? '').split(',').filter(Boolean));
    const stopDevices =
      codes.size > 0
        ? watchDevices(
            response,
            devices.filter((d) => codes.has(d.code)),
            parsed.data.batch,
            clock,
            log,
          )
        : () => undefined;
    const stopBus = bus.subscribe((told) => {
      if (told.what === 'batch') send(response, 'batch', told.change);
      else {
        send(response, 'replaced', {});
        // This stream is the replaced studio's: the screen joins the new one's.
        response.end();
      }
    });
    const session = actorOf(response)?.session ?? null;
    // A device that is signed out hears nothing more.
    const letGo = async () => {
      if (session !== null && !(await access.isLive(session))) response.end();
    };
    const stopAccess = access.onEnded(() => {
      letGo().catch(log);
    });
    const timer = setInterval(() => {
      tellClock();
      // A device that the command on the machine signed out, beside this process.
      letGo().catch(log);
    }, CLOCK_MS);
    response.on('error', log);
    response.on('close', () => {
      streams -= 1;
      clearInterval(timer);
      stopBus();
      stopAccess();
      stopDevices();
    });
  });
  return router;
}

/** Its place in the OpenAPI document. */
export const EVENT_PATHS = {
  '/events': {
    get: {
      summary:
        'Server-sent events: `clock`, `batch` (a change), `replaced` (by a copy that was put back), `reading` (a device, or silence)',
      parameters: [
        {
          name: 'devices',
          in: 'query',
          required: false,
          description: 'Codes to watch, by commas',
          schema: { type: 'string' },
        },
        {
          name: 'batch',
          in: 'query',
          required: false,
          description: 'The batch that thermometer and tester are pointed at',
          schema: { type: 'string' },
        },
      ],
      responses: { 200: { description: 'The stream', content: { 'text/event-stream': {} } } },
    },
  },
};

import { deviceActSchema, deviceListSchema, deviceReadingSchema } from '@warm-jar/core';
import { z } from 'zod';
import { DeviceSilent, type Device } from '../devices/device';
import type { AppDeps } from '../appDeps';
import { endpoint, type Endpoint } from '../http/endpoint';
import { Problem, notFound } from '../http/problem';

const byCode = z.object({ code: z.string().min(1).max(80) });
const ofBatch = z.object({ batch: z.string().min(1).max(200).optional() });

type DeviceDeps = Pick<AppDeps, 'devices' | 'clock'>;

function find(devices: readonly Device[], code: string): Device {
  const device = devices.find((d) => d.code === code);
  if (!device) throw notFound(`Device ${code}`);
  return device;
}

const list = ({ devices }: DeviceDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/devices',
      summary: 'The devices that can be read',
      answers: { 200: { description: 'By code', schema: deviceListSchema } },
    },
    () =>
      Promise.resolve({
        status: 200,
        body: { items: devices.map(({ code, name, kind, standIn }) => ({ code, name, kind, standIn })) },
      }),
  );

const readNow = ({ devices, clock }: DeviceDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/devices/{code}/reading',
      summary: 'What a device shows now',
      params: byCode,
      query: ofBatch,
      answers: { 200: { description: 'Its values', schema: deviceReadingSchema } },
    },
    async ({ params, query }) => {
      const device = find(devices, params.code);
      const subject = query.batch && device.subjectOf ? await device.subjectOf(query.batch) : null;
      const at = clock.now();
      try {
        return {
          status: 200,
          body: { code: device.code, at: at.toISOString(), values: [...device.read(at, subject)] },
        };
      } catch (cause) {
        if (!(cause instanceof DeviceSilent)) throw cause;
        throw new Problem(409, 'device-silent', `${cause.message} Type the figure in, or try again.`, [], { cause });
      }
    },
  );

const act = ({ devices, clock }: DeviceDeps): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: '/devices/{code}/act',
      summary: 'Work a stand-in as hands would',
      storesNothing: true,
      params: byCode,
      body: deviceActSchema,
      answers: { 204: { description: 'Done' } },
    },
    ({ params, body }) => {
      const device = find(devices, params.code);
      if (!device.act) throw new Problem(409, 'not-a-stand-in', `${device.name} is worked by hand.`);
      device.act(clock.now(), body);
      return Promise.resolve({ status: 204 });
    },
  );

export const deviceRoutes = (deps: DeviceDeps): Endpoint[] => [list, readNow, act].map((make) => make(deps));

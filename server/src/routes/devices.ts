import { deviceActSchema, deviceListSchema, deviceReadingSchema, deviceSchema, takeDeviceSchema } from '@warm-jar/core';
import { z } from 'zod';
import type { AppDeps } from '../appDeps';
import type { Device } from '../devices/device';
import { deviceInfo, type Devices } from '../devices/devices';
import { readDevice } from '../devices/readDevice';
import { endpoint, type Endpoint } from '../http/endpoint';
import { Problem, notFound } from '../http/problem';

const byCode = z.object({ code: z.string().min(1).max(80) });
const ofBatch = z.object({ batch: z.string().min(1).max(200).optional() });

type DeviceDeps = Pick<AppDeps, 'devices' | 'clock'>;

/** @throws Problem 404 */
async function find(devices: Devices, code: string): Promise<Device> {
  const device = (await devices.list()).find((d) => d.code === code);
  if (!device) throw notFound(`Device ${code}`);
  return device;
}

const list = ({ devices }: DeviceDeps): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/devices',
      summary: 'The pieces of gear that can be read',
      answers: { 200: { description: 'By code', schema: deviceListSchema } },
    },
    async () => ({
      status: 200,
      body: { items: (await devices.list()).map((d) => deviceInfo(d, devices.holderOf(d.code))) },
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
      const device = await find(devices, params.code);
      const subject = query.batch && device.subjectOf ? await device.subjectOf(query.batch) : null;
      const at = clock.now();
      const told = await readDevice(device, at, subject);
      if (told.values === null)
        throw new Problem(409, 'device-silent', `${told.says} Type the figure in, or try again.`);
      return { status: 200, body: { code: device.code, at: at.toISOString(), values: [...told.values] } };
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
    async ({ params, body }) => {
      const device = await find(devices, params.code);
      if (!device.act) throw new Problem(409, 'not-a-stand-in', `${device.name} is worked by hand.`);
      device.act(clock.now(), body);
      return { status: 204 };
    },
  );

const take = ({ devices }: DeviceDeps): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: '/devices/{code}/take',
      summary: "Take a device for a batch's bench; from another's only where `over` says so",
      storesNothing: true,
      params: byCode,
      body: takeDeviceSchema,
      answers: { 200: { description: 'The device', schema: deviceSchema } },
    },
    async ({ params, body }) => {
      const device = await find(devices, params.code);
      const holder = devices.take(device.code, body.batch, body.over);
      if (holder !== body.batch)
        throw new Problem(
          409,
          'in-use',
          `${holder} is at ${device.name}. Take it over only if ${holder} is done with it.`,
        );
      return { status: 200, body: deviceInfo(device, holder) };
    },
  );

const leave = ({ devices }: DeviceDeps): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: '/devices/{code}/leave',
      summary: "Let a device go that a batch's bench had",
      storesNothing: true,
      params: byCode,
      body: takeDeviceSchema.pick({ batch: true }),
      answers: { 204: { description: 'Free, or in other hands' } },
    },
    ({ params, body }) => {
      devices.leave(params.code, body.batch);
      return Promise.resolve({ status: 204 });
    },
  );

export const deviceRoutes = (deps: DeviceDeps): Endpoint[] =>
  [list, readNow, act, take, leave].map((make) => make(deps));

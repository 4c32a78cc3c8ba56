import { deviceListSchema, deviceReadingSchema } from '@warm-jar/core';
import { z } from 'zod';
import type { Device } from '../devices/device';
import { endpoint, type Endpoint } from '../http/endpoint';
import { Problem, notFound } from '../http/problem';

const byCode = z.object({ code: z.string().min(1).max(80) });

export function deviceRoutes(devices: readonly Device[], now: () => Date = () => new Date()): Endpoint[] {
  return [
    endpoint({ method: 'get', path: '/devices', summary: 'The devices that can be read', answers: { 200: { description: 'By code', schema: deviceListSchema } } },
      () => Promise.resolve({ status: 200, body: { items: devices.map(({ code, name, kind, standIn }) => ({ code, name, kind, standIn })) } })),
    endpoint({ method: 'get', path: '/devices/{code}/reading', summary: 'What a device shows now', params: byCode, answers: { 200: { description: 'Its values', schema: deviceReadingSchema } } }, async ({ params }) => {
      const device = devices.find((d) => d.code === params.code);
      if (!device) throw notFound(`Device ${params.code}`);
      const at = now();
      try {
        return { status: 200, body: { code: device.code, at: at.toISOString(), values: [...await device.read(at)] } };
      } catch (cause) {
        throw new Problem(503, 'device-silent', `${device.name} does not answer. Type the figure in, or try again.`, [], { cause });
      }
    }),
  ];
}

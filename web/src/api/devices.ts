import { deviceListSchema, deviceReadingSchema, type DeviceAct, type DeviceReading } from '@warm-jar/core';
import type { z } from 'zod';
import { read, send, withJson } from './http';

/** The part of the API that reads devices. */
export const devicesApi = {
  list: async (): Promise<z.infer<typeof deviceListSchema>['items']> =>
    (await read(deviceListSchema, await send('/devices'))).items,
  act: async (code: string, act: DeviceAct): Promise<void> => {
    await send(`/devices/${encodeURIComponent(code)}/act`, withJson('POST', act));
  },
  /** Takes a device for a batch's bench, from another's only where `over` says so. */
  take: async (code: string, batch: string, over: boolean): Promise<void> => {
    await send(`/devices/${encodeURIComponent(code)}/take`, withJson('POST', { batch, over }));
  },
  /** Lets a device go. It is sent even by a page that is being left. */
  leave: async (code: string, batch: string): Promise<void> => {
    await send(`/devices/${encodeURIComponent(code)}/leave`, { ...withJson('POST', { batch }), keepalive: true });
  },
  /** @param batch what a thermometer or tester is pointed at */
  reading: async (code: string, batch?: string): Promise<DeviceReading> =>
    read(
      deviceReadingSchema,
      await send(
        `/devices/${encodeURIComponent(code)}/reading${batch ? `?${new URLSearchParams({ batch }).toString()}` : ''}`,
      ),
    ),
};

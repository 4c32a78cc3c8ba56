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
  /** @param batch what a thermometer or tester is pointed at */
  reading: async (code: string, batch?: string): Promise<DeviceReading> =>
    read(
      deviceReadingSchema,
      await send(
        `/devices/${encodeURIComponent(code)}/reading${batch ? `?${new URLSearchParams({ batch }).toString()}` : ''}`,
      ),
    ),
};

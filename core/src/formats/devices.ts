import { z } from 'zod';

export const DEVICE_KINDS = ['room-sensor'] as const;
const values = z.array(z.object({ what: z.enum(['room', 'humidity']), value: z.number(), unit: z.string() }));

/** The devices a server can read. */
export const deviceListSchema = z.object({ items: z.array(z.object({ code: z.string(), name: z.string(), kind: z.enum(DEVICE_KINDS), standIn: z.boolean() })) });
/** What a device shows at a moment. */
export const deviceReadingSchema = z.object({ code: z.string(), at: z.string(), values });
export type DeviceReading = z.infer<typeof deviceReadingSchema>;

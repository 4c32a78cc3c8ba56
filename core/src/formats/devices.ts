import { z } from 'zod';
import { isoMoment } from './quantities';

export const DEVICE_KINDS = [
  'room-sensor',
  'scale',
  'thermometer',
  'vessel-gauge',
  'vacuum-gauge',
  'hardness-tester',
] as const;
export type DeviceKind = (typeof DEVICE_KINDS)[number];

/** One figure that a device shows, in stored units. */
export const deviceValueSchema = z.object({
  what: z.enum(['room', 'humidity', 'scale', 'resin', 'surface', 'gauge', 'vacuum', 'shore']),
  value: z.number(),
  unit: z.string(),
  /** Whether the display has come to rest. */
  settled: z.boolean(),
});
export type DeviceValue = z.infer<typeof deviceValueSchema>;

/** The devices a server can read. */
export const deviceListSchema = z.object({
  items: z.array(z.object({ code: z.string(), name: z.string(), kind: z.enum(DEVICE_KINDS), standIn: z.boolean() })),
});
/** What a device shows at a moment. */
export const deviceReadingSchema = z.object({ code: z.string(), at: z.string(), values: z.array(deviceValueSchema) });
export type DeviceReading = z.infer<typeof deviceReadingSchema>;

const gramsEach = z.number().min(-10_000).max(100_000);
const minutes = z.number().min(0).max(1000);
/** Something that hands would do to a device; only stand-ins take it. */
export const deviceActSchema = z.discriminatedUnion('do', [
  z.object({ do: z.literal('put'), massG: gramsEach }),
  z.object({ do: z.literal('pour'), massG: gramsEach.positive(), gPerS: z.number().positive().max(10_000) }),
  z.object({ do: z.literal('clear') }),
  z.object({
    do: z.literal('fill'),
    toKPa: z.number().min(0).max(2000),
    minutes,
    leakKPaPerMin: z.number().min(0).max(1000).optional(),
  }),
  z.object({ do: z.literal('bleed'), minutes }),
  z.object({ do: z.literal('silence'), seconds: z.number().min(0).max(86_400) }),
]);
export type DeviceAct = z.infer<typeof deviceActSchema>;

/** What the stream of events tells. */
export const clockEventSchema = z.object({ now: isoMoment, speed: z.number() });
export const changeEventSchema = z.object({ code: z.string(), version: z.number().nullable() });
export const readingEventSchema = z.object({
  code: z.string(),
  at: z.string(),
  values: z.array(deviceValueSchema).nullable(),
});

import { z } from 'zod';
import { isoMoment } from './quantities';
import { READING_WHATS } from './vocabulary';

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

/** A device that the server can read: a piece of gear that speaks. */
export const deviceSchema = z.object({
  /** The code of the gear. */
  code: z.string(),
  name: z.string(),
  kind: z.enum(DEVICE_KINDS),
  /** Whether its figures are made up by the application. */
  standIn: z.boolean(),
  /** What a scale steps by, g; null for others, and where its gear does not say. */
  stepG: z.number().nullable(),
  /** The batch whose bench reads it: others leave it alone. Null where it is free. */
  holder: z.string().nullable(),
});
export type DeviceInfo = z.infer<typeof deviceSchema>;
export const deviceListSchema = z.object({ items: z.array(deviceSchema) });
/** A bench takes a scale for its batch, from another one only where somebody said so. */
export const takeDeviceSchema = z.object({ batch: z.string().min(1).max(200), over: z.boolean().default(false) });
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
  /** Null where it shows nothing that can be gone by. */
  values: z.array(deviceValueSchema).nullable(),
  /** What is the matter with it, by its name; null where nothing is. */
  says: z.string().nullable(),
  holder: z.string().nullable(),
});
export type ReadingEvent = z.infer<typeof readingEventSchema>;

/** Units that a figure may come in; those it is kept in. */
const POSTED_UNITS: Readonly<Record<(typeof READING_WHATS)[number], string>> = {
  resin: 'C',
  surface: 'C',
  mould: 'C',
  room: 'C',
  humidity: '%',
  scale: 'g',
  gauge: 'kPa',
  vacuum: 'kPa',
  shore: 'Shore',
};
/** What can be at a bench at all; what the instrument itself can show is narrower. */
export const DEVICE_RANGES: Readonly<Record<(typeof READING_WHATS)[number], readonly [number, number]>> = {
  resin: [-40, 400],
  surface: [-40, 400],
  mould: [-40, 400],
  room: [-40, 80],
  humidity: [0, 100],
  scale: [-100_000, 1_000_000],
  gauge: [-150, 5_000],
  vacuum: [0, 150],
  shore: [0, 100],
};

/** A figure that a device on a wire posts. */
export const postedReadingSchema = z
  .object({
    at: isoMoment,
    what: z.enum(READING_WHATS),
    value: z.number('Write a number.'),
    unit: z.string().max(20),
  })
  .superRefine(({ what, value, unit }, ctx) => {
    const [low, high] = DEVICE_RANGES[what];
    if (unit.replace('°', '') !== POSTED_UNITS[what])
      ctx.addIssue({ code: 'custom', path: ['unit'], message: `Send ${what} in ${POSTED_UNITS[what]}.` });
    if (value < low || value > high)
      ctx.addIssue({ code: 'custom', path: ['value'], message: `Must be ${low} to ${high} ${POSTED_UNITS[what]}.` });
  });

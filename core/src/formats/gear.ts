import { z } from 'zod';
import type { DeviceKind } from './devices';
import * as q from './quantities';

/** `simulated`: by a stand-in that ships with the application. `posts`: it sends its figures by a token of its own. */
export const DEVICE_WAYS = ['simulated', 'posts'] as const;

const volumeL = z.number('Write a volume in L.').positive('Must be more than 0 L.').max(100_000);
const commonSchema = z.looseObject({
  format: z.literal('warm-jar.gear/1', 'Expected "warm-jar.gear/1".'),
  code: q.shortText.min(1, 'Give the piece a code, such as G-03.'),
  name: q.shortText.min(1, 'Give the piece a name.'),
  note: q.longText.nullish(),
  /** How the application reads it; not at all where it is absent. */
  device: z.enum(DEVICE_WAYS).nullish(),
});

/** `warm-jar.gear/1`: a piece of equipment, with the figures that later steps plan by. */
export const gearSchema = z
  .discriminatedUnion('kind', [
    z.looseObject({
      ...commonSchema.shape,
      kind: z.literal('scale'),
      stepG: q.positiveMassG.nullish(),
      capacityG: q.positiveMassG.nullish(),
    }),
    z.looseObject({
      ...commonSchema.shape,
      kind: z.literal('thermometer'),
      stepC: z.number().positive().max(10).nullish(),
    }),
    z.looseObject({
      ...commonSchema.shape,
      kind: z.literal('pressure-vessel'),
      freeL: volumeL.nullish(),
      ratedKPa: q.gaugeKPa.positive('A vessel without a rating must not be pressed.'),
      inspectionDue: q.isoDate.nullish(),
    }),
    z.looseObject({
      ...commonSchema.shape,
      kind: z.literal('compressor'),
      tankL: volumeL.nullish(),
      cutOutKPa: q.gaugeKPa.nullish(),
      freeAirLPerMin: z.number().min(0).max(100_000).nullish(),
    }),
    z.looseObject({ ...commonSchema.shape, kind: z.literal('vacuum-pump'), ultimateKPaAbs: q.absoluteKPa.nullish() }),
    z.looseObject({ ...commonSchema.shape, kind: z.literal('vacuum-chamber'), volumeL: volumeL.nullish() }),
    z.looseObject({
      ...commonSchema.shape,
      kind: z.literal('lamp'),
      irradianceMWPerCM2: z.number().min(0).max(100_000).nullish(),
      wavelengthNm: z.number().min(200).max(700).nullish(),
      hours: q.hours.nullish(),
    }),
    z.looseObject({ ...commonSchema.shape, kind: z.literal('room-sensor') }),
    z.looseObject({ ...commonSchema.shape, kind: z.literal('hardness-tester') }),
    z.looseObject({ ...commonSchema.shape, kind: z.literal('hot-box'), maxC: q.temperatureC.nullish() }),
    z.looseObject({
      ...commonSchema.shape,
      kind: z.literal('cup'),
      volumeML: z.number().positive().max(1e6).nullish(),
      diameterMm: q.positiveLengthMm.nullish(),
      /** Empty. */
      massG: q.positiveMassG.nullish(),
      material: q.shortText.nullish(),
    }),
  ])
  .superRefine((gear, ctx) => {
    if (gear.kind === 'scale' && gear.stepG != null && gear.capacityG != null && gear.stepG >= gear.capacityG) {
      ctx.addIssue({
        code: 'custom',
        path: ['stepG'],
        message: `A scale that weighs to ${gear.capacityG} g cannot step by ${gear.stepG} g.`,
      });
    }
  });

export const GEAR_KINDS = [
  'scale',
  'thermometer',
  'pressure-vessel',
  'compressor',
  'vacuum-pump',
  'vacuum-chamber',
  'lamp',
  'room-sensor',
  'hardness-tester',
  'hot-box',
  'cup',
] as const;
export type GearKind = (typeof GEAR_KINDS)[number];
export type Gear = z.infer<typeof gearSchema>;
export type PressureVessel = Extract<Gear, { kind: 'pressure-vessel' }>;

/** What a piece of gear shows where the application reads it; kinds that show nothing are not among them. */
export const DEVICE_KIND_OF_GEAR: Readonly<Partial<Record<GearKind, DeviceKind>>> = {
  scale: 'scale',
  thermometer: 'thermometer',
  'pressure-vessel': 'vessel-gauge',
  'vacuum-pump': 'vacuum-gauge',
  'vacuum-chamber': 'vacuum-gauge',
  'room-sensor': 'room-sensor',
  'hardness-tester': 'hardness-tester',
};

import { deviceReadingSchema, saltmarshCard, soundBatch } from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import type { Device, Subject } from './device';
import { standInDevices } from './standIns';

const product = saltmarshCard('house-clear-6');
const subject: Subject = {
  product,
  batch: soundBatch('house-clear-6', { startedAt: '2026-03-14T09:00:00+00:00', checks: [] }),
};
const devices = standInDevices(() => Promise.resolve(subject));
const at = (minutes: number) => new Date(Date.parse('2026-03-14T09:00:00Z') + minutes * 60_000);
/** What a device shows; null where it is silent just then, as real ones are. */
function shown(device: Device, minutes: number) {
  try {
    return device.read(at(minutes), subject);
  } catch {
    return null;
  }
}
const first = (device: Device) => {
  for (let minute = 1; minute < 60; minute += 1) {
    const values = shown(device, minute);
    if (values && values.length > 0) return values;
  }
  throw new Error(`${device.name} never shows anything.`);
};
const byKind = (kind: Device['kind']) => devices.find((d) => d.kind === kind)!;

describe('the simulated devices', () => {
  it('are one of each kind, under codes and names of their own, and say what they are', () => {
    for (const of of ['code', 'name', 'kind'] as const)
      expect(new Set(devices.map((d) => d[of])).size, of).toBe(devices.length);
    expect(devices.every((d) => d.standIn)).toBe(true);
  });
  it.each(devices.map((d) => [d.kind, d] as const))('the %s shows figures as the format has them', (_kind, device) => {
    const reading = { code: device.code, at: at(1).toISOString(), values: [...first(device)] };
    expect(deviceReadingSchema.safeParse(reading).success).toBe(true);
  });
  it('show the same at the same moment', () => {
    for (const device of devices) expect(shown(device, 3)).toEqual(shown(device, 3));
  });
  it('that read the resin know which batch they are pointed at', async () => {
    for (const kind of ['thermometer', 'hardness-tester'] as const)
      expect((await byKind(kind).subjectOf!('B-0001')).product.slug).toBe('house-clear-6');
  });
});

describe('the scale', () => {
  it('shows what hands put on it, and nothing once it is taken off', () => {
    const scale = byKind('scale');
    const grams = (minutes: number) => scale.read(at(minutes), subject).find((v) => v.what === 'scale')?.value;
    scale.act!(at(0.2), { do: 'put', massG: 40 });
    expect(grams(1)).toBeGreaterThan(39.8);
    expect(grams(1)).toBeLessThan(40.6);
    scale.act!(at(2), { do: 'clear' });
    expect(Math.abs(grams(3)!)).toBeLessThan(0.3);
  });
});

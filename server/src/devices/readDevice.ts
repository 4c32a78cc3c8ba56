import { DEVICE_RANGES, deviceValueSchema, type DeviceValue } from '@warm-jar/core';
import { z } from 'zod';
import { DeviceSilent, type Device, type Subject } from './device';

/** What came of reading a device: its figures, or what is the matter with it, by its name. */
export type DeviceTold =
  { readonly values: readonly DeviceValue[]; readonly says: null } | { readonly values: null; readonly says: string };

/** How long a device may take to answer, ms. */
const PATIENCE_MS = 2_000;
/** A scale with more on it than it weighs to shows no figure to go by; so much over is its own tare, as a share. */
const OVERLOAD = 1.05;

const shownSchema = z.array(deviceValueSchema).max(20);
const nothing = (says: string): DeviceTold => ({ values: null, says });

/** Ends a wait: whatever the device answers later is not heard. */
function patience(device: Device, ms: number) {
  let timer: NodeJS.Timeout | undefined;
  const over = new Promise<never>((_, fail) => {
    timer = setTimeout(() => {
      fail(new DeviceSilent(device.name, 'takes too long to answer'));
    }, ms);
  });
  return {
    over,
    end: () => {
      clearTimeout(timer);
    },
  };
}

/** What a device shows that it cannot show; null where all of it can be. */
function lie({ name, capacityG }: Device, values: readonly DeviceValue[]): string | null {
  for (const { what, value, unit } of values) {
    const [low, high] = DEVICE_RANGES[what];
    const most = what === 'scale' && capacityG != null ? Math.min(high, capacityG * OVERLOAD) : high;
    if (value < low || value > most) return `${name} shows ${value} ${unit}, which it cannot. Look at it.`;
  }
  return null;
}

/**
 * Reads a device and never fails: one that is silent, slow, broken or shows what it cannot is told by its name.
 * @param patienceMs how long it may take
 */
export async function readDevice(
  device: Device,
  now: Date,
  subject: Subject | null,
  patienceMs = PATIENCE_MS,
): Promise<DeviceTold> {
  const wait = patience(device, patienceMs);
  try {
    // Within a promise, so that one that throws at once fails as one that throws later.
    const answer = Promise.resolve().then(() => device.read(now, subject));
    const shown = shownSchema.safeParse(await Promise.race([answer, wait.over]));
    if (!shown.success) return nothing(`${device.name} sends what cannot be read. Type the figure in.`);
    const wrong = lie(device, shown.data);
    return wrong === null ? { values: shown.data, says: null } : nothing(wrong);
  } catch (error) {
    return nothing(error instanceof DeviceSilent ? error.message : `${device.name} fails. Type the figure in.`);
  } finally {
    wait.end();
  }
}

import type { Entry } from '@warm-jar/core';
import type { Shown } from '../stores/devices';

/** Where a figure came from: what a device showed, or nothing where it was typed. */
export type ReadFrom = Shown | null;

/** A reading as it goes into the record: with the device that showed it, and whether that is a stand-in. */
export function readingOf(
  atMin: number | null,
  what: string,
  value: number,
  unit: string,
  from: ReadFrom,
): Entry['add'][number] {
  const device = from?.device;
  return {
    path: 'readings',
    value: {
      atMin,
      what,
      value,
      unit,
      ...(device ? { device: device.code } : {}),
      ...(device?.standIn ? { simulated: true } : {}),
    },
  };
}

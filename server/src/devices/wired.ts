import type { DeviceKind, DeviceValue } from '@warm-jar/core';
import type { ReadingStore, StoredReading } from '../store/readingStore';
import { DeviceSilent, type Device, type DeviceId } from './device';

/** A live figure older than this is none, s; a room changes slowly. */
const STALE_S = 10;
const STALE_ROOM_S = 600;
/** Readings looked through for the newest of each kind. */
const LOOKED_THROUGH = 40;
/** Two figures that lie within so many steps of each other have come to rest. */
const SETTLED_STEPS = 2;
/** What a scale is taken to step by where its gear does not say, g. */
const USUAL_STEP_G = 0.1;

/** What each kind of device may speak of. */
const SPEAKS_OF: Readonly<Record<DeviceKind, readonly DeviceValue['what'][]>> = {
  'room-sensor': ['room', 'humidity'],
  scale: ['scale'],
  thermometer: ['resin', 'surface'],
  'vessel-gauge': ['gauge'],
  'vacuum-gauge': ['vacuum'],
  'hardness-tester': ['shore'],
};

const ageS = (now: Date, { receivedAt }: StoredReading) => (now.getTime() - Date.parse(receivedAt)) / 1000;

/** A device that posts its figures: it shows the newest that came, for as long as that is fresh. */
export function wiredDevice(id: DeviceId, kind: DeviceKind, readings: Pick<ReadingStore, 'latest'>): Device {
  const staleS = kind === 'room-sensor' ? STALE_ROOM_S : STALE_S;
  const restG = SETTLED_STEPS * (id.stepG ?? USUAL_STEP_G);
  return {
    ...id,
    kind,
    standIn: false,
    read: async (now) => {
      const latest = await readings.latest(id.code, LOOKED_THROUGH);
      const newest = latest[0];
      if (!newest) throw new DeviceSilent(id.name, 'has sent nothing yet');
      const fresh = latest.filter((r) => ageS(now, r) <= staleS);
      if (fresh.length === 0)
        throw new DeviceSilent(id.name, `has said nothing for ${Math.floor(ageS(now, newest))} s`);
      return SPEAKS_OF[kind].flatMap((what): DeviceValue[] => {
        const [last, before] = fresh.filter((r) => r.what === what);
        if (!last) return [];
        const settled = kind !== 'scale' || !before || Math.abs(last.value - before.value) <= restG;
        return [{ what, value: last.value, unit: last.unit, settled }];
      });
    },
  };
}

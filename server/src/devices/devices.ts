import { DEVICE_KIND_OF_GEAR, type DeviceInfo, type DeviceKind, type Gear } from '@warm-jar/core';
import type { ReadingStore } from '../store/readingStore';
import type { Shelf } from '../store/shelf';
import type { Device, DeviceId, Subject } from './device';
import { vacuumGauge, vesselGauge } from './gauges';
import { hardnessTester } from './hardnessTester';
import { roomSensor } from './roomSensor';
import { scale } from './scale';
import { thermometer } from './thermometer';
import { wiredDevice } from './wired';

type SubjectOf = (code: string) => Promise<Subject>;

/** The stand-in for each kind of device. */
export const STAND_INS: Readonly<Record<DeviceKind, (id: DeviceId, subjectOf: SubjectOf) => Device>> = {
  'room-sensor': roomSensor,
  scale,
  thermometer,
  'vessel-gauge': vesselGauge,
  'vacuum-gauge': vacuumGauge,
  'hardness-tester': hardnessTester,
};

/** The devices of a studio: the pieces of its gear that speak, and which bench reads which. */
export interface Devices {
  readonly list: () => Promise<readonly Device[]>;
  readonly holderOf: (code: string) => string | null;
  /** Gives a device to a batch's bench. @returns who has it: another batch where it was taken, and not to be taken over */
  readonly take: (code: string, batch: string, over: boolean) => string;
  /** Lets a device go; nothing where another batch has it. */
  readonly leave: (code: string, batch: string) => void;
}

interface DeviceDeps {
  readonly gear: Pick<Shelf['gear'], 'list'>;
  readonly readings: Pick<ReadingStore, 'latest'>;
  readonly subjectOf: SubjectOf;
}

const idOf = (gear: Gear): DeviceId => ({
  code: gear.code,
  name: gear.name,
  stepG: gear.kind === 'scale' ? (gear.stepG ?? null) : null,
  capacityG: gear.kind === 'scale' ? (gear.capacityG ?? null) : null,
});

/** A device as screens are told of it. */
export const deviceInfo = ({ code, name, kind, standIn, stepG }: Device, holder: string | null): DeviceInfo => ({
  code,
  name,
  kind,
  standIn,
  stepG: stepG ?? null,
  holder,
});

export function studioDevices({ gear, readings, subjectOf }: DeviceDeps): Devices {
  /** Stand-ins live on between two looks: what lies on a scale stays there. */
  const standIns = new Map<string, { readonly as: string; readonly device: Device }>();
  const holders = new Map<string, string>();

  function standIn(kind: DeviceKind, id: DeviceId): Device {
    const as = JSON.stringify([kind, id]);
    const known = standIns.get(id.code);
    if (known?.as === as) return known.device;
    const device = STAND_INS[kind](id, subjectOf);
    standIns.set(id.code, { as, device });
    return device;
  }
  return {
    list: async () =>
      (await gear.list()).flatMap(({ item }) => {
        const kind = DEVICE_KIND_OF_GEAR[item.kind];
        if (!kind || !item.device) return [];
        return [item.device === 'posts' ? wiredDevice(idOf(item), kind, readings) : standIn(kind, idOf(item))];
      }),
    holderOf: (code) => holders.get(code) ?? null,
    take: (code, batch, over) => {
      const holder = holders.get(code);
      if (holder === undefined || over) holders.set(code, batch);
      return holders.get(code)!;
    },
    leave: (code, batch) => {
      if (holders.get(code) === batch) holders.delete(code);
    },
  };
}

import {
  deviceReadingSchema,
  gearSchema,
  saltmarshCard,
  saltmarshGear,
  soundBatch,
  type DeviceValue,
  type Gear,
} from '@warm-jar/core';
import { describe, expect, it } from 'vitest';
import type { StoredReading } from '../store/readingStore';
import { DeviceSilent, type Device, type StandIn, type Subject } from './device';
import { studioDevices } from './devices';
import { readDevice } from './readDevice';
import { scale } from './scale';

const product = saltmarshCard('house-clear-6');
const subject: Subject = {
  product,
  batch: soundBatch('house-clear-6', { startedAt: '2026-03-14T09:00:00+00:00', checks: [] }),
};
const at = (minutes: number) => new Date(Date.parse('2026-03-14T09:00:00Z') + minutes * 60_000);
const devicesOf = (gear: readonly Gear[], readings: readonly StoredReading[] = []) =>
  studioDevices({
    gear: { list: () => Promise.resolve(gear.map((item) => ({ item, version: 1 }))) },
    readings: { latest: () => Promise.resolve([...readings]) },
    subjectOf: () => Promise.resolve(subject),
  });
const demo = await devicesOf(saltmarshGear(at(0))).list();
const byKind = (kind: Device['kind']) => demo.find((d) => d.kind === kind)! as StandIn;

describe("a studio's devices", () => {
  it('are the pieces of gear that it reads: none until one is said to be read', async () => {
    const gear = saltmarshGear(at(0)).map((g) => gearSchema.parse({ ...g, device: null }));
    expect(await devicesOf(gear).list()).toEqual([]);
    const cup = gearSchema.parse({ ...gear.find((g) => g.kind === 'cup')!, device: 'simulated' });
    expect(await devicesOf([cup]).list()).toEqual([]);
  });
  it('are in the demo one of each kind and two scales, under the codes and names of the gear, and say what they are', () => {
    expect(new Set(demo.map((d) => d.kind)).size).toBe(6);
    expect(demo.filter((d) => d.kind === 'scale').map((d) => [d.code, d.stepG])).toEqual([
      ['G-01', 0.1],
      ['G-13', 0.01],
    ]);
    expect(demo.every((d) => d.standIn)).toBe(true);
    expect(byKind('vessel-gauge').name).toBe('the pot');
  });
  it.each(demo.map((d) => [d.name, d] as const))('%s shows figures as the format has them', async (_name, device) => {
    const { values } = await readDevice(device, at(1), subject);
    expect(values!.length).toBeGreaterThan(0);
    expect(deviceReadingSchema.parse({ code: device.code, at: at(1).toISOString(), values }).values).toEqual(values);
    expect(await readDevice(device, at(1), subject)).toEqual({ values, says: null });
  });
  it('keep what lies on them between two looks, and a scale that steps otherwise is another one', async () => {
    const gear = [...saltmarshGear(at(0))];
    const devices = studioDevices({
      gear: { list: () => Promise.resolve(gear.map((item) => ({ item, version: 1 }))) },
      readings: { latest: () => Promise.resolve([]) },
      subjectOf: () => Promise.resolve(subject),
    });
    const grams = async () => {
      const found = (await devices.list()).find((d) => d.code === 'G-01')!;
      return (await readDevice(found, at(2), null)).values![0]!.value;
    };
    (await devices.list()).find((d) => d.code === 'G-01')!.act!(at(1), { do: 'put', massG: 60 });
    expect(await grams()).toBeCloseTo(60, 0);
    gear[0] = gearSchema.parse({ ...gear[0]!, stepG: 1 });
    expect(await grams()).toBeCloseTo(0, 0);
  });
  it('that read the resin know which batch they are pointed at', async () => {
    for (const kind of ['thermometer', 'hardness-tester'] as const)
      expect((await byKind(kind).subjectOf!('B-0001')).product.slug).toBe('house-clear-6');
  });
});

describe('a scale at the bench', () => {
  it('is one run’s until it lets go, and is taken over only on purpose', () => {
    const { take, leave, holderOf } = devicesOf([]);
    expect(holderOf('G-01')).toBeNull();
    expect(take('G-01', 'B-0001', false)).toBe('B-0001');
    expect(take('G-01', 'B-0001', false)).toBe('B-0001');
    expect(take('G-01', 'B-0002', false)).toBe('B-0001');
    leave('G-01', 'B-0002');
    expect(holderOf('G-01')).toBe('B-0001');
    expect(take('G-01', 'B-0002', true)).toBe('B-0002');
    leave('G-01', 'B-0001');
    expect(holderOf('G-01')).toBe('B-0002');
    leave('G-01', 'B-0002');
    expect(holderOf('G-01')).toBeNull();
  });
  it('shows what hands put on it, and nothing once it is taken off', () => {
    const one = scale({ code: 'G-01', name: 'bench scale' });
    const grams = (minutes: number) => one.read(at(minutes), subject).find((v) => v.what === 'scale')?.value;
    one.act!(at(0.2), { do: 'put', massG: 40 });
    expect(grams(1)).toBeGreaterThan(39.8);
    expect(grams(1)).toBeLessThan(40.6);
    one.act!(at(2), { do: 'clear' });
    expect(Math.abs(grams(3)!)).toBeLessThan(0.3);
  });
});

describe('reading a device never fails, and names the one that does not do', () => {
  const device = (read: Device['read'], more: Partial<Device> = {}): Device => ({
    code: 'G-20',
    name: 'the far scale',
    kind: 'scale',
    standIn: false,
    read,
    ...more,
  });
  const grams = (value: number, more: object = {}): DeviceValue[] => [
    { what: 'scale', value, unit: 'g', settled: true, ...more },
  ];
  const silent = () => {
    throw new DeviceSilent('the far scale');
  };
  const broken = () => {
    throw new TypeError('no port');
  };
  it.each<[string, Device, RegExp]>([
    ['silent', device(silent), /^the far scale does not answer\.$/],
    ['broken at once', device(broken), /^the far scale fails\./],
    ['broken later', device(() => Promise.reject(new Error('cable'))), /^the far scale fails\./],
    ['slow', device(() => new Promise(() => undefined)), /takes too long to answer/],
    ['sending no figure', device(() => grams(NaN)), /sends what cannot be read/],
    ['sending nonsense', device(() => 'much' as unknown as DeviceValue[]), /sends what cannot be read/],
    ['beyond what it weighs', device(() => grams(412), { capacityG: 200 }), /shows 412 g, which it cannot/],
    [
      'beyond what anything shows',
      device(() => [{ what: 'resin', value: 900, unit: '°C', settled: true }]),
      /shows 900 °C, which it cannot/,
    ],
  ])('one that is %s', async (_how, one, says) => {
    const told = await readDevice(one, at(0), null, 20);
    expect(told.values).toBeNull();
    expect(told.says).toMatch(says);
  });
  it('and takes one that answers late, but in time', async () => {
    const late = device(
      () =>
        new Promise((done) => {
          setImmediate(() => {
            done(grams(12.3));
          });
        }),
    );
    expect(await readDevice(late, at(0), null)).toEqual({ values: grams(12.3), says: null });
  });
});

describe('a device that posts its figures', () => {
  const posting = async (kind: Gear['kind'], readings: readonly StoredReading[]) => {
    const gear = gearSchema.parse({
      format: 'warm-jar.gear/1',
      code: 'G-30',
      kind,
      name: 'the one on the wire',
      device: 'posts',
    });
    return (await devicesOf([gear], readings).list())[0]!;
  };
  const posted = (secondsAgo: number, what: string, value: number, unit: string): StoredReading => {
    const moment = new Date(at(10).getTime() - secondsAgo * 1000).toISOString();
    return { at: moment, receivedAt: moment, what, value, unit };
  };
  it('shows the newest of each, and says that it is none of ours', async () => {
    const one = await posting('room-sensor', [
      posted(3, 'humidity', 52, '%'),
      posted(4, 'room', 21.4, 'C'),
      posted(90, 'room', 19, 'C'),
    ]);
    expect(one.standIn).toBe(false);
    expect((await readDevice(one, at(10), null)).values).toEqual([
      { what: 'room', value: 21.4, unit: 'C', settled: true },
      { what: 'humidity', value: 52, unit: '%', settled: true },
    ]);
  });
  it.each([
    ['scale', 10, true],
    ['scale', 11, false],
    ['room-sensor', 600, true],
    ['room-sensor', 601, false],
  ] as const)('%s is fresh after %d s: %s', async (kind, seconds, fresh) => {
    const what = kind === 'scale' ? 'scale' : 'room';
    const one = await posting(kind, [posted(seconds, what, 20, kind === 'scale' ? 'g' : 'C')]);
    const told = await readDevice(one, at(10), null);
    expect(told.values !== null).toBe(fresh);
    if (!fresh) expect(told.says).toBe(`the one on the wire has said nothing for ${seconds} s.`);
  });
  it('has come to rest where its last two figures agree', async () => {
    const settled = async (before: number) => {
      const one = await posting('scale', [posted(1, 'scale', 150, 'g'), posted(2, 'scale', before, 'g')]);
      return (await readDevice(one, at(10), null)).values![0]!.settled;
    };
    expect(await settled(149.9)).toBe(true);
    expect(await settled(141)).toBe(false);
  });
  it('says so while nothing came', async () => {
    expect((await readDevice(await posting('scale', []), at(10), null)).says).toBe(
      'the one on the wire has sent nothing yet.',
    );
  });
});

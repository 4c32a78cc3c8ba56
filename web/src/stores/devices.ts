import { readingEventSchema, type DeviceInfo, type DeviceKind, type ReadingEvent } from '@warm-jar/core';
import { onUnmounted, ref, shallowRef, watch, type Ref } from 'vue';
import { devicesApi } from '../api/devices';
import { eventsFrom } from '../api/events';

/** What a device shows on this screen, and which device it is. */
export interface Shown {
  readonly value: number | null;
  readonly settled: boolean;
  /** Whether it shows nothing that can be gone by. */
  readonly silent: boolean;
  /** What is the matter with it, by its name; null where nothing is. */
  readonly says: string | null;
  readonly device: DeviceInfo;
}
type What = NonNullable<ReadingEvent['values']>[number]['what'];

/** The devices of some kinds as the stream tells them, pointed at one batch. */
function useDeviceStream(batch: Ref<string | null>, kinds: readonly DeviceKind[]) {
  const known = shallowRef<readonly DeviceInfo[]>([]);
  const events = shallowRef<ReadonlyMap<string, ReadingEvent>>(new Map());
  /** Whether the server is heard; null until it is known. */
  const connected = ref<boolean | null>(null);
  let stop: (() => void) | null = null;

  async function listen(): Promise<void> {
    stop?.();
    known.value = await devicesApi.list().then(
      (all) => all.filter((d) => kinds.includes(d.kind)),
      () => known.value,
    );
    if (known.value.length === 0) return;
    const query = new URLSearchParams({
      devices: known.value.map((d) => d.code).join(','),
      ...(batch.value ? { batch: batch.value } : {}),
    });
    stop = eventsFrom(
      `/events?${query.toString()}`,
      {
        reading: (data) => {
          const event = readingEventSchema.parse(data);
          events.value = new Map([...events.value, [event.code, event]]);
        },
      },
      (up) => {
        connected.value = up;
      },
    );
  }
  watch(
    batch,
    () => {
      void listen();
    },
    { immediate: true },
  );
  onUnmounted(() => {
    stop?.();
  });

  return { known, events, connected };
}

/**
 * The devices at the bench, read over the stream and pointed at one batch.
 * @param picked the code of the device that this bench picked of a kind, where one is picked; null for the first
 */
export function useDevices(
  batch: Ref<string | null>,
  kinds: readonly DeviceKind[],
  picked: (kind: DeviceKind) => string | null = () => null,
) {
  const { known, events, connected } = useDeviceStream(batch, kinds);
  const ofKind = (kind: DeviceKind) => known.value.filter((d) => d.kind === kind);
  function device(kind: DeviceKind): DeviceInfo | null {
    const code = picked(kind);
    const found = ofKind(kind);
    return (code === null ? found[0] : found.find((d) => d.code === code)) ?? null;
  }
  /** What a kind of device shows of something; null where there is no such device. */
  function shown(kind: DeviceKind, what: What): Shown | null {
    const of = device(kind);
    if (!of) return null;
    const event = events.value.get(of.code);
    if (connected.value === false || event?.values === null) {
      const says = connected.value === false ? `${of.name} is not heard: the server is away.` : (event?.says ?? null);
      return { value: null, settled: false, silent: true, says, device: of };
    }
    const found = event?.values.find((v) => v.what === what);
    return { value: found?.value ?? null, settled: found?.settled ?? false, silent: false, says: null, device: of };
  }
  /** The batch whose bench has a device. */
  const holderOf = (code: string): string | null =>
    (events.value.get(code) ?? known.value.find((d) => d.code === code))?.holder ?? null;
  return { known, connected, shown, device, ofKind, holderOf };
}

export type BenchDevices = ReturnType<typeof useDevices>;

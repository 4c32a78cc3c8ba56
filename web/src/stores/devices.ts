import { readingEventSchema, type DeviceKind, type DeviceValue } from '@warm-jar/core';
import { onUnmounted, ref, shallowRef, watch, type Ref } from 'vue';
import { devicesApi } from '../api/devices';
import { eventsFrom } from '../api/events';

/** What a device shows on this screen; silent where it does not answer. */
export interface Shown {
  readonly value: number | null;
  readonly settled: boolean;
  readonly silent: boolean;
}
interface Known {
  readonly code: string;
  readonly kind: DeviceKind;
  readonly name: string;
  readonly standIn: boolean;
}

/** The devices at the bench, read over the stream and pointed at one batch. */
export function useDevices(batch: Ref<string | null>, kinds: readonly DeviceKind[]) {
  const known = shallowRef<Known[]>([]);
  const values = shallowRef<ReadonlyMap<string, readonly DeviceValue[] | null>>(new Map());
  const connected = ref(false);
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
          const r = readingEventSchema.parse(data);
          values.value = new Map([...values.value, [r.code, r.values]]);
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

  const device = (kind: DeviceKind) => known.value.find((d) => d.kind === kind) ?? null;
  /** What a kind of device shows of something; null where there is no such device. */
  function shown(kind: DeviceKind, what: DeviceValue['what']): Shown | null {
    const d = device(kind);
    if (!d) return null;
    const all = values.value.get(d.code);
    if (all === null || !connected.value) return { value: null, settled: false, silent: true };
    const found = all?.find((v) => v.what === what);
    return { value: found?.value ?? null, settled: found?.settled ?? false, silent: false };
  }
  return { known, connected, shown, device, values };
}

export type BenchDevices = ReturnType<typeof useDevices>;

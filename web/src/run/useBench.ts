import type { DeviceKind } from '@warm-jar/core';
import type { Ref } from 'vue';
import { provided } from '../components/provided';
import { useDevices } from '../stores/devices';
import { useLive } from '../stores/live';
import { useOutbox } from '../stores/outbox';
import { useRunClock } from './useRunClock';
import { useRunRecord } from './useRunRecord';
import { useRunWrites } from './useRunWrites';
import { useScale } from './useScale';
import { useSignals } from './useSignals';
import { useTyped } from './useTyped';

const KINDS = ['room-sensor', 'scale', 'thermometer', 'vessel-gauge', 'vacuum-gauge', 'hardness-tester'] as const;
/** No device has this code: a scale or a vessel that nobody chose is not read. */
const NOT_CHOSEN = '';

/**
 * One batch at the bench: the record with what still waits laid over it,
 * its clock, its devices, and how to write to it.
 * @param watchesOnly takes no scale: for the board on the wall
 */
function makeBench(code: Ref<string>, watchesOnly: boolean) {
  const record = useRunRecord(code);
  const clock = useRunClock(record);
  const writes = useRunWrites(code, record, clock);
  const picked = (kind: DeviceKind): string | null => {
    if (kind === 'scale') return record.batch.value?.mix?.scale ?? NOT_CHOSEN;
    if (kind === 'vessel-gauge') return record.batch.value?.pressure?.vessel ?? NOT_CHOSEN;
    return null;
  };
  const devices = useDevices(code, KINDS, picked);
  return {
    code,
    ...record,
    ...clock,
    ...writes,
    devices,
    scale: useScale(code, record, clock, writes, devices, watchesOnly),
    typed: useTyped(code),
    signals: useSignals(),
    live: useLive(),
    outbox: useOutbox(),
  };
}

export type BenchContext = ReturnType<typeof makeBench>;
const { give, take } = provided<BenchContext>('bench');
export const provideBench = (code: Ref<string>, watchesOnly = false): BenchContext =>
  give(makeBench(code, watchesOnly));
export const useBenchContext = take;

import type { Ref } from 'vue';
import { provided } from '../components/provided';
import { useDevices } from '../stores/devices';
import { useLive } from '../stores/live';
import { useOutbox } from '../stores/outbox';
import { useRunClock } from './useRunClock';
import { useRunRecord } from './useRunRecord';
import { useRunWrites } from './useRunWrites';
import { useSignals } from './useSignals';

const KINDS = ['room-sensor', 'scale', 'thermometer', 'vessel-gauge', 'vacuum-gauge', 'hardness-tester'] as const;

/**
 * One batch at the bench: the record with what still waits laid over it,
 * its clock, its devices, and how to write to it.
 */
function makeBench(code: Ref<string>) {
  const record = useRunRecord(code);
  const clock = useRunClock(record);
  return {
    code,
    ...record,
    ...clock,
    ...useRunWrites(code, record, clock),
    devices: useDevices(code, KINDS),
    signals: useSignals(),
    live: useLive(),
    outbox: useOutbox(),
  };
}

export type BenchContext = ReturnType<typeof makeBench>;
const { give, take } = provided<BenchContext>('bench');
export const provideBench = (code: Ref<string>): BenchContext => give(makeBench(code));
export const useBenchContext = take;

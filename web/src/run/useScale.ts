import { useEventListener } from '@vueuse/core';
import { BENCH_STEPS, type BenchStep } from '@warm-jar/core';
import { computed, onScopeDispose, ref, watch, type Ref } from 'vue';
import { ApiProblem } from '../api/http';
import { devicesApi } from '../api/devices';
import type { BenchDevices } from '../stores/devices';
import type { RunClock } from './useRunClock';
import type { RunRecord } from './useRunRecord';
import type { RunWrites } from './useRunWrites';

/** From this step on nothing more is weighed: the scale is free for others. */
const WEIGHED = BENCH_STEPS.indexOf('stir');
const isWeighing = (step: BenchStep | null) =>
  step !== null && (BENCH_STEPS.indexOf(step) < WEIGHED || step === 'cups');

/**
 * The scale of a run: the one that its person took, for as long as it is weighed on. Without one nothing is read, and
 * figures are typed.
 * @param watchesOnly neither takes nor lets go: for the board on the wall
 */
export function useScale(
  code: Ref<string>,
  { batch }: RunRecord,
  { step }: RunClock,
  { write }: RunWrites,
  devices: BenchDevices,
  watchesOnly = false,
) {
  const problem = ref<string | null>(null);
  /** The scale that another run has, and that was asked for here. */
  const contested = ref<string | null>(null);
  const picked = computed(() => batch.value?.mix?.scale ?? null);
  const holder = computed(() => (picked.value === null ? null : devices.holderOf(picked.value)));
  const isOurs = computed(() => picked.value !== null && holder.value === code.value);
  const shown = computed(() => (isOurs.value ? devices.shown('scale', 'scale') : null));
  const tareG = computed(() => batch.value?.bench?.tareG ?? 0);
  const netG = computed(() => (shown.value?.value == null ? null : shown.value.value - tareG.value));

  async function ask(device: string, over: boolean): Promise<boolean> {
    try {
      await devicesApi.take(device, code.value, over);
      [problem.value, contested.value] = [null, null];
      return true;
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      problem.value = error.message;
      contested.value = error.code === 'in-use' ? device : null;
      return false;
    }
  }
  /** @param over takes it from the run that has it */
  async function take(device: string, over = false): Promise<void> {
    const info = devices.known.value.find((d) => d.code === device);
    if (!info || !(await ask(device, over))) return;
    await write({
      words: `weighing on ${info.name}`,
      set: { 'mix.scale': device, ...(info.stepG === null ? {} : { 'mix.scaleStepG': info.stepG }) },
    });
  }
  // A server that was started again knows of no run: the one that weighs on it has it still.
  watch([picked, holder, step, devices.connected], ([device, has, now, connected], [before]) => {
    if (watchesOnly) return;
    if (before !== null && before !== device) void devicesApi.leave(before, code.value).catch(() => undefined);
    if (device !== null && has === null && isWeighing(now) && connected) void ask(device, false);
    if (device !== null && has === code.value && !isWeighing(now))
      void devicesApi.leave(device, code.value).catch(() => undefined);
  });
  const letGo = () => {
    if (isOurs.value && !watchesOnly) void devicesApi.leave(picked.value!, code.value).catch(() => undefined);
  };
  onScopeDispose(letGo);
  useEventListener(window, 'pagehide', letGo);
  const scales = computed(() => devices.ofKind('scale'));
  return { scales, picked, isOurs, holder, contested, problem, shown, tareG, netG, take };
}
export type RunScale = ReturnType<typeof useScale>;

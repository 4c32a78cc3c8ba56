import { comeBacks, type ComeBack } from '@warm-jar/core';
import { computed, watch, type ComputedRef } from 'vue';
import { provided } from '../components/provided';
import type { BenchContext } from './useBench';
import { dueNow, isLiquidStep, openLooks, signalsOf } from './runSignals';

/** The looks in between that are still to be made, and what ticks one. */
interface RunLooks {
  readonly openLooks: ComputedRef<readonly ComeBack[]>;
  readonly lookDone: () => void;
}
const { give: giveLooks, take: takeLooks } = provided<RunLooks>('looks');
export const useRunLooks = takeLooks;

/** Rings what is due in a run, whatever step is shown, also after a reload; and keeps the screen on while it is at work. */
export function useRunSignals(bench: BenchContext) {
  const looks = computed(() => {
    const { product, batch, clock } = bench;
    const poured = batch.value?.pour?.finishedMin ?? null;
    if (!product.value || poured === null || bench.step.value !== 'watch') return [];
    return comeBacks(product.value, clock.value?.gelsMin ?? null, poured);
  });
  const looked = computed(() => (bench.batch.value?.bench?.looked ?? []).flatMap((l) => l.atMin ?? []));
  const open = computed(() => openLooks(looks.value, looked.value));
  const signals = computed(() =>
    signalsOf({
      step: bench.step.value,
      potLifeEndsMin: bench.clock.value?.potLifeEndsMin ?? null,
      gelsMin: bench.clock.value?.gelsMin ?? null,
      window: bench.window.value,
      poured: bench.batch.value?.pour?.startedMin != null,
      looks: looks.value,
      looked: looked.value,
    }),
  );
  watch(
    [signals, bench.nowMin],
    ([all, now]) => {
      if (now === null) return;
      for (const s of dueNow(all, now)) bench.signals.give(s.key, s.kind, s.says);
    },
    { immediate: true },
  );
  watch(bench.code, () => {
    bench.signals.forget();
  });
  /** Whole minutes of pot life that are left, while it counts: spoken as each begins. */
  const minutesLeft = computed(() => {
    const ends = bench.clock.value?.potLifeEndsMin ?? null;
    if (ends === null || bench.nowMin.value === null || !isLiquidStep(bench.step.value)) return null;
    return Math.max(0, Math.floor(ends - bench.nowMin.value));
  });
  watch(minutesLeft, (left, before) => {
    if (left !== null && before !== null && left < before && left > 0)
      bench.signals.speech.say(left === 1 ? 'One minute left' : `${left} minutes left`);
  });
  const atWork = computed(() => bench.nowMin.value !== null && bench.step.value !== 'after');
  watch(
    atWork,
    (on) => {
      void bench.signals.keepAwake(on);
      // Whether the browser lets it sound is known, and told, before the first signal is due.
      if (on) bench.signals.listen();
    },
    { immediate: true },
  );
  const lookDone = () =>
    void bench.write({ words: 'looked', add: [{ path: 'bench.looked', value: { atMin: bench.minutesNow() } }] });
  return giveLooks({ openLooks: open, lookDone });
}

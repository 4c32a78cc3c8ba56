import type { BenchAct, BenchView } from '@warm-jar/core';
import { useIntervalFn } from '@vueuse/core';
import { computed, onMounted, ref, shallowRef } from 'vue';
import { ApiProblem } from '../../api/client';
import { drillApi } from '../../api/drills';
import { useLive } from '../../stores/live';
import { useUnits } from '../../stores/units';

/** How often the instruments are read, ms. */
const READ_MS = 500;

/** One run on the drill's bench: its instruments, its clock between two readings, and what hands do. */
export function useBenchDrill(id: string) {
  const units = useUnits();
  const live = useLive();
  const view = shallowRef<BenchView | null>(null);
  const toldMs = ref(0);
  const problem = ref<string | null>(null);
  const busy = ref(false);
  let asked = 0;

  async function take(work: () => Promise<BenchView>): Promise<void> {
    const mine = ++asked;
    try {
      const told = await work();
      // What was asked before the last act tells of before it.
      if (mine !== asked) return;
      view.value = told;
      toldMs.value = live.exactMs();
      problem.value = null;
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      if (mine === asked) problem.value = error.message;
    }
  }
  const load = () => take(() => drillApi.getBench(id, units.choice));
  async function act(done: BenchAct): Promise<void> {
    if (busy.value) return;
    busy.value = true;
    await take(() => drillApi.act(id, done, units.choice));
    busy.value = false;
  }
  onMounted(load);
  useIntervalFn(() => {
    if (view.value && !view.value.result && !busy.value) void load();
  }, READ_MS);

  /** Run seconds since the instruments were read. */
  const sinceS = computed(() => (view.value ? (view.value.pace * Math.max(0, live.nowMs - toldMs.value)) / 1000 : 0));
  return {
    view,
    problem,
    busy,
    load,
    act,
    may: computed(() => new Set(view.value?.may)),
    /** Run seconds since the parts met; null before. */
    metS: computed(() => (view.value?.metS == null ? null : view.value.metS + sinceS.value)),
    scaleG: computed(() => (view.value ? view.value.scaleG + view.value.gPerS * sinceS.value : 0)),
    stirredMin: computed(() =>
      view.value ? view.value.stirredMin + (view.value.doing === 'stirring' ? sinceS.value / 60 : 0) : 0,
    ),
  };
}

import { spreadWith, type CauseId, type DrillView } from '@warm-jar/core';
import { useSessionStorage } from '@vueuse/core';
import { computed, onMounted, watch } from 'vue';
import { drillApi } from '../../api/drills';
import { useUnits } from '../../stores/units';
import { useShown } from './useShown';

interface Held {
  readonly shares: readonly (readonly [string, number])[];
  readonly mend: string | null;
}

/** One drill in diagnosis: what is seen and asked, and the answer as it is made up; a reload loses nothing of it. */
export function useDrill(id: string) {
  const units = useUnits();
  const { view, problem, busy, run } = useShown<DrillView>();
  const held = useSessionStorage<Held>(`warm-jar.drill.${id}`, { shares: [], mend: null });
  const said = computed(() => new Map(held.value.shares as readonly (readonly [CauseId, number])[]));
  /** Sureness that was not given to any cause: it counts evenly. */
  const left = computed(() => Math.max(0, 1 - [...said.value.values()].reduce((a, b) => a + b, 0)));

  const load = () => run(() => drillApi.get(id, units.choice));
  onMounted(load);
  watch(() => units.choice, load);
  const shares = () => [...said.value].filter(([, share]) => share > 0).map(([cause, share]) => ({ id: cause, share }));
  return {
    view,
    problem,
    busy,
    said,
    left,
    mend: computed({
      get: () => held.value.mend,
      set: (mend) => {
        held.value = { ...held.value, mend };
      },
    }),
    load,
    give: (cause: CauseId, share: number) => {
      held.value = { ...held.value, shares: [...spreadWith(said.value, cause, share)] };
    },
    ask: (ask: string) => run(() => drillApi.ask(id, ask, units.choice)),
    answer: () => run(() => drillApi.answer(id, { shares: shares(), mend: held.value.mend }, units.choice)),
  };
}

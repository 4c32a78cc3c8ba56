import type { DrillLevel, Family, QuickTopic } from '@warm-jar/core';
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { ApiProblem } from '../../api/client';
import { drillApi } from '../../api/drills';
import { useUnits } from '../../stores/units';

/** Begins a drill, and goes there. */
export function useBeginDrill() {
  const router = useRouter();
  const units = useUnits();
  const problem = ref<string | null>(null);
  const busy = ref(false);
  async function go(
    what: 'diagnosis' | 'quick' | 'bench',
    begin: () => Promise<{ readonly id: string }>,
  ): Promise<void> {
    if (busy.value) return;
    busy.value = true;
    try {
      const { id } = await begin();
      problem.value = null;
      await router.push({ name: 'drill', params: { what, id } });
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      problem.value = error.message;
    } finally {
      busy.value = false;
    }
  }
  return {
    problem,
    busy,
    diagnosis: (level: DrillLevel, family: Family | null = null, again = false) =>
      go('diagnosis', () => drillApi.begin({ level, family, again }, units.choice)),
    bench: () => go('bench', () => drillApi.beginBench(units.choice)),
    quick: (topic: QuickTopic) => go('quick', () => drillApi.beginQuick(topic, units.choice)),
  };
}

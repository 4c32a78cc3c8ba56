import type { Diagnosis } from '@warm-jar/core';
import { ref, shallowRef, watch, type Ref } from 'vue';
import { ApiProblem, api } from '../../api/client';
import { useUnits } from '../../stores/units';

/** The stored batch's diagnosis, its sentences in the chosen units. */
export function useDiagnosis(code: Ref<string>) {
  const units = useUnits();
  const diagnosis = shallowRef<Diagnosis | null>(null);
  const problem = ref<string | null>(null);
  async function load(): Promise<void> {
    const asked = code.value;
    try {
      const answer = await api.diagnosis(asked, units.choice);
      if (asked === code.value) [diagnosis.value, problem.value] = [answer, null];
    } catch (error) {
      if (asked === code.value)
        problem.value = error instanceof ApiProblem ? error.message : 'The diagnosis could not be made.';
    }
  }
  watch([code, () => units.choice], () => void load(), { immediate: true });
  return { diagnosis, problem, load };
}

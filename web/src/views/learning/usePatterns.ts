import { SYMPTOM_KINDS, type SymptomKind } from '@warm-jar/core';
import { computed, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import type { LearningQuestion } from '../../api/learning';
import { useLearning } from '../../stores/useLearning';

/** Patterns and the chart over time for the days and the fault that stand in the address. */
export function usePatterns() {
  const route = useRoute();
  const router = useRouter();
  const patterns = useLearning<Extract<LearningQuestion, { what: 'patterns' }>>();
  const chart = useLearning<Extract<LearningQuestion, { what: 'chart' }>>();
  const one = (key: string) =>
    computed(() => {
      const v = route.query[key];
      return typeof v === 'string' ? v : '';
    });
  const [from, to, asked] = [one('from'), one('to'), one('kind')];
  const kind = computed(() =>
    (SYMPTOM_KINDS as readonly string[]).includes(asked.value) ? (asked.value as SymptomKind) : '',
  );
  const days = computed(() => ({ ...(from.value ? { from: from.value } : {}), ...(to.value ? { to: to.value } : {}) }));
  watch(
    days,
    () => {
      if (route.name === 'patterns') void patterns.ask({ what: 'patterns', ...days.value });
    },
    { immediate: true },
  );
  watch(
    [days, kind],
    () => {
      if (route.name === 'patterns')
        void chart.ask({ what: 'chart', ...(kind.value ? { kind: kind.value } : {}), ...days.value });
    },
    { immediate: true },
  );
  const choose = (change: Record<string, string>) =>
    void router.replace({
      query: Object.fromEntries(Object.entries({ ...route.query, ...change }).filter(([, v]) => v)),
    });
  return { from, to, kind, choose, patterns, chart };
}

import { mendsOf, seenSymptoms, type Batch, type SymptomDiagnosis } from '@warm-jar/core';
import { computed, ref, type Ref } from 'vue';
import { useRouter } from 'vue-router';
import { ApiProblem } from '../../api/client';
import { useEnterNow } from '../../stores/enterNow';
import { hoursSince } from '../../stores/hoursSince';
import { useLive } from '../../stores/live';

/** Begins the mend that the diagnosis proposes, or goes to the one in hand. */
export function useBeginMend(batch: Ref<Batch | null>, symptom: Ref<SymptomDiagnosis | null>) {
  const enterNow = useEnterNow();
  const live = useLive();
  const router = useRouter();
  const problem = ref<string | null>(null);
  /** The castings that showed the same at the same look: one coat does for them all. */
  const alike = computed(() => {
    const [b, s] = [batch.value, symptom.value];
    if (!b || s?.casting === undefined) return [];
    return seenSymptoms(b).flatMap((o) =>
      o.kind === s.kind && o.pattern === s.pattern && o.afterH === s.afterH && o.casting ? [o.casting] : [],
    );
  });
  const inHand = computed(() => (batch.value ? mendsOf(batch.value).some((m) => m.outcome === 'in-progress') : false));
  /** @param castings those to be mended together; the one the symptom was seen on, or all, where none is named */
  async function begin(castings?: readonly string[]): Promise<void> {
    const [b, s] = [batch.value, symptom.value];
    if (!b?.code || !s) return;
    try {
      if (!inHand.value) {
        const { steps, supplies, recheckAfterH } = s.mend;
        const of = castings ?? (s.casting === undefined ? [] : [s.casting]);
        await enterNow(b.code, {
          add: [
            {
              path: 'mends',
              value: {
                atH: hoursSince(b, live.exactMs()) ?? s.afterH,
                kind: s.kind,
                pattern: s.pattern,
                steps: steps.map((says) => ({ says, done: false })),
                supplies,
                recheckAfterH,
                ...(of.length > 0 ? { castings: of } : {}),
              },
            },
          ],
        });
      }
      await router.push({ name: 'mend', params: { code: b.code } });
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      problem.value = error.message;
    }
  }
  return { begin, alike, inHand, problem };
}

import type { Batch, BatchOutcomes, CauseOutcome } from '@warm-jar/core';
import { ref, shallowRef, watch, type Ref } from 'vue';
import { outcomesApi } from '../api/outcomes';
import { ApiProblem, api } from '../api/client';
import { localMoment } from './draft';
import { useEnterNow } from './enterNow';
import { useLive } from './live';
import { useSession } from './session';

export type Proposal = BatchOutcomes['proposed'][number];
/** What a person says of a cause. */
export type Verdict = Pick<CauseOutcome, 'symptom' | 'cause' | 'how'> &
  Partial<Pick<CauseOutcome, 'casting' | 'refuted'>>;

/** What a batch's causes turned out to be: proposed, confirmed, refuted, taken back. */
export function useOutcomes(code: Ref<string>, batch: Ref<Batch | null>, again: () => Promise<void>) {
  const enterNow = useEnterNow();
  const live = useLive();
  const session = useSession();
  const proposed = shallowRef<readonly Proposal[]>([]);
  const problem = ref<string | null>(null);

  async function load(): Promise<void> {
    const asked = code.value;
    try {
      const found = await outcomesApi.of(asked);
      if (asked === code.value) proposed.value = found.proposed;
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      // Away from the server nothing can be proposed; what is known stands in the record.
      if (asked === code.value) proposed.value = [];
    }
  }
  watch([code, batch], () => void load(), { immediate: true });

  async function tried(act: () => Promise<unknown>): Promise<void> {
    try {
      await act();
      problem.value = null;
      await Promise.all([again(), load()]);
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      problem.value = error.message;
    }
  }
  const said = (verdict: Verdict) => ({
    ...verdict,
    at: localMoment(new Date(live.exactMs())),
    ...(session.person ? { by: session.person } : {}),
  });
  const keep = (of: string, verdict: Verdict) =>
    tried(() => enterNow(of, { add: [{ path: 'outcome', value: said(verdict) }] }));

  return {
    proposed,
    problem,
    confirm: (verdict: Verdict) => keep(code.value, verdict),
    /** One that a copied batch proposes; it is kept with the batch whose fault it tells of. */
    accept: (proposal: Proposal) => keep(proposal.batch, proposal.outcome),
    takeBack: (outcome: CauseOutcome) =>
      tried(async () => {
        const { batch: stored } = await api.batch(code.value);
        const list = stored.outcome ?? [];
        const left = list.filter((o) => JSON.stringify(o) !== JSON.stringify(outcome));
        await enterNow(code.value, { set: [{ path: 'outcome', was: list, value: left }] });
      }),
  };
}

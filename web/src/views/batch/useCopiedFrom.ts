import { changeAnswer, seenSymptoms, type Batch, type ChangeAnswer, type SymptomKind } from '@warm-jar/core';
import { shallowRef, watch, type Ref } from 'vue';
import { ApiProblem, api } from '../../api/client';

/** The batch that one was copied from, the fault it was changed for, and what the copy answers. */
export interface CopiedFromAnswer {
  readonly before: Batch;
  readonly kind: SymptomKind;
  readonly answer: ChangeAnswer;
}

/** What a copied batch answers to the change made in it; null where it was copied from none, or that one is gone. */
export function useCopiedFrom(batch: Ref<Batch | null>) {
  const told = shallowRef<CopiedFromAnswer | null>(null);
  async function load(): Promise<void> {
    const now = batch.value;
    const code = now?.copiedFrom?.code;
    if (!now || !code) return;
    try {
      const { batch: before } = await api.batch(code);
      const kind = now.copiedFrom?.symptom ?? seenSymptoms(before).at(-1)?.kind;
      if (kind && batch.value === now) told.value = { before, kind, answer: changeAnswer(before, now, kind) };
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
    }
  }
  watch(
    batch,
    () => {
      told.value = null;
      void load();
    },
    { immediate: true },
  );
  return { told, load };
}

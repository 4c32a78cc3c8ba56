import type { CopiedFrom } from '@warm-jar/core';
import { useToast } from 'primevue/usetoast';
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { ApiProblem, api } from '../../api/client';
import { piecesApi } from '../../api/pieces';
import { onSaveKey } from '../../app/keys';
import { useShelf } from '../../stores/shelf';
import { useWork } from '../../stores/work';
import { batchFromPlan } from './batchFromPlan';
import { changedSinceCopy } from './sinceCopied';
import type { PlanContext } from './usePlan';

/** Turns the plan into a batch in work, with the plan kept in it. */
export function useBeginBatch({ plan, request, product, store, built }: PlanContext) {
  const shelf = useShelf();
  const work = useWork();
  const router = useRouter();
  const toast = useToast();
  const beginning = ref(false);
  const beginProblem = ref<string | null>(null);

  /** The batch it was copied from, with every change made since among those made on purpose. */
  function copiedFrom(): CopiedFrom | null {
    const from = store.form.copiedFrom;
    return from
      ? {
          ...from,
          changes: [...from.changes, ...changedSinceCopy(store.form.copiedAs, store.form).map((says) => ({ says }))],
        }
      : null;
  }

  /** Names the batch in the layer it was planned for; where that fails the batch stands, and the piece says how to enter it. */
  async function enterInPiece(code: string): Promise<void> {
    const at = store.form.forLayer;
    if (!at) return;
    try {
      const { item, version } = await piecesApi.get(at.piece);
      await piecesApi.save(
        { ...item, layers: item.layers.map((l, i) => (i === at.layer - 1 ? { ...l, batch: code } : l)) },
        version,
      );
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      toast.add({
        severity: 'warn',
        summary: `${code} could not be entered in ${at.piece}`,
        detail: `Open ${at.piece} and type the code at its layer. ${error.message}`,
        life: 12_000,
      });
    }
  }

  async function begin(): Promise<void> {
    if (!plan.value || !request.value || !product.value || beginning.value) return;
    if (plan.value.warnings.some((w) => w.stop && w.code !== 'no-time')) return;
    beginning.value = true;
    try {
      const mould =
        store.form.fill === 'mould' ? shelf.moulds.find(({ item }) => item.code === store.form.mouldCode) : undefined;
      const stored = await api.createBatch(
        batchFromPlan(plan.value, request.value, {
          mould,
          lots: shelf.lots,
          vessel: built.value?.gear.vessel?.code ?? null,
          copiedFrom: copiedFrom(),
        }),
      );
      await enterInPiece(stored.batch.code ?? '');
      store.set({ copiedFrom: null, copiedAs: null, forLayer: null });
      void work.load();
      toast.add({ severity: 'success', summary: `${stored.batch.code} is in work`, life: 4000 });
      await router.push({ name: 'bench', params: { code: stored.batch.code } });
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      beginProblem.value = error.message;
    } finally {
      beginning.value = false;
    }
  }
  onSaveKey(() => void begin());
  return { begin, beginning, beginProblem };
}

import { forbiddenBy, reasonsNeeded, type CopiedFrom, type PlanWarning } from '@warm-jar/core';
import { until } from '@vueuse/core';
import { useToast } from 'primevue/usetoast';
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import { ApiProblem, api } from '../../api/client';
import { piecesApi } from '../../api/pieces';
import { onSaveKey } from '../../keys/keys';
import { useShelf } from '../../stores/shelf';
import { useWork } from '../../stores/work';
import { batchFromPlan } from './batchFromPlan';
import { changedSinceCopy } from '../../stores/sinceCopied';
import type { PlanContext } from './usePlan';

/** How long the mould is waited for before a batch is begun without it, ms. */
const MOULD_PATIENCE_MS = 15_000;
/** The field of the record that a warning speaks of; its code where it is of the plan as a whole. */
const reasonField = ({ code }: PlanWarning) => code.split(':')[0] ?? code;

/** Turns the plan into a batch in work, with the plan kept in it. */
export function useBeginBatch({ plan, request, product, store, built, progress }: PlanContext) {
  const shelf = useShelf();
  const work = useWork();
  const router = useRouter();
  const toast = useToast();
  const beginning = ref(false);
  const beginProblem = ref<string | null>(null);
  /** What speaks so plainly against the plan that it is begun only for a reason. */
  const needed = computed<PlanWarning[]>(() => (plan.value ? reasonsNeeded(plan.value) : []));
  const forbidden = computed<PlanWarning[]>(() => (plan.value ? forbiddenBy(plan.value) : []));
  const asking = ref(false);

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

  async function begin(reason?: string): Promise<void> {
    if (beginning.value) return;
    // What the mould says may ask for a reason: it is waited for.
    await until(progress).toBe(null, { timeout: MOULD_PATIENCE_MS });
    if (!plan.value || !request.value || !product.value || forbidden.value.length > 0) return;
    if (needed.value.length > 0 && reason === undefined) {
      asking.value = true;
      return;
    }
    asking.value = false;
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
          inclusion: shelf.inclusions.find(({ item }) => item.code === store.form.inclusionCode)?.item ?? null,
          reasons: reason === undefined ? [] : needed.value.map((w) => ({ field: reasonField(w), reason })),
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
  return { begin, beginning, beginProblem, needed, forbidden, asking };
}

import { forbiddenBy, reasonsNeeded, type Batch, type CopiedFrom, type PlanWarning } from '@warm-jar/core';
import { until } from '@vueuse/core';
import { useToast } from 'primevue/usetoast';
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import { ApiProblem, api } from '../../api/client';
import { piecesApi } from '../../api/pieces';
import { onSaveKey } from '../../keys/keys';
import { useShelf } from '../../stores/shelf';
import { useWork } from '../../stores/work';
import { batchFromPlan, type BegunWith } from './batchFromPlan';
import { changedSinceCopy } from '../../stores/sinceCopied';
import type { PlanContext } from './usePlan';

/** How long the mould is waited for before a batch is begun without it, ms. */
const MOULD_PATIENCE_MS = 15_000;
/** The field of the record that a warning speaks of; its code where it is of the plan as a whole. */
const reasonField = ({ code }: PlanWarning) => code.split(':')[0] ?? code;

/**
 * Names a batch in the layer it was planned for; where that fails the batch stands, and a note says how to enter it.
 */
function useEnterInPiece(store: PlanContext['store']) {
  const toast = useToast();
  return async (code: string): Promise<void> => {
    const at = store.form.forLayer;
    if (!at) return;
    try {
      const { item, version } = await piecesApi.get(at.piece);
      const layers = item.layers.map((l, i) => (i === at.layer - 1 ? { ...l, batch: code } : l));
      await piecesApi.save({ ...item, layers }, version);
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      toast.add({
        severity: 'warn',
        summary: `${code} could not be entered in ${at.piece}`,
        detail: `Open ${at.piece} and type the code at its layer. ${error.message}`,
        life: 12_000,
      });
    }
  };
}

/** The batch a plan was copied from, with every change made since among those made on purpose. */
function copiedFrom({ form }: PlanContext['store']): CopiedFrom | null {
  if (!form.copiedFrom) return null;
  const since = changedSinceCopy(form.copiedAs, form).map((says) => ({ says }));
  return { ...form.copiedFrom, changes: [...form.copiedFrom.changes, ...since] };
}

/** What speaks so plainly against the plan that it is begun only for a reason, and what forbids it altogether. */
function useObjections(plan: PlanContext['plan']) {
  const needed = computed<PlanWarning[]>(() => (plan.value ? reasonsNeeded(plan.value) : []));
  const forbidden = computed<PlanWarning[]>(() => (plan.value ? forbiddenBy(plan.value) : []));
  const reasons = (reason: string | undefined) =>
    reason === undefined ? [] : needed.value.map((w) => ({ field: reasonField(w), reason }));
  return { needed, forbidden, reasons };
}

/** Turns the plan into a batch in work, with the plan kept in it. */
export function useBeginBatch({ plan, request, store, built, progress }: PlanContext) {
  const shelf = useShelf();
  const work = useWork();
  const router = useRouter();
  const toast = useToast();
  const enterInPiece = useEnterInPiece(store);
  const { needed, forbidden, reasons } = useObjections(plan);
  const beginning = ref(false);
  const beginProblem = ref<string | null>(null);
  const asking = ref(false);

  function begunWith(reason: string | undefined): BegunWith {
    const mouldCode = store.form.fill === 'mould' ? store.form.mouldCode : null;
    return {
      mould: shelf.moulds.find(({ item }) => item.code === mouldCode),
      vessel: store.form.vesselCode === built.value?.gear.vessel?.code ? (store.form.vesselCode ?? null) : null,
      copiedFrom: copiedFrom(store),
      inclusion: shelf.inclusions.find(({ item }) => item.code === store.form.inclusionCode)?.item ?? null,
      reasons: reasons(reason),
    };
  }

  async function create(made: Batch): Promise<void> {
    const { batch } = await api.createBatch(made);
    await enterInPiece(batch.code ?? '');
    store.set({ copiedFrom: null, copiedAs: null, forLayer: null });
    void work.load();
    toast.add({ severity: 'success', summary: `${batch.code} is in work`, life: 4000 });
    await router.push({ name: 'bench', params: { code: batch.code } });
  }

  async function begin(reason?: string): Promise<void> {
    if (beginning.value) return;
    // What the mould says may ask for a reason: it is waited for.
    await until(progress).toBe(null, { timeout: MOULD_PATIENCE_MS });
    if (!plan.value || !request.value || forbidden.value.length > 0) return;
    asking.value = needed.value.length > 0 && reason === undefined;
    if (asking.value) return;
    beginning.value = true;
    try {
      await create(batchFromPlan(plan.value, request.value, begunWith(reason)));
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

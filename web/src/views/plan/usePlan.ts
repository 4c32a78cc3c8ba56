import {
  CoreError,
  partCost,
  pricePerG,
  quickPlan,
  weightParts,
  withMoulds,
  type MouldAnswer,
  type Plan,
  type PlanRequest,
  type Product,
  type QuickPlan,
} from '@warm-jar/core';
import { useDebounceFn } from '@vueuse/core';
import { computed, onMounted, onUnmounted, ref, shallowRef, watch, type ComputedRef } from 'vue';
import { fitEarly } from '../../components/fitEarly';
import { provided } from '../../components/provided';
import { today } from '../../components/words';
import { usePlanForm } from '../../stores/plan';
import { useProducts } from '../../stores/products';
import { useShelf } from '../../stores/shelf';
import { useUnits } from '../../stores/units';
import { planWorker } from '../../workers/planInWorker';
import { buildRequest } from './buildRequest';
import { draftNumbersBad } from './planTexts';

/** Rest after the last keystroke before the slab is asked for, ms. */
const SLAB_PATIENCE_MS = 250;

/** The form of the plan, and the request that it makes with the shelf. */
function usePlanRequest() {
  const store = usePlanForm();
  const products = useProducts();
  const shelf = useShelf();
  const units = useUnits();
  onMounted(() => {
    void shelf.ready();
  });
  const product = computed(() => products.bySlug.get(store.form.productSlug ?? '') ?? null);
  fitEarly(product);
  const shelfForPlan = computed(() => ({
    moulds: shelf.moulds,
    additives: shelf.additives.map((a) => a.item),
    inclusions: shelf.inclusions.map((i) => i.item),
    gear: shelf.gear.map((g) => g.item),
  }));
  const built = computed(() =>
    product.value && shelf.loaded
      ? buildRequest(store.form, product.value, shelfForPlan.value, today(), units.say)
      : null,
  );
  const badNumbers = computed(() => draftNumbersBad(store.texts));
  const issues = computed(() => ({ ...built.value?.issues, ...badNumbers.value }));
  const request = computed(() => (Object.keys(badNumbers.value).length === 0 ? (built.value?.request ?? null) : null));
  return { store, product, built, issues, request };
}

/** What is answered at once; a sentence where the core refuses. */
function useQuickPlan(request: ComputedRef<PlanRequest | null>) {
  const units = useUnits();
  const answered = computed<{ quick: QuickPlan | null; problem: string | null }>(() => {
    if (!request.value) return { quick: null, problem: null };
    try {
      return { quick: quickPlan(request.value, units.say), problem: null };
    } catch (error) {
      if (error instanceof CoreError) return { quick: null, problem: error.message };
      throw error;
    }
  });
  return { quick: computed(() => answered.value.quick), problem: computed(() => answered.value.problem) };
}

/** Whether a depth is known of a mould, so that there is a slab to look at. */
const hasDepth = ({ mould, want }: PlanRequest) =>
  mould?.depthMm != null || (want.moulds ?? []).some((m) => m.depthMm != null);

/** The mould's part, worked out beside the page a moment after the last keystroke. */
function useMouldAnswer(request: ComputedRef<PlanRequest | null>) {
  const units = useUnits();
  const worker = planWorker();
  /** The answer for each of the moulds; one, where there is one. */
  const answers = shallowRef<readonly (MouldAnswer | null)[]>([]);
  const picked = ref(0);
  const mould = computed(() => answers.value[picked.value] ?? answers.value[0] ?? null);
  const mouldProblem = ref<string | null>(null);
  /** Share of the slab that is done; null while none is being worked out. */
  const progress = ref<number | null>(null);
  const ask = useDebounceFn(async () => {
    const asked = request.value;
    if (!asked || !hasDepth(asked)) {
      progress.value = null;
      return;
    }
    const outcome = await worker.run({ kind: 'mould', request: asked, units: units.choice }, (share) => {
      progress.value = share;
    });
    if (outcome === null) return;
    progress.value = null;
    if ('failure' in outcome) mouldProblem.value = outcome.failure;
    else [answers.value, mouldProblem.value] = [(outcome.result ?? []) as readonly (MouldAnswer | null)[], null];
  }, SLAB_PATIENCE_MS);
  watch(
    request,
    () => {
      worker.stop();
      [answers.value, mouldProblem.value] = [[], null];
      progress.value = request.value && hasDepth(request.value) ? 0 : null;
      void ask();
    },
    { immediate: true },
  );
  onUnmounted(() => {
    worker.close();
  });
  const stopMould = () => {
    worker.stop();
    progress.value = null;
    mouldProblem.value = 'Stopped. Change something to work it out again.';
  };
  return { mould, answers, picked, mouldProblem, progress, stopMould };
}

/** Price of a gram of A + B by the lots on the shelf, by product; only where every part of it is known. */
function usePrices() {
  const products = useProducts();
  const shelf = useShelf();
  const perG = (slug: string, part: 'A' | 'B') =>
    pricePerG(
      shelf.lots.find(
        ({ item, leftG }) => item.productSlug === slug && item.part === part && (leftG === null || leftG > 0),
      )?.item,
    );
  const priceOf = (card: Product): number | null => {
    const { catalyst } = card.ratio;
    const parts = catalyst ? { a: 100, b: catalyst.typicalPct ?? 0 } : (weightParts(card) ?? { a: 1, b: 0 });
    const [a, b] = [partCost(parts.a, perG(card.slug, 'A')), partCost(parts.b, perG(card.slug, 'B'))];
    return a === null || b === null ? null : (a + b) / (parts.a + parts.b);
  };
  return computed(() => {
    const priced = products.cards.map((card) => [card.slug, priceOf(card)] as const);
    return new Map(priced.filter((entry): entry is readonly [string, number] => entry[1] !== null));
  });
}

/** The plan as it stands: amounts and times at once, the mould from the worker a moment later. */
function makePlan() {
  const asked = usePlanRequest();
  const { quick, problem } = useQuickPlan(asked.request);
  const answer = useMouldAnswer(asked.request);
  const plan = computed<Plan | null>(() => (quick.value ? withMoulds(quick.value, answer.answers.value) : null));
  return { ...asked, ...answer, quick, problem, plan, prices: usePrices() };
}

export type PlanContext = ReturnType<typeof makePlan>;
const { give, take } = provided<PlanContext>('plan');
export const providePlan = (): PlanContext => give(makePlan());
export const usePlanContext = take;

import {
  CoreError,
  pricePerG,
  quickPlan,
  weightParts,
  withMould,
  type MouldAnswer,
  type Plan,
  type QuickPlan,
} from '@warm-jar/core';
import { useDebounceFn } from '@vueuse/core';
import { computed, onMounted, onUnmounted, ref, shallowRef, watch } from 'vue';
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

/** The plan as it stands: amounts and times at once, the mould from the worker a moment later. */
function makePlan() {
  const store = usePlanForm();
  const products = useProducts();
  const shelf = useShelf();
  const units = useUnits();
  onMounted(() => {
    if (!shelf.loaded) void shelf.load();
  });

  const product = computed(() => products.bySlug.get(store.form.productSlug ?? '') ?? null);
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
  const issues = computed(() => ({ ...built.value?.issues, ...draftNumbersBad(store.texts) }));
  const request = computed(() =>
    Object.keys(draftNumbersBad(store.texts)).length === 0 ? (built.value?.request ?? null) : null,
  );
  const answered = computed<{ quick: QuickPlan | null; problem: string | null }>(() => {
    if (!request.value) return { quick: null, problem: null };
    try {
      return { quick: quickPlan(request.value, units.say), problem: null };
    } catch (error) {
      if (error instanceof CoreError) return { quick: null, problem: error.message };
      throw error;
    }
  });
  const quick = computed(() => answered.value.quick);

  const worker = planWorker();
  const mould = shallowRef<MouldAnswer | null>(null);
  const mouldProblem = ref<string | null>(null);
  /** Share of the slab that is done; null while none is being worked out. */
  const progress = ref<number | null>(null);
  const ask = useDebounceFn(async () => {
    const asked = request.value;
    if (!asked || asked.mould?.depthMm == null) {
      progress.value = null;
      return;
    }
    const outcome = await worker.run({ kind: 'mould', request: asked, units: units.choice }, (share) => {
      progress.value = share;
    });
    if (outcome === null) return;
    progress.value = null;
    if ('failure' in outcome) mouldProblem.value = outcome.failure;
    else [mould.value, mouldProblem.value] = [outcome.result as MouldAnswer | null, null];
  }, SLAB_PATIENCE_MS);
  watch(
    request,
    () => {
      worker.stop();
      [mould.value, mouldProblem.value] = [null, null];
      progress.value = request.value?.mould?.depthMm == null ? null : 0;
      void ask();
    },
    { immediate: true },
  );
  onUnmounted(() => {
    worker.close();
  });

  const plan = computed<Plan | null>(() => (quick.value ? withMould(quick.value, mould.value) : null));
  /** Price of a gram of A + B by the lots on the shelf, by product. */
  const prices = computed(() => {
    const found = new Map<string, number>();
    for (const card of products.cards) {
      const of = (part: 'A' | 'B') =>
        pricePerG(
          shelf.lots.find(
            ({ item, leftG }) => item.productSlug === card.slug && item.part === part && (leftG === null || leftG > 0),
          )?.item,
        );
      const [a, b] = [of('A'), of('B')];
      const parts = card.ratio.catalyst
        ? { a: 100, b: card.ratio.catalyst.typicalPct ?? 0 }
        : (weightParts(card) ?? { a: 1, b: 0 });
      if (a !== null && (b !== null || parts.b === 0))
        found.set(card.slug, (parts.a * a + parts.b * (b ?? 0)) / (parts.a + parts.b));
    }
    return found;
  });
  return {
    store,
    product,
    built,
    issues,
    request,
    quick,
    plan,
    problem: computed(() => answered.value.problem),
    mould,
    mouldProblem,
    progress,
    prices,
    stopMould: () => {
      worker.stop();
      progress.value = null;
      mouldProblem.value = 'Stopped. Change something to work it out again.';
    },
  };
}

export type PlanContext = ReturnType<typeof makePlan>;
const { give, take } = provided<PlanContext>('plan');
export const providePlan = (): PlanContext => give(makePlan());
export const usePlanContext = take;

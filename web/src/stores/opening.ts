import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { accessApi } from '../api/access';
import { LOOKING_ROUND } from '../api/base';
import { api } from '../api/client';
import { isEmptyStudio, nextStep, openingSteps, type OpeningStep, type StudioSoFar } from './openingSteps';
import { useKept } from './kept';
import { useProducts } from './products';
import { useShelf } from './shelf';

/** How far the opening of this studio is, as this browser was told. */
interface KeptOpening {
  readonly unitsSeen: boolean;
  readonly skipped: readonly OpeningStep[];
  /** Somebody began it, and it is told on every page until it is over. */
  readonly begun: boolean;
  readonly over: boolean;
}

/** What an answer gives; null where there was none. */
const orNull = <T, N>(asked: Promise<T>, of: (answer: T) => N) => asked.then(of, () => null);

/** Opening a new studio: what it has, what comes next. Resumed from what there is, not from what was clicked. */
export const useOpening = defineStore('opening', () => {
  const kept = useKept<KeptOpening>('warm-jar.opening', { unitsSeen: false, skipped: [], begun: false, over: false });
  const [products, shelf] = [useProducts(), useShelf()];
  const [people, batches] = [ref(0), ref(0)];
  const loaded = ref(false);

  const soFar = computed<StudioSoFar>(() => ({
    unitsSeen: kept.value.unitsSeen,
    people: people.value,
    products: products.cards.length,
    scales: shelf.gear.filter(({ item }) => item.kind === 'scale').length,
    vessels: shelf.gear.filter(({ item }) => item.kind === 'pressure-vessel').length,
    moulds: shelf.moulds.length,
    batches: batches.value,
  }));
  const next = computed(() => nextStep(soFar.value, kept.value.skipped));
  const done = computed(() => openingSteps.filter(({ isDone }) => isDone(soFar.value)).length);
  const isOver = computed(() => kept.value.over || LOOKING_ROUND);

  /** Asks for all of it. What could not be read is not taken for nothing: then the studio is not called new. */
  async function load(): Promise<void> {
    if (isOver.value) return;
    const [peopleNow, batchesNow] = await Promise.all([
      orNull(accessApi.people(), (list) => list.filter((p) => p.active).length),
      orNull(api.batches({ pageSize: '1' }), (page) => page.total),
      products.load(),
      shelf.load(),
    ]);
    people.value = peopleNow ?? people.value;
    batches.value = batchesNow ?? batches.value;
    loaded.value = batchesNow !== null && products.problem === null && shelf.problem === null;
  }
  /** Asks only whether the studio is new: where a card stands, nothing more is asked. */
  async function loadIfNew(): Promise<void> {
    if (isOver.value) return;
    await products.ready();
    if (products.problem === null && products.cards.length === 0) await load();
  }
  const change = (part: Partial<KeptOpening>) => {
    kept.value = { ...kept.value, ...part };
  };
  return {
    soFar,
    next,
    done,
    isOver,
    loaded,
    load,
    loadIfNew,
    isBegun: computed(() => kept.value.begun && !isOver.value),
    /** A studio that has nothing yet is asked to be opened. */
    isNew: computed(() => loaded.value && !isOver.value && isEmptyStudio(soFar.value)),
    begin: () => change({ begun: true, over: false }),
    seeUnits: () => change({ unitsSeen: true }),
    skip: (step: OpeningStep) => {
      change({ skipped: [...new Set([...kept.value.skipped, step])] });
    },
    end: () => change({ over: true }),
  };
});

import {
  CoreError,
  MEND_COAT_MM,
  castingOf,
  cureTemperatureC,
  looksAt,
  mendCoat,
  mendsOf,
  type Batch,
  type MendStory,
} from '@warm-jar/core';
import { computed, ref, watch, type ComputedRef } from 'vue';
import { ApiProblem } from '../../api/client';
import { useEnterNow } from '../../stores/enterNow';
import { hoursSince } from '../../stores/hoursSince';
import { useLive } from '../../stores/live';
import type { useStoredBatch } from '../../stores/storedBatch';
import { useShelf } from '../../stores/shelf';
import { useWork } from '../../stores/work';

type StoredBatch = ReturnType<typeof useStoredBatch>;

/** What a casting's latest look before a mend told of its area, cm²; null unless every part of it was measured. */
function areaOfLook(batch: Batch, mend: MendStory['mend'], casting: string | null): number | null {
  const looks = looksAt(batch, casting).filter((c) => c.afterH <= mend.atH);
  const seen = looks.findLast((c) => (c.symptoms ?? []).some((s) => s.kind === mend.kind));
  const areas = (seen?.symptoms ?? []).filter((s) => s.kind === mend.kind).map((s) => s.area?.areaCM2 ?? null);
  if (areas.length === 0 || areas.some((a) => a === null)) return null;
  return areas.reduce<number>((sum, a) => sum + (a ?? 0), 0);
}

/** The areas of all castings that are mended together, cm²; null unless every one was measured. */
function toldAreaCM2(batch: Batch | null, mend: MendStory['mend'] | undefined): number | null {
  if (!batch || !mend) return null;
  const areas = mendedCastings(mend).map((id) => areaOfLook(batch, mend, id));
  return areas.includes(null) ? null : areas.reduce<number>((sum, a) => sum + a!, 0);
}

/** The castings that a mend is made on; one unnamed where it is made on all. */
const mendedCastings = (mend: MendStory['mend']): readonly (string | null)[] =>
  mend.castings && mend.castings.length > 0 ? mend.castings : [null];

/** The coat of a mend: how large, how thick, and so how much of each part; null while that is not known. */
function useCoat({ batch, product }: StoredBatch, current: ComputedRef<MendStory | null>) {
  const shelf = useShelf();
  const areaCM2 = ref<number | null>(null);
  const thicknessMm = ref<number | null>(MEND_COAT_MM);
  /** A cavity's surface where the shelf knows it: most of a piece is seldom coated, but it is a start. */
  const knownArea = computed(() => {
    const [of, mend] = [batch.value, current.value?.mend];
    if (!of || !mend) return null;
    const faces = mendedCastings(mend).map((id) => {
      const code = castingOf(of, id)?.mould?.code ?? of.mould?.code;
      const mould = shelf.moulds.find((m) => m.item.code === code)?.item;
      return mould?.cavities?.find((c) => c.areaCM2 != null)?.areaCM2 ?? null;
    });
    return faces.includes(null) ? null : faces.reduce<number>((sum, a) => sum + a!, 0);
  });
  const toldArea = computed(() => toldAreaCM2(batch.value, current.value?.mend));
  watch(
    [current, knownArea, toldArea],
    () => {
      const kept = current.value?.mend.coat;
      areaCM2.value ??= kept?.areaCM2 ?? toldArea.value ?? knownArea.value;
      if (kept?.thicknessMm) thicknessMm.value = kept.thicknessMm;
    },
    { immediate: true },
  );
  const coat = computed(() => {
    if (!product.value || !areaCM2.value || !thicknessMm.value) return null;
    try {
      const roomC = batch.value ? cureTemperatureC(batch.value) : null;
      return mendCoat(product.value, areaCM2.value, thicknessMm.value, roomC);
    } catch (error) {
      if (error instanceof CoreError) return null;
      throw error;
    }
  });
  return { areaCM2, thicknessMm, coat };
}

/** One mend in hand: its steps as they are ticked, the coat to weigh, and its end. */
export function useMend(stored: StoredBatch, code: string) {
  const { batch, load } = stored;
  const enterNow = useEnterNow();
  const live = useLive();
  const work = useWork();
  const problem = ref<string | null>(null);
  const stories = computed<MendStory[]>(() => (batch.value ? mendsOf(batch.value) : []));
  const current = computed(
    () => stories.value.find((s) => s.outcome === 'in-progress') ?? stories.value.at(-1) ?? null,
  );
  const { areaCM2, thicknessMm, coat } = useCoat(stored, current);

  async function set(field: string, was: unknown, value: unknown): Promise<void> {
    const index = current.value?.index;
    if (index === undefined) return;
    try {
      await enterNow(code, {
        set: [{ path: `mends[${index}].${field}`, was: was ?? null, value }],
      });
      problem.value = null;
      await load();
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      problem.value = error.message;
    }
  }
  const tick = (step: number, done: boolean) => set(`steps[${step}].done`, !done, done);
  const keepCoat = () =>
    set('coat', current.value?.mend.coat ?? null, {
      areaCM2: areaCM2.value,
      thicknessMm: thicknessMm.value,
      massG: coat.value === null ? null : Math.round(coat.value.totalG * 10) / 10,
    });
  async function finish(): Promise<void> {
    await set('doneH', null, hoursSince(batch.value, live.exactMs()) ?? current.value?.mend.atH ?? 0);
    void work.load();
  }
  return { stories, current, problem, areaCM2, thicknessMm, coat, tick, keepCoat, finish };
}

import { CoreError, MEND_COAT_MM, cureTemperatureC, mendCoat, mendsOf, type MendStory } from '@warm-jar/core';
import { computed, ref, watch } from 'vue';
import { ApiProblem } from '../../api/client';
import { useEnterNow } from '../../stores/enterNow';
import { hoursSince } from '../../stores/hoursSince';
import { useLive } from '../../stores/live';
import type { useStoredBatch } from '../../stores/storedBatch';
import { useShelf } from '../../stores/shelf';
import { useWork } from '../../stores/work';

/** One mend in hand: its steps as they are ticked, the coat to weigh, and its end. */
export function useMend({ batch, product, load }: ReturnType<typeof useStoredBatch>, code: string) {
  const enterNow = useEnterNow();
  const live = useLive();
  const shelf = useShelf();
  const work = useWork();
  const problem = ref<string | null>(null);
  const stories = computed<MendStory[]>(() => (batch.value ? mendsOf(batch.value) : []));
  const current = computed(
    () => stories.value.find((s) => s.outcome === 'in-progress') ?? stories.value.at(-1) ?? null,
  );
  const areaCM2 = ref<number | null>(null);
  const thicknessMm = ref<number | null>(MEND_COAT_MM);
  /** A cavity's surface where the shelf knows it: most of a piece is seldom coated, but it is a start. */
  const knownArea = computed(
    () =>
      shelf.moulds.find((m) => m.item.code === batch.value?.mould?.code)?.item.cavities?.find((c) => c.areaCM2 != null)
        ?.areaCM2 ?? null,
  );
  /** The areas that the look before the mend told, where each was. */
  const toldArea = computed(() => {
    const mend = current.value?.mend;
    const looks = (batch.value?.checks ?? []).filter((c) => mend && c.afterH <= mend.atH);
    const areas = (looks.at(-1)?.symptoms ?? []).filter((s) => s.kind === mend?.kind).map((s) => s.area?.areaCM2);
    return areas.length > 0 && areas.every((a) => a != null)
      ? areas.reduce<number>((sum, a) => sum + (a ?? 0), 0)
      : null;
  });
  watch(
    [current, knownArea, toldArea],
    () => {
      areaCM2.value ??= current.value?.mend.coat?.areaCM2 ?? toldArea.value ?? knownArea.value;
      if (current.value?.mend.coat?.thicknessMm) thicknessMm.value = current.value.mend.coat.thicknessMm;
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

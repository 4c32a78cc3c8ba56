import { computed, ref, watch } from 'vue';
import { cueOf, weighTarget, type Cue } from '../../run/benchNumber';
import { useBenchContext, type BenchContext } from '../../run/useBench';
import { doseOutside, weighStop, type WeighStop } from '../../run/weighChecks';
import { useUnits } from '../../stores/units';
import { weighEntry } from './weighEntry';

/** B on the scale is the moment the parts met, g. */
const MET_G = 1;
/** What a scale is taken to step by for the cue alone, where it does not say, g; it is written down nowhere. */
const CUE_STEP_G = 0.1;
/** What is said of a cue where it is not how much is to go. */
const SPOKEN: Readonly<Partial<Record<Cue, (grams: string) => string>>> = {
  over: (grams) => `Over by ${grams}`,
  there: () => 'Enough',
};
const DOSE_FIELD = 'mix.catalystPct';

/** The figures of a part being weighed: its target, what is on the scale or typed, and what is still to come. */
function useFigures(bench: BenchContext, part: () => 'A' | 'B') {
  const typed = bench.typed(() => `part ${part()}`);
  const ownTarget = ref<number | null>(null);
  const target = computed(() => {
    const t =
      bench.product.value && bench.batch.value ? weighTarget(bench.product.value, bench.batch.value, part()) : null;
    return t ? { ...t, targetG: t.targetG ?? ownTarget.value } : null;
  });
  const { shown, netG } = bench.scale;
  const amount = computed(() => typed.value ?? netG.value);
  const left = computed(() =>
    amount.value === null || target.value?.targetG == null ? null : target.value.targetG - amount.value,
  );
  const cue = computed(() =>
    amount.value === null || target.value?.targetG == null
      ? null
      : cueOf(amount.value, target.value.targetG, shown.value?.device.stepG ?? CUE_STEP_G),
  );
  return { typed, ownTarget, target, shown, netG, amount, left, cue };
}

/** B on the scale is the moment the parts met, whether or not its weight was taken yet. */
function useFirstTouch(bench: BenchContext, part: () => 'A' | 'B', { netG, shown }: ReturnType<typeof useFigures>) {
  watch(netG, (g) => {
    const poured = part() === 'B' && g !== null && g > MET_G && shown.value?.settled;
    if (poured && bench.batch.value && !bench.batch.value.startedAt)
      void bench.write({ words: null, set: bench.met() });
  });
}

/** One part being weighed, and what stops it from being taken. */
export function useWeighing(part: () => 'A' | 'B') {
  const bench = useBenchContext();
  const units = useUnits();
  const figures = useFigures(bench, part);
  const { typed, target, shown, amount, left, cue } = figures;
  // Eyes are on the stream: what is still to come is spoken where the hand has to change.
  watch(cue, (now, before) => {
    if (now === null || before === null || typed.value !== null || left.value === null) return;
    const grams = units.say(Math.abs(left.value), 'g');
    bench.signals.speech.say(SPOKEN[now]?.(grams) ?? `${grams} to go`);
  });
  const stop = ref<WeighStop | null>(null);
  watch(part, () => {
    stop.value = null;
  });
  useFirstTouch(bench, part, figures);
  const tare = () => {
    if (shown.value?.value != null) void bench.write({ words: 'tare', set: { 'bench.tareG': shown.value.value } });
  };

  /** @param pouredG what was poured now; on top of what is in already, where the mix was made more */
  async function take(pouredG: number, reason?: string): Promise<void> {
    const product = bench.product.value;
    if (!product) return;
    const massG = withWhatIsIn(pouredG);
    const from = typed.value === null ? shown.value : null;
    const weighed = { part: part(), massG, from, standsG: shown.value?.value ?? null, atMin: bench.minutesNow() };
    const entry = weighEntry(product, weighed, bench.met());
    [typed.value, stop.value] = [null, null];
    await bench.write({
      words: `${target.value?.name ?? part()}, ${units.say(massG, 'g')}`,
      step: part() === 'A' ? 'weigh-a' : 'weigh-b',
      set: entry.set,
      add: [...entry.add, ...(reason === undefined ? [] : [bench.reasonFor(DOSE_FIELD, reason)])],
    });
  }
  const withWhatIsIn = (pouredG: number) => Math.round(((target.value?.inG ?? 0) + pouredG) * 100) / 100;
  const rounded = () => (amount.value === null ? null : Math.round(amount.value * 100) / 100);
  const dose = (massG: number) =>
    part() === 'B' && bench.product.value
      ? doseOutside(bench.product.value, bench.batch.value?.mix?.amountA ?? null, massG)
      : null;
  /** Takes what is on the scale or typed, unless something speaks against it: then that is told or asked. */
  async function confirm(): Promise<void> {
    const massG = rounded();
    if (massG === null) return;
    const how = { massG, typed: typed.value !== null, settled: shown.value?.settled ?? false };
    stop.value = dose(withWhatIsIn(massG)) ?? weighStop(how, target.value);
    if (stop.value === null) await take(massG);
  }
  /** Takes it although it is far from its target, or for a reason although it is outside its band. */
  async function takeAnyway(reason?: string): Promise<void> {
    const massG = rounded();
    if (massG !== null) await take(massG, reason);
  }
  return { ...figures, stop, tare, confirm, takeAnyway };
}

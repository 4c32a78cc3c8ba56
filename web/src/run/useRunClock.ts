import {
  benchClock,
  benchSteps,
  currentStep,
  mixMasses,
  mixOfBatch,
  mixStartC,
  planOf,
  pourWindow,
  type Batch,
  type BenchStep,
  type CupNow,
  type Plan,
  type Product,
} from '@warm-jar/core';
import { computed } from 'vue';
import { useLive } from '../stores/live';
import { deadlines } from './benchNumber';
import type { RunRecord } from './useRunRecord';

const MINUTE_MS = 60_000;
/** Where neither the record nor the plan says: the room, °C, and the mass, g. */
const [ROOM_C, MASS_G] = [21, 100];

/** Room and resin as recorded, else as planned. */
function conditionsOf(product: Product | null, batch: Batch | null, plan: Plan | null) {
  const request = plan?.['request'] as { conditions?: { roomC?: number | null; resinC?: number | null } } | undefined;
  const planned = request?.conditions;
  const roomC = batch?.room?.temperatureC ?? planned?.roomC ?? ROOM_C;
  const read = product && batch ? mixStartC(product, batch) : null;
  return { roomC, resinC: read ?? planned?.resinC ?? roomC };
}

/** Where a run is: its plan, its steps, and the time by its own clock. */
export function useRunClock({ batch, product }: RunRecord) {
  const live = useLive();
  const startMs = computed(() => (batch.value?.startedAt ? Date.parse(batch.value.startedAt) : null));
  /** Minutes since the parts met, to the second: what is redrawn hangs on it. */
  const nowMin = computed(() =>
    startMs.value === null ? null : Math.max(0, Math.floor((live.nowMs - startMs.value) / 1000) / 60),
  );
  /** The same to the hundredth, for what is written down. */
  const minutesNow = () =>
    startMs.value === null ? null : Math.round(Math.max(0, (live.exactMs() - startMs.value) / MINUTE_MS) * 100) / 100;

  const run = computed(() => (product.value && batch.value ? { product: product.value, batch: batch.value } : null));
  const plan = computed(() => (batch.value ? planOf(batch.value) : null));
  const steps = computed(() => (run.value ? benchSteps(run.value.product, run.value.batch) : []));
  const step = computed<BenchStep | null>(() => (run.value ? currentStep(run.value.product, run.value.batch) : null));
  const massG = computed(() => {
    const weighed = run.value ? mixMasses(run.value.product, run.value.batch).totalG : null;
    return weighed ?? plan.value?.totalMassG ?? MASS_G;
  });
  const conditions = computed(() => conditionsOf(product.value, batch.value, plan.value));
  const mix = computed(() => (run.value ? mixOfBatch(run.value.product, run.value.batch) : undefined));
  /** What cures by light has no parts that meet, and no pot life. */
  const lightCured = computed(() => product.value?.family === 'uv-acrylate');
  /** The cup as it stands now; null before the parts met. */
  const cupNow = computed<CupNow | null>(() =>
    !run.value || nowMin.value === null
      ? null
      : {
          massG: massG.value,
          ...conditions.value,
          readings: run.value.batch.readings ?? [],
          mix: mix.value,
          nowMin: nowMin.value,
        },
  );
  const clock = computed(() =>
    run.value && cupNow.value && !lightCured.value ? benchClock(run.value.product, cupNow.value) : null,
  );
  /** The window of temperature that the pour waits for, where the record has one. */
  const window = computed(() => {
    const { fromC = null, toC = null } = run.value?.batch.bench?.pourWindow ?? {};
    if (!run.value || !cupNow.value || fromC === null || toC === null || fromC >= toC) return null;
    return pourWindow(run.value.product, cupNow.value, { fromC, toC });
  });
  const pressed = computed(() => steps.value.some((s) => s.step === 'close'));
  const due = computed(() =>
    deadlines(plan.value, clock.value?.potLifeEndsMin ?? null, clock.value?.gelsMin ?? null, pressed.value),
  );
  return {
    plan,
    steps,
    step,
    nowMin,
    startMs,
    cupNow,
    clock,
    window,
    lightCured,
    due,
    pressed,
    conditions,
    massG,
    mix,
    minutesNow,
  };
}
export type RunClock = ReturnType<typeof useRunClock>;

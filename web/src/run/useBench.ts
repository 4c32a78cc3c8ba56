import {
  applyEntry,
  batchSchema,
  benchClock,
  benchSteps,
  currentStep,
  invertPatch,
  mixMasses,
  mixOfBatch,
  mixStartC,
  planOf,
  valueAt,
  type Batch,
  type BenchStep,
  type Entry,
  type Product,
} from '@warm-jar/core';
import { useLocalStorage } from '@vueuse/core';
import { computed, onUnmounted, ref, shallowRef, watch, type Ref } from 'vue';
import { ApiProblem, api } from '../api/client';
import { provided } from '../components/provided';
import { localMoment } from '../stores/draft';
import { useDevices } from '../stores/devices';
import { useLive } from '../stores/live';
import { useOutbox } from '../stores/outbox';
import { newKey } from '../stores/newKey';
import { useSession } from '../stores/session';
import { useProducts } from '../stores/products';
import { deadlines } from './benchNumber';
import { useSignals } from './useSignals';

interface Undo {
  readonly words: string;
  readonly set: Entry['set'];
}
interface Write {
  /** What undo is to say; nothing where it is not a person's own doing. */ readonly words: string | null;
  readonly step?: BenchStep;
  readonly set?: Record<string, unknown>;
  readonly add?: Entry['add'];
}
const MINUTE_MS = 60_000;
const KINDS = ['room-sensor', 'scale', 'thermometer', 'vessel-gauge', 'vacuum-gauge', 'hardness-tester'] as const;

/** One batch at the bench: the record with what still waits laid over it, its clock, its devices, and how to write to it. */
function makeBench(code: Ref<string>) {
  const live = useLive();
  const outbox = useOutbox();
  const products = useProducts();
  const stored = shallowRef<Batch | null>(null);
  const product = shallowRef<Product | null>(null);
  const problem = ref<string | null>(null);
  const undoKept = useLocalStorage<Record<string, Undo>>('warm-jar.undo', {}, { flush: 'sync' });
  const session = useSession();

  async function load(): Promise<void> {
    const asked = code.value;
    try {
      const { batch } = await api.batch(asked);
      const card = await products.at(batch.product.slug, batch.product.revision);
      if (asked !== code.value) return;
      [stored.value, product.value, problem.value] = [batch, card, null];
    } catch (error) {
      if (asked === code.value && !stored.value)
        problem.value = error instanceof ApiProblem ? error.message : 'The batch could not be read.';
    }
  }
  watch(
    code,
    () => {
      stored.value = null;
      void load();
    },
    { immediate: true },
  );
  const stopStored = outbox.onStored((of, { batch }) => {
    if (of === code.value) stored.value = batch;
  });
  const stopLive = live.onChange((change) => {
    if (change.code === code.value) void load();
  });
  onUnmounted(() => {
    stopStored();
    stopLive();
  });

  const waiting = computed(() => outbox.queue.filter((w) => w.code === code.value));
  const refused = computed(() => waiting.value.find((w) => w.problem !== null) ?? null);
  const batch = computed<Batch | null>(() => {
    if (!stored.value) return null;
    const document = waiting.value.reduce(
      (d, w) => applyEntry(d, { ...w.entry, over: true }).document,
      stored.value as Record<string, unknown>,
    );
    const parsed = batchSchema.safeParse(document);
    return parsed.success ? parsed.data : stored.value;
  });

  const startMs = computed(() => (batch.value?.startedAt ? Date.parse(batch.value.startedAt) : null));
  const minutesNow = () => (startMs.value === null ? null : Math.max(0, (live.exactMs() - startMs.value) / MINUTE_MS));
  /** Minutes since the parts met, to the second: what is redrawn hangs on it. */
  const nowMin = computed(() =>
    startMs.value === null ? null : Math.max(0, Math.floor((live.nowMs - startMs.value) / 1000) / 60),
  );
  const plan = computed(() => (batch.value ? planOf(batch.value) : null));
  const steps = computed(() => (product.value && batch.value ? benchSteps(product.value, batch.value) : []));
  const step = computed<BenchStep | null>(() =>
    product.value && batch.value ? currentStep(product.value, batch.value) : null,
  );
  const massG = computed(
    () =>
      (product.value && batch.value ? mixMasses(product.value, batch.value).totalG : null) ??
      plan.value?.totalMassG ??
      100,
  );
  const conditions = computed(() => {
    const request = plan.value?.['request'] as
      { conditions?: { roomC?: number | null; resinC?: number | null } } | undefined;
    const roomC = batch.value?.room?.temperatureC ?? request?.conditions?.roomC ?? 21;
    return {
      roomC,
      resinC:
        (product.value && batch.value ? mixStartC(product.value, batch.value) : null) ??
        request?.conditions?.resinC ??
        roomC,
    };
  });
  const mix = computed(() => (product.value && batch.value ? mixOfBatch(product.value, batch.value) : undefined));
  const clock = computed(() =>
    product.value && batch.value && nowMin.value !== null
      ? benchClock(product.value, {
          massG: massG.value,
          ...conditions.value,
          readings: batch.value.readings ?? [],
          mix: mix.value,
          nowMin: nowMin.value,
        })
      : null,
  );
  const pressed = computed(() => steps.value.some((s) => s.step === 'close'));
  const due = computed(() =>
    deadlines(plan.value, clock.value?.potLifeEndsMin ?? null, clock.value?.gelsMin ?? null, pressed.value),
  );

  const devices = useDevices(code, KINDS);
  const signals = useSignals();

  /** Saves one thing done: at once in the browser, from there to the server. */
  async function write({ words, step: of, set = {}, add = [] }: Write): Promise<void> {
    if (!batch.value) return;
    const at = minutesNow();
    const changes = Object.entries(set).map(([path, value]) => ({
      path,
      was: valueAt(batch.value, path) ?? null,
      value: value ?? null,
    }));
    const done: Entry['add'] = of
      ? [{ path: 'bench.done', value: { step: of, atMin: at === null ? null : Math.round(at * 100) / 100 } }]
      : [];
    if (changes.length > 0 && words !== null)
      undoKept.value = { ...undoKept.value, [code.value]: { words, set: invertPatch({ set: changes }) } };
    await outbox.add(code.value, {
      key: newKey(),
      at: localMoment(new Date(live.exactMs())),
      by: session.person,
      set: changes,
      add: [...add, ...done],
      over: false,
    });
  }

  const undo = computed(() => undoKept.value[code.value] ?? null);
  async function takeBack(): Promise<void> {
    const last = undo.value;
    if (!last) return;
    undoKept.value = Object.fromEntries(Object.entries(undoKept.value).filter(([of]) => of !== code.value));
    await outbox.add(code.value, {
      key: newKey(),
      at: localMoment(new Date(live.exactMs())),
      by: session.person,
      set: JSON.parse(JSON.stringify(last.set)) as Entry['set'],
      add: [],
      over: true,
    });
  }

  /** When the parts met: the moment B touches A. Said once, never moved by a later step. */
  const met = (): Record<string, unknown> =>
    batch.value?.startedAt ? {} : { startedAt: localMoment(new Date(live.exactMs())) };
  const rounded = (m: number | null) => (m === null ? null : Math.round(m * 100) / 100);
  return {
    code,
    batch,
    product,
    problem,
    load,
    plan,
    steps,
    step,
    nowMin,
    startMs,
    clock,
    due,
    pressed,
    conditions,
    massG,
    mix,
    devices,
    signals,
    waiting,
    refused,
    undo,
    live,
    outbox,
    write,
    takeBack,
    met,
    minutesNow: () => rounded(minutesNow()),
  };
}

export type BenchContext = ReturnType<typeof makeBench>;
const { give, take } = provided<BenchContext>('bench');
export const provideBench = (code: Ref<string>): BenchContext => give(makeBench(code));
export const useBenchContext = take;

import type { Batch } from '../formats/batch';
import { planSchema, type Plan } from '../formats/plan';
import type { Product } from '../formats/product';
import { batchRatioErrorPct, hasFixedRatio } from '../mixing/batchAmounts';
import { ratioTolerance } from '../mixing/safeBatch';
import { cardRoute, isPressed, isVacuumed } from '../planning/planCase';
import type { Stage } from '../planning/stage';

export const BENCH_STEPS = [
  'weigh-a',
  'weigh-b',
  'bring-back',
  'colour',
  'stir',
  'clear',
  'pour',
  'turn',
  'close',
  'press',
  'hold',
  'watch',
  'after',
] as const;
export type BenchStep = (typeof BENCH_STEPS)[number];

/** What each step is called, and the stage of the batch's line it belongs to. */
export const BENCH_STEP_WORDS: Record<BenchStep, { readonly words: string; readonly stage: Stage }> = {
  'weigh-a': { words: 'Weigh A', stage: 'weigh' },
  'weigh-b': { words: 'Weigh B', stage: 'weigh' },
  'bring-back': { words: 'Bring it back', stage: 'weigh' },
  colour: { words: 'Colour', stage: 'mix' },
  stir: { words: 'Stir', stage: 'mix' },
  clear: { words: 'Clear the air', stage: 'clear' },
  pour: { words: 'Pour', stage: 'pour' },
  turn: { words: 'Turn the mould', stage: 'watch' },
  close: { words: 'Close the vessel', stage: 'press' },
  press: { words: 'Bring to pressure', stage: 'press' },
  hold: { words: 'Hold', stage: 'press' },
  watch: { words: 'Watch', stage: 'watch' },
  after: { words: 'Done', stage: 'check' },
};

/** The plan a batch was begun from; null where it has none that can be read. */
export function planOf(batch: Batch): Plan | null {
  const parsed = planSchema.safeParse(batch.plan);
  return parsed.success ? parsed.data : null;
}

const reasoned = (batch: Batch, field: string) => (batch.bench?.reasons ?? []).some((r) => r.field === field);
const isDone = (batch: Batch, step: BenchStep) => (batch.bench?.done ?? []).some((d) => d.step === step);

/** Additives of the plan that are neither in the cup nor left out by a reason. */
export function coloursToCome(batch: Batch): Plan['additives'] {
  const inCup = new Set((batch.additives ?? []).map((a) => a.name ?? a.kind));
  return (planOf(batch)?.additives ?? []).filter((a) => !inCup.has(a.name ?? a.kind));
}

/** Whether both parts are in the cup and their ratio is off by more than the tolerance, and nobody let it stand. */
export function isOffRatio(product: Product, batch: Batch): boolean {
  if (
    batch.mix?.amountA == null ||
    batch.mix.amountB == null ||
    !hasFixedRatio(product) ||
    reasoned(batch, 'mix.ratioErrorPct')
  )
    return false;
  const off = batchRatioErrorPct(product, batch);
  return off !== null && Math.abs(off) > ratioTolerance(product).pct;
}

/** A step of this batch: whether it is asked for, and whether the record shows it done. */
export interface StepState {
  readonly step: BenchStep;
  readonly done: boolean;
}

/** Every step that this batch takes, in order; what the record holds already counts as done, however it came there. */
export function benchSteps(product: Product, batch: Batch): StepState[] {
  const plan = planOf(batch);
  const route = plan?.route ?? cardRoute(product);
  const { mix, degas, pour, pressure, cure } = batch;
  const onePart = product.family === 'uv-acrylate' && !product.ratio.byWeight;
  const clears =
    isVacuumed(route) ||
    (route === 'warm-and-rest' && (plan?.timeline.some((s) => s.what === 'rest') ?? (product.mix?.restMin ?? 0) > 0));
  const hollow = batch.bench?.hollow === true;
  const steps: (StepState | null)[] = [
    { step: 'weigh-a', done: mix?.amountA != null },
    onePart ? null : { step: 'weigh-b', done: mix?.amountB != null },
    isOffRatio(product, batch) ? { step: 'bring-back', done: false } : null,
    (plan?.additives.length ?? 0) > 0
      ? { step: 'colour', done: coloursToCome(batch).length === 0 || isDone(batch, 'colour') }
      : null,
    mix?.stirMin == null && onePart && !product.mix?.minMin ? null : { step: 'stir', done: mix?.stirMin != null },
    clears ? { step: 'clear', done: degas?.method != null } : null,
    { step: 'pour', done: pour?.finishedMin != null },
    hollow ? { step: 'turn', done: batch.witness?.setMin != null } : null,
    ...(isPressed(route) && pressure?.gaugeKPa !== 0
      ? [
          { step: 'close', done: pressure?.startedMin != null } as const,
          { step: 'press', done: pressure?.reachedMin != null } as const,
          { step: 'hold', done: pressure?.releasedMin != null } as const,
        ]
      : []),
    { step: 'watch', done: cure?.demouldedMin != null },
    { step: 'after', done: (batch.checks?.length ?? 0) > 0 },
  ];
  return steps.filter((s) => s !== null);
}

/** The step that is to be done now: the first that is not. */
export const currentStep = (product: Product, batch: Batch): BenchStep =>
  benchSteps(product, batch).find((s) => !s.done)?.step ?? 'after';

import { toppingUpG } from './makeMore';
import { planOf } from './planOf';
import { isOut, isPoured } from '../castings/castingProgress';
import type { Batch } from '../formats/batch';
import type { Plan } from '../formats/plan';
import type { Product } from '../formats/product';
import { batchRatioErrorPct, hasFixedRatio } from '../mixing/batchAmounts';
import { ratioTolerance } from '../mixing/safeBatch';
import { cardRoute, isPressed, isVacuumed } from '../planning/planCase';
import type { Stage } from '../formats/vocabulary';

export const BENCH_STEPS = [
  'weigh-a',
  'weigh-b',
  'bring-back',
  'colour',
  'stir',
  'cups',
  'clear',
  'pour',
  'turn',
  'lamp',
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
  cups: { words: 'Split into cups', stage: 'mix' },
  clear: { words: 'Clear the air', stage: 'clear' },
  pour: { words: 'Pour', stage: 'pour' },
  turn: { words: 'Turn the mould', stage: 'watch' },
  lamp: { words: 'Under the lamp', stage: 'watch' },
  close: { words: 'Close the vessel', stage: 'press' },
  press: { words: 'Bring to pressure', stage: 'press' },
  hold: { words: 'Hold', stage: 'press' },
  watch: { words: 'Watch', stage: 'watch' },
  after: { words: 'Done', stage: 'check' },
};

const reasoned = (batch: Batch, field: string) => (batch.bench?.reasons ?? []).some((r) => r.field === field);
const isDone = (batch: Batch, step: BenchStep) => (batch.bench?.done ?? []).some((d) => d.step === step);

/** Additives of the plan that are neither in the cup nor left out by a reason. */
export function coloursToCome(batch: Batch): Plan['additives'] {
  const inCup = new Set((batch.additives ?? []).map((a) => a.name ?? a.kind));
  return (planOf(batch)?.additives ?? []).filter((a) => !inCup.has(a.name ?? a.kind));
}

/** Whether both parts are in the cup and their ratio is off by more than the tolerance, and nobody let it stand. */
export function isOffRatio(product: Product, batch: Batch): boolean {
  const { amountA, amountB } = batch.mix ?? {};
  if (amountA == null || amountB == null || !hasFixedRatio(product)) return false;
  if (reasoned(batch, 'mix.ratioErrorPct')) return false;
  const off = batchRatioErrorPct(product, batch);
  return off !== null && Math.abs(off) > ratioTolerance(product).pct;
}

/** Whether a mix that was made more still waits for a part: until then its ratio says nothing. */
const isToppingUp = (batch: Batch) => toppingUpG(batch, 'A') !== null || toppingUpG(batch, 'B') !== null;

/** A step of this batch: whether it is asked for, and whether the record shows it done. */
export interface StepState {
  readonly step: BenchStep;
  readonly done: boolean;
}

const step = (name: BenchStep, done: boolean): StepState => ({ step: name, done });
const isOnePart = (product: Product) => product.family === 'uv-acrylate' && !product.ratio.byWeight;

/** Whether the plan, or without one the card, has the mix rest or the air drawn from it. */
function clearsAir(product: Product, plan: Plan | null, route: Plan['route']): boolean {
  if (isVacuumed(route)) return true;
  if (route !== 'warm-and-rest') return false;
  return plan ? plan.timeline.some((s) => s.what === 'rest') : (product.mix?.restMin ?? 0) > 0;
}

function weighingSteps(product: Product, batch: Batch, offRatio: boolean): StepState[] {
  // A mix that was made more is weighed again, from what is in.
  const weighed = (part: 'A' | 'B', amount: number | null | undefined) =>
    amount != null && toppingUpG(batch, part) === null;
  const steps = [step('weigh-a', weighed('A', batch.mix?.amountA))];
  if (!isOnePart(product)) steps.push(step('weigh-b', weighed('B', batch.mix?.amountB)));
  if (offRatio) steps.push(step('bring-back', false));
  return steps;
}

function mixingSteps(product: Product, batch: Batch, plan: Plan | null): StepState[] {
  const steps: StepState[] = [];
  const stirred = batch.mix?.stirMin != null;
  if (plan && plan.additives.length > 0)
    steps.push(step('colour', coloursToCome(batch).length === 0 || isDone(batch, 'colour')));
  if (stirred || !isOnePart(product) || product.mix?.minMin) steps.push(step('stir', stirred));
  return steps;
}

function pouringSteps(batch: Batch, clears: boolean): StepState[] {
  const { degas, witness, bench } = batch;
  const steps: StepState[] = [];
  if ((batch.cups ?? []).length > 0) steps.push(step('cups', isDone(batch, 'cups') || batch.pour?.startedMin != null));
  if (clears) steps.push(step('clear', degas?.method != null));
  steps.push(step('pour', isPoured(batch)));
  if (bench?.hollow === true) steps.push(step('turn', witness?.setMin != null));
  return steps;
}

function pressingSteps({ pressure }: Batch, route: Plan['route']): StepState[] {
  if (!isPressed(route) || pressure?.gaugeKPa === 0) return [];
  return [
    step('close', pressure?.startedMin != null),
    step('press', pressure?.reachedMin != null),
    step('hold', pressure?.releasedMin != null),
  ];
}

/** What cures by light is put under its lamp; a dose or its minutes on the record show that it was. */
function lampSteps(product: Product, { cure }: Batch): StepState[] {
  if (product.family !== 'uv-acrylate') return [];
  return [step('lamp', cure?.lightMJPerCM2 != null || cure?.lamp?.minutes != null)];
}

/** Every step that this batch takes, in order; what the record holds already counts as done, however it came there. */
export function benchSteps(product: Product, batch: Batch): StepState[] {
  const plan = planOf(batch);
  const route = plan?.route ?? cardRoute(product);
  return [
    ...weighingSteps(product, batch, !isToppingUp(batch) && isOffRatio(product, batch)),
    ...mixingSteps(product, batch, plan),
    ...pouringSteps(batch, clearsAir(product, plan, route)),
    ...lampSteps(product, batch),
    ...pressingSteps(batch, route),
    step('watch', isOut(batch)),
    step('after', (batch.checks?.length ?? 0) > 0),
  ];
}

/** The step that is to be done now: the first that is not. */
export const currentStep = (product: Product, batch: Batch): BenchStep =>
  benchSteps(product, batch).find((s) => !s.done)?.step ?? 'after';

import type { RouteLocationRaw } from 'vue-router';

/** What a studio has of what it needs first. */
export interface StudioSoFar {
  readonly unitsSeen: boolean;
  readonly people: number;
  readonly products: number;
  readonly scales: number;
  readonly vessels: number;
  readonly moulds: number;
  readonly batches: number;
}

export const OPENING_STEPS = ['units', 'people', 'product', 'gear', 'mould', 'batch'] as const;
export type OpeningStep = (typeof OPENING_STEPS)[number];

/** Somewhere that does what a step asks. */
export interface StepAction {
  readonly words: string;
  readonly to: RouteLocationRaw;
}

/** One step of opening a studio: what it is, why, what there is already, and where it is done. */
export interface OpeningStepWords {
  readonly step: OpeningStep;
  readonly title: string;
  readonly why: string;
  readonly isDone: (soFar: StudioSoFar) => boolean;
  readonly has: (soFar: StudioSoFar) => string;
  readonly actions: readonly StepAction[];
}

const count = (n: number, one: string, many: string) => (n === 0 ? `no ${one} yet` : `${n} ${n === 1 ? one : many}`);

const WORDS: Readonly<Record<OpeningStep, Omit<OpeningStepWords, 'step'>>> = {
  units: {
    title: 'Units and currency',
    why: 'Read and type in the units of your scale, gauge and thermometer. Records keep their own, so this can be changed at any time.',
    isDone: (s) => s.unitsSeen,
    has: (s) => (s.unitsSeen ? 'looked at' : 'not looked at yet'),
    actions: [],
  },
  people: {
    title: 'People',
    why: 'Initials beside each batch say whom to ask. On this computer nobody has to sign in.',
    isDone: (s) => s.people > 0,
    has: (s) => count(s.people, 'person', 'people'),
    actions: [],
  },
  product: {
    title: 'The first product',
    why: 'Its card holds what the data sheet says: ratio, times, temperatures, limits. Plans, warnings and diagnoses are held against it.',
    isDone: (s) => s.products > 0,
    has: (s) => count(s.products, 'card', 'cards'),
    actions: [
      { words: 'From its data sheet: a PDF or its words', to: { name: 'sheet-card' } },
      { words: 'Type it in by hand', to: { name: 'new-product' } },
      { words: 'From a spreadsheet of yours', to: { name: 'import-table', query: { kind: 'product' } } },
    ],
  },
  gear: {
    title: 'Scale and vessel',
    why: 'The step of your scale says how small a batch may be; the vessel’s rating is never passed.',
    isDone: (s) => s.scales > 0,
    has: (s) => `${count(s.scales, 'scale', 'scales')}, ${count(s.vessels, 'vessel', 'vessels')}`,
    actions: [
      { words: 'Add a scale', to: { name: 'shelf', params: { place: 'gear', code: 'new' }, query: { kind: 'scale' } } },
      {
        words: 'Add a pressure vessel',
        to: { name: 'shelf', params: { place: 'gear', code: 'new' }, query: { kind: 'pressure-vessel' } },
      },
    ],
  },
  mould: {
    title: 'A mould',
    why: 'Its volume, depth and thinnest section decide how much is mixed, in how many pours, and when it comes out.',
    isDone: (s) => s.moulds > 0,
    has: (s) => count(s.moulds, 'mould', 'moulds'),
    actions: [
      { words: 'Add a mould', to: { name: 'shelf', params: { place: 'moulds', code: 'new' } } },
      { words: 'From a spreadsheet of yours', to: { name: 'import-table', query: { kind: 'mould' } } },
    ],
  },
  batch: {
    title: 'The first batch',
    why: 'Plan it: how much of each part, how long there is, what to look out for. Or bring in the batches you have written down.',
    isDone: (s) => s.batches > 0,
    has: (s) => count(s.batches, 'batch', 'batches'),
    actions: [
      { words: 'Plan a batch', to: { name: 'plan' } },
      { words: 'Bring in a spreadsheet of batches', to: { name: 'import-table', query: { kind: 'batch' } } },
    ],
  },
};

/** The steps of opening a studio, in order. */
export const openingSteps: readonly OpeningStepWords[] = OPENING_STEPS.map((step) => ({ step, ...WORDS[step] }));

/** The first step that is neither done nor passed over; null where none is left. */
export function nextStep(soFar: StudioSoFar, skipped: readonly string[]): OpeningStepWords | null {
  return openingSteps.find(({ step, isDone }) => !isDone(soFar) && !skipped.includes(step)) ?? null;
}

/** The step behind another; null behind the last. */
export const stepAfter = (step: OpeningStep): OpeningStep | null =>
  OPENING_STEPS[OPENING_STEPS.indexOf(step) + 1] ?? null;

/** Whether a studio has nothing of its own yet. */
export const isEmptyStudio = ({ products, moulds, batches }: StudioSoFar) => products + moulds + batches === 0;

import {
  BENCH_STEP_WORDS,
  STAGE_WORDS,
  type Batch,
  type BenchClock,
  type BenchStep,
  type PourWindow,
  type Product,
  type Say,
  type StepState,
} from '@warm-jar/core';
import { dueShort, type WorkItem } from '../../stores/urgency';
import { weighTarget, type Deadlines } from '../../run/benchNumber';
import { countdown } from '../../run/countdown';

/** The run as the board needs it. */
export interface BoardInput {
  readonly product: Product;
  readonly batch: Batch;
  readonly step: BenchStep;
  readonly steps: readonly StepState[];
  readonly nowMin: number | null;
  readonly clock: BenchClock | null;
  readonly due: Deadlines;
  /** The window of temperature that the pour waits for. */
  readonly window: PourWindow | null;
  readonly netG: number | null;
  readonly gaugeKPa: number | null;
  readonly say: Say;
}

/** What stands on the board. */
export interface BoardFacts {
  readonly number: string;
  readonly says: string;
  readonly over: boolean;
  readonly time: string;
  readonly timeLabel: string;
  readonly timeOver: boolean;
  readonly next: string;
  /** When the mix may be poured, where that is waited for. */
  readonly window: string;
}

/** The big number, a word for it, and whether it is over. */
interface BoardNumber {
  readonly number: string;
  readonly says: string;
  readonly over: boolean;
}
type NumberOf = (b: BoardInput, nowMin: number) => BoardNumber;

const plain = (number: string, says = ''): BoardNumber => ({ number, says, over: false });
/** A hand's width on the scale, g: less is neither over nor begun. */
const [OVER_G, BEGUN_G] = [0.1, 1];

const weighing =
  (part: 'A' | 'B'): NumberOf =>
  ({ product, batch, netG, say }) => {
    const { targetG, name } = weighTarget(product, batch, part);
    if (targetG === null) return plain('–', `${name}: no target`);
    if (netG === null || netG < BEGUN_G) return plain(say(targetG, 'g'), name);
    const left = targetG - netG;
    return {
      number: say(Math.abs(left), 'g'),
      says: left < 0 ? `${name}: over` : `${name} to come of ${say(targetG, 'g')}`,
      over: left < -OVER_G,
    };
  };

const stirring: NumberOf = ({ product, batch }, now) => {
  const left = (product.mix?.minMin ?? 2) - (now - (batch.bench?.stirFromMin ?? now));
  return plain(countdown(Math.max(0, left)), left > 0 ? 'wall and bottom' : 'long enough');
};

const clearing: NumberOf = ({ batch }, now) => plain(countdown(now - (batch.bench?.clearFromMin ?? now)), 'so far');

const onGauge =
  (words: string): NumberOf =>
  ({ gaugeKPa, say }) =>
    plain(gaugeKPa === null ? '–' : say(gaugeKPa, 'kPa'), words);

const pouring: NumberOf = ({ due }, now) => {
  if (due.pourByMin === null) return plain('–', 'to pour');
  const left = due.pourByMin - now;
  return { number: countdown(Math.abs(left)), says: left < 0 ? 'too late' : 'to pour', over: left < 0 };
};

const sinceMet: NumberOf = (_b, now) => plain(countdown(now), 'since the parts met');

const NUMBERS: Readonly<Partial<Record<BenchStep, NumberOf>>> = {
  'weigh-a': weighing('A'),
  'weigh-b': weighing('B'),
  stir: stirring,
  clear: clearing,
  close: onGauge('on the gauge'),
  press: onGauge('on the gauge'),
  hold: onGauge('hold'),
  pour: pouring,
};

/** Steps at which the resin has set or is past its pot life: what counts is how long ago the parts met. */
const SET_STEPS: ReadonlySet<BenchStep> = new Set(['hold', 'watch', 'after', 'turn']);

function timeWords(leftMin: number | null, nowMin: number | null): string {
  if (nowMin === null) return 'not begun';
  if (leftMin === null) return 'not known';
  return leftMin < 0 ? `−${countdown(-leftMin)}` : countdown(leftMin);
}

/** Steps before the pour, at which its window counts. */
const BEFORE_POUR: ReadonlySet<BenchStep> = new Set(['colour', 'stir', 'clear', 'pour']);

function windowWords({ window, step, nowMin, batch }: BoardInput): string {
  if (!window || nowMin === null || !BEFORE_POUR.has(step) || batch.pour?.startedMin != null) return '';
  if (window.opensMin === null) return 'never warm enough';
  if (nowMin < window.opensMin) return `pour in ${countdown(window.opensMin - nowMin)}`;
  if (!window.open) return 'pour window closed';
  return window.closesMin === null ? 'pour now' : `pour now, for ${countdown(window.closesMin - nowMin)}`;
}

/** A batch on the board beside the first: where it is, and what is next due. */
export interface BoardRow {
  readonly code: string;
  /** The code as it is called across the room: the studio's own numbering without its letter. */
  readonly short: string;
  readonly stage: string;
  readonly due: string;
  readonly late: boolean;
}

/** Every batch in work but the first, most urgent first. */
export const boardRows = (items: readonly WorkItem[], first: string, nowMs: number): BoardRow[] =>
  items
    .filter(({ code }) => code !== first)
    .map((item) => ({
      code: item.code,
      short: item.code.replace(/^B-(?=\d)/, ''),
      stage: STAGE_WORDS[item.stage].toLowerCase(),
      due: dueShort(item, nowMs),
      late: item.dueMs !== null && item.dueMs < nowMs,
    }));

/** The one number of the step, the time left, and the step after this one. */
export function boardFacts(b: BoardInput): BoardFacts {
  const { clock, nowMin, step, steps } = b;
  const left = clock?.potLifeEndsMin == null || nowMin === null ? null : clock.potLifeEndsMin - nowMin;
  const next = steps.slice(steps.findIndex((s) => s.step === step) + 1).find((s) => !s.done);
  const set = SET_STEPS.has(step);
  return {
    ...(NUMBERS[step] ?? sinceMet)(b, nowMin ?? 0),
    next: next ? BENCH_STEP_WORDS[next.step].words : '–',
    window: windowWords(b),
    timeLabel: set ? 'since the parts met' : 'pot life left',
    timeOver: !set && left !== null && left < 0,
    time: set ? countdown(nowMin ?? 0) : timeWords(left, nowMin),
  };
}

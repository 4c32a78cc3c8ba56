import type { BenchStep, ComeBack, PourWindow } from '@warm-jar/core';
import type { SignalKind } from './useSignals';

/** A signal that is due at a minute of the run, and is of no use much later. */
export interface DueSignal {
  readonly key: string;
  readonly kind: SignalKind;
  readonly says: string;
  readonly atMin: number;
  readonly untilMin: number;
}

/** What signals are worked out from. */
export interface SignalScene {
  readonly step: BenchStep | null;
  readonly potLifeEndsMin: number | null;
  readonly gelsMin: number | null;
  readonly window: PourWindow | null;
  readonly poured: boolean;
  readonly looks: readonly ComeBack[];
  /** Minutes at which somebody looked. */
  readonly looked: readonly number[];
}

/** Steps at which the mix is still liquid and pot life counts. */
const LIQUID: ReadonlySet<BenchStep> = new Set([
  'weigh-a',
  'weigh-b',
  'bring-back',
  'colour',
  'stir',
  'clear',
  'pour',
  'close',
  'press',
]);
export const isLiquidStep = (step: BenchStep | null): boolean => step !== null && LIQUID.has(step);
/** How long before the end a warning comes, min. */
const [BEFORE_POT_MIN, BEFORE_CLOSE_MIN] = [1, 0.5];
/** A look is rung for so long after it was due, min: then the next one is nearer. */
const LOOK_LASTS_MIN = 30;

function potSignals({ step, potLifeEndsMin }: SignalScene): DueSignal[] {
  if (potLifeEndsMin === null || !isLiquidStep(step)) return [];
  const warnMin = Math.max(0, potLifeEndsMin - BEFORE_POT_MIN);
  return [
    { key: 'pot-1', kind: 'warn', says: 'One minute of pot life left', atMin: warnMin, untilMin: potLifeEndsMin },
    { key: 'pot-over', kind: 'stop', says: 'Pot life is over', atMin: potLifeEndsMin, untilMin: Infinity },
  ];
}

function windowSignals({ window, poured }: SignalScene): DueSignal[] {
  if (window?.opensMin == null || poured) return [];
  const closes = window.closesMin ?? Infinity;
  const opens: DueSignal = {
    key: 'window-opens',
    kind: 'warn',
    says: 'Pour now: it is as warm as it should be',
    atMin: window.opensMin,
    untilMin: closes,
  };
  if (window.closesMin === null) return [opens];
  const warnMin = Math.max(window.opensMin, closes - BEFORE_CLOSE_MIN);
  return [
    opens,
    { key: 'window-closes', kind: 'stop', says: 'The pour window closes', atMin: warnMin, untilMin: closes },
  ];
}

/** Looks in between that nobody ticked: one that was made near its time counts for it. */
const lookSignals = ({ looks, looked }: SignalScene): DueSignal[] =>
  openLooks(looks, looked).map((l) => ({
    key: `look ${l.afterMin.toFixed(1)}`,
    kind: 'note',
    says: 'Look at the cast',
    atMin: l.afterMin,
    untilMin: l.afterMin + LOOK_LASTS_MIN,
  }));

/** How long before its time a look counts as that one, min. */
const EARLY_MIN = 15;
/** The looks that are still to be made: each tick stands for one, the first that is not much later than it. */
export function openLooks(looks: readonly ComeBack[], looked: readonly number[]): ComeBack[] {
  const open = [...looks];
  for (const at of looked) {
    const found = open.findLastIndex((l) => l.afterMin <= at + EARLY_MIN);
    if (found >= 0) open.splice(0, found + 1);
  }
  return open;
}

/** All signals that the run has now, due or to come. */
export const signalsOf = (scene: SignalScene): DueSignal[] => [
  ...potSignals(scene),
  ...windowSignals(scene),
  ...lookSignals(scene),
];

/** Those that are due at a minute, not before, and not when it is too late for them. */
export const dueNow = (signals: readonly DueSignal[], nowMin: number): DueSignal[] =>
  signals.filter((s) => nowMin >= s.atMin && nowMin < s.untilMin);

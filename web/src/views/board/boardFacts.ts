import {
  BENCH_STEP_WORDS,
  type Batch,
  type BenchClock,
  type BenchStep,
  type Product,
  type Say,
  type StepState,
} from '@warm-jar/core';
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
}

function numberOf(b: BoardInput): { number: string; says: string; over: boolean } {
  const now = b.nowMin ?? 0;
  const plain = (number: string, says = '') => ({ number, says, over: false });
  switch (b.step) {
    case 'weigh-a':
    case 'weigh-b': {
      const { targetG, name } = weighTarget(b.product, b.batch, b.step === 'weigh-a' ? 'A' : 'B');
      if (targetG === null) return plain('–', `${name}: no target`);
      const left = b.netG === null || b.netG < 1 ? null : targetG - b.netG;
      return left === null
        ? plain(b.say(targetG, 'g'), name)
        : {
            number: b.say(Math.abs(left), 'g'),
            says: left < 0 ? `${name}: over` : `${name} to come of ${b.say(targetG, 'g')}`,
            over: left < -0.1,
          };
    }
    case 'stir': {
      const left = (b.product.mix?.minMin ?? 2) - (now - (b.batch.bench?.stirFromMin ?? now));
      return plain(countdown(Math.max(0, left)), left > 0 ? 'wall and bottom' : 'long enough');
    }
    case 'clear':
      return plain(countdown(now - (b.batch.bench?.clearFromMin ?? now)), 'so far');
    case 'close':
    case 'press':
      return plain(b.gaugeKPa === null ? '–' : b.say(b.gaugeKPa, 'kPa'), 'on the gauge');
    case 'hold':
      return plain(b.gaugeKPa === null ? '–' : b.say(b.gaugeKPa, 'kPa'), 'hold');
    case 'pour': {
      const left = b.due.pourByMin === null ? null : b.due.pourByMin - now;
      return {
        number: left === null ? '–' : countdown(Math.abs(left)),
        says: left !== null && left < 0 ? 'too late' : 'to pour',
        over: left !== null && left < 0,
      };
    }
    default:
      return plain(countdown(now), 'since the parts met');
  }
}

/** The one number of the step, the time left, and the step after this one. */
export function boardFacts(b: BoardInput): BoardFacts {
  const left = b.clock?.potLifeEndsMin == null || b.nowMin === null ? null : b.clock.potLifeEndsMin - b.nowMin;
  const i = b.steps.findIndex((s) => s.step === b.step);
  const next = b.steps.slice(i + 1).find((s) => !s.done);
  const set = ['hold', 'watch', 'after', 'turn'].includes(b.step);
  return {
    ...numberOf(b),
    next: next ? BENCH_STEP_WORDS[next.step].words : '–',
    timeLabel: set ? 'since the parts met' : 'pot life left',
    timeOver: !set && left !== null && left < 0,
    time: set
      ? countdown(b.nowMin ?? 0)
      : b.nowMin === null
        ? 'not begun'
        : left === null
          ? 'not known'
          : left < 0
            ? `−${countdown(-left)}`
            : countdown(left),
  };
}

import {
  byText,
  dueCheck,
  stageOf,
  thinEdgeOutMin,
  workingTime,
  type Batch,
  type Product,
  type Stage,
  type WorkingTime,
} from '@warm-jar/core';

import { countdown } from '../run/countdown';

/** A batch in work as the shelf draws it, worked out from its document alone. */
export interface WorkItem {
  readonly code: string;
  readonly batch: Batch;
  readonly product: Product;
  readonly stage: Stage;
  readonly working: WorkingTime;
  /** When the parts met, ms since the epoch; null where it was not recorded. */
  readonly startMs: number | null;
  /** When something is next due, ms: the end of pot life, of the hold, of the mould time, or a check. */
  readonly dueMs: number | null;
  readonly dueWords: string;
}

const MINUTE_MS = 60_000;

function dueOf(
  product: Product,
  batch: Batch,
  stage: Stage,
  working: WorkingTime,
): { afterMin: number | null; words: string } {
  switch (stage) {
    case 'weigh':
    case 'mix':
    case 'clear':
    case 'pour':
      return { afterMin: working.potLifeMin, words: 'pot life ends' };
    case 'press': {
      const reached = batch.pressure?.reachedMin;
      if (reached == null) return { afterMin: working.gelMin, words: 'gels' };
      return {
        afterMin: product.pressure?.holdMin == null ? working.gelMin : reached + product.pressure.holdMin,
        words: 'release',
      };
    }
    case 'watch':
      return { afterMin: thinEdgeOutMin(product, batch), words: 'demould' };
    case 'check': {
      const next = dueCheck(product, batch);
      return { afterMin: next ? next.afterH * 60 : null, words: 'check' };
    }
    case 'done':
      return { afterMin: null, words: '' };
  }
}

export function workItem(product: Product, batch: Batch): WorkItem {
  const stage = stageOf(product, batch);
  const working = workingTime(product, batch);
  const startMs = batch.startedAt ? Date.parse(batch.startedAt) : null;
  const { afterMin, words } = dueOf(product, batch, stage, working);
  const dueMs = startMs === null || afterMin === null ? null : startMs + afterMin * MINUTE_MS;
  return { code: batch.code ?? '', batch, product, stage, working, startMs, dueMs, dueWords: words };
}

/** Whether the resin is still liquid in someone's hands. */
export const isLiquid = (stage: Stage): boolean =>
  stage === 'weigh' || stage === 'mix' || stage === 'clear' || stage === 'pour';

/** Liquid resin cannot wait, a vessel under pressure hardly; what has set can. */
function rank({ stage }: WorkItem): number {
  if (isLiquid(stage)) return 0;
  return stage === 'press' ? 1 : 2;
}

/** Most urgent first: liquid resin, then the vessel, then by what is due soonest; nothing due comes last. */
export function byUrgency(a: WorkItem, b: WorkItem): number {
  if (rank(a) !== rank(b)) return rank(a) - rank(b);
  return (a.dueMs ?? Infinity) - (b.dueMs ?? Infinity) || byText(a.code, b.code);
}

/** Share of pot life left at a moment, 0 to 1; null once it is in the mould or where it is not known. */
export function potLifeLeft(item: WorkItem, nowMs: number): number | null {
  if (!isLiquid(item.stage) || item.startMs === null || item.working.potLifeMin === null) return null;
  return Math.min(1, Math.max(0, 1 - (nowMs - item.startMs) / MINUTE_MS / item.working.potLifeMin));
}

/** Whether what is in the mould has gelled by a moment; what is still worked has not. */
export const hasSet = ({ stage, startMs, working }: WorkItem, nowMs: number): boolean =>
  !isLiquid(stage) && startMs !== null && (working.gelMin === null || nowMs > startMs + working.gelMin * MINUTE_MS);

/** Whether what was next due of a batch is past at a moment. */
export const isLate = ({ dueMs }: WorkItem, nowMs: number): boolean => dueMs !== null && dueMs < nowMs;

const sized = (minutes: number) => {
  const size = Math.abs(minutes);
  if (size < 100) return `${Math.round(size)} min`;
  return size < 48 * 60 ? `${Math.round(size / 60)} h` : `${Math.round(size / 1440)} days`;
};

/** The same in a few letters for the shelf: `24 min left`, `5 days late`. */
export function dueShort(item: WorkItem, nowMs: number): string {
  if (item.dueMs === null) return '';
  const minutes = (item.dueMs - nowMs) / MINUTE_MS;
  return minutes >= 0 ? `in ${sized(minutes)}` : `${sized(minutes)} late`;
}

/** A moment in whole seconds since the parts met, as the bench counts them: two clocks on one screen tell one time. */
const bySecond = ({ startMs }: WorkItem, nowMs: number): number =>
  startMs === null ? nowMs : startMs + Math.floor((nowMs - startMs) / 1000) * 1000;

/** The same by the second while resin is liquid and short of time: `4:12 left`. */
export function dueClock(item: WorkItem, nowMs: number): string {
  if (item.dueMs === null) return 'nothing due';
  const minutes = (item.dueMs - bySecond(item, nowMs)) / MINUTE_MS;
  const short = isLiquid(item.stage) && minutes >= 0 && minutes < 100;
  return short ? `${countdown(minutes)} left` : dueShort(item, nowMs);
}

/** Minutes until due as a person says them across a bench: `release in 12 min`, `check 5 days ago`. */
export function dueText(item: WorkItem, nowMs: number): string {
  if (item.dueMs === null) return '';
  const minutes = (item.dueMs - nowMs) / MINUTE_MS;
  return minutes >= 0 ? `${item.dueWords} in ${sized(minutes)}` : `${item.dueWords} ${sized(minutes)} ago`;
}

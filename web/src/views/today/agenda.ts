import { comeBacks, cureTemperatureC, finishBacks } from '@warm-jar/core';
import type { WorkItem } from '../../stores/urgency';

/** Something to come back for, at a moment. */
export interface AgendaLine {
  readonly code: string;
  readonly product: string;
  readonly atMs: number;
  readonly says: string;
}

const MINUTE_MS = 60_000;
/** What is this long past is taken as done or let be; what is further ahead is not today's concern, ms. */
const [PAST_MS, AHEAD_MS] = [6 * 3_600_000, 48 * 3_600_000];

function linesOf(item: WorkItem): AgendaLine[] {
  if (item.startMs === null) return [];
  const start = item.startMs;
  const line = (c: { afterMin: number; says: string }): AgendaLine => ({
    code: item.code,
    product: item.product.name,
    atMs: start + c.afterMin * MINUTE_MS,
    says: c.says,
  });
  if (item.stage === 'watch')
    return comeBacks(item.product, item.working.gelMin, item.batch.pour?.finishedMin ?? 0).map(line);
  if (item.stage !== 'check') return [];
  return finishBacks(item.product, item.batch, cureTemperatureC(item.batch) ?? 20).map(line);
}

/** What the pieces in work ask for in the next two days, soonest first; of what is past and repeats, only the last. */
export function agendaOf(items: readonly WorkItem[], nowMs: number): AgendaLine[] {
  const near = items
    .flatMap(linesOf)
    .filter((l) => l.atMs > nowMs - PAST_MS && l.atMs < nowMs + AHEAD_MS)
    .sort((a, b) => a.atMs - b.atMs);
  const again = (l: AgendaLine, from: number) =>
    near.slice(from + 1).some((o) => o.atMs <= nowMs && o.code === l.code && o.says === l.says);
  return near.filter((l, i) => l.atMs > nowMs || !again(l, i));
}

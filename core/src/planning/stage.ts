import type { Batch } from '../formats/batch';
import type { Product } from '../formats/product';

export const STAGES = ['weigh', 'mix', 'clear', 'pour', 'press', 'watch', 'check', 'done'] as const;
export type Stage = (typeof STAGES)[number];

export const STAGE_WORDS: Record<Stage, string> = {
  weigh: 'Weigh',
  mix: 'Mix',
  clear: 'Clear',
  pour: 'Pour',
  press: 'Press',
  watch: 'Watch',
  check: 'Check',
  done: 'Done',
};

/** A stage on a batch's line: when it was, counted from when the parts met, and whether it is behind, here or ahead. */
export interface StageMark {
  readonly stage: Stage;
  /** Minutes from when the parts met; null where the record does not say. */
  readonly atMin: number | null;
  readonly place: 'past' | 'now' | 'ahead' | 'not-needed';
}

/** Whether the record holds something of each stage, which means that it was reached and left. */
function recorded(batch: Batch): Record<Exclude<Stage, 'done'>, boolean> {
  const { mix, degas, pour, pressure, cure, checks } = batch;
  const lastGrade = [...(checks ?? [])].sort((a, b) => a.afterH - b.afterH).at(-1)?.grade;
  return {
    weigh: mix?.amountA != null && (mix.amountB != null || mix.catalystPct != null || mix.measuredBy === 'light'),
    mix: mix?.stirMin != null,
    clear: degas?.minutes != null || degas?.method === 'none' || pour?.startedMin != null,
    pour: pour?.finishedMin != null,
    press: pressure?.releasedMin != null || pressure?.gaugeKPa === 0,
    watch: cure?.demouldedMin != null || (checks?.length ?? 0) > 0,
    check: lastGrade != null && lastGrade !== 'mend',
  };
}

/** Whether this batch is to be pressed at all: it was, or its card asks for it and nobody said otherwise. */
export function willBePressed(product: Product | null, batch: Batch): boolean {
  if (batch.pressure?.gaugeKPa != null) return batch.pressure.gaugeKPa > 0;
  return product?.pressure?.minKPa != null && batch.pressure !== null;
}

/**
 * Where a batch is now: the stage after the furthest one the record shows. A gap behind it is a gap in the record,
 * not a step still to do.
 */
export function stageOf(product: Product | null, batch: Batch): Stage {
  const done = recorded(batch);
  const order = STAGES.slice(0, -1) as Exclude<Stage, 'done'>[];
  const furthest = order.reduce(
    (last, stage, i) =>
      done[stage] && !(stage === 'press' && batch.pressure?.gaugeKPa === 0 && i > last + 1) ? i : last,
    -1,
  );
  const next = STAGES[furthest + 1] ?? 'done';
  return next === 'press' && !willBePressed(product, batch) ? 'watch' : next;
}

function startMinutes(batch: Batch): Record<Stage, number | null> {
  const { mix, degas, pour, pressure, cure, checks } = batch;
  const first = [...(checks ?? [])].sort((a, b) => a.afterH - b.afterH)[0];
  return {
    weigh: 0,
    mix: 0,
    clear:
      mix?.stirMin ?? (pour?.startedMin != null && degas?.minutes != null ? pour.startedMin - degas.minutes : null),
    pour: pour?.startedMin ?? null,
    press: pressure?.startedMin ?? null,
    watch: pressure?.reachedMin ?? pour?.finishedMin ?? null,
    check: first ? first.afterH * 60 : (cure?.demouldedMin ?? null),
    done: null,
  };
}

/** The whole line of a batch, stage by stage, for drawing. */
export function stageLine(product: Product | null, batch: Batch): StageMark[] {
  const now = STAGES.indexOf(stageOf(product, batch));
  const at = startMinutes(batch);
  const pressed = willBePressed(product, batch);
  return STAGES.slice(0, -1).map((stage, i) => ({
    stage,
    atMin: at[stage],
    place: stage === 'press' && !pressed ? 'not-needed' : i < now ? 'past' : i === now ? 'now' : 'ahead',
  }));
}

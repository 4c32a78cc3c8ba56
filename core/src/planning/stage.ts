import { castingsOf, isFinal } from '../castings/castingList';
import { isAllGraded, isOut, isPoured } from '../castings/castingProgress';
import { checksInOrder } from '../formats/batchChecks';
import type { Batch } from '../formats/batch';
import type { Product } from '../formats/product';
import { STAGES, type Stage } from '../formats/vocabulary';

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

type WorkStage = Exclude<Stage, 'done'>;

const isWeighed = ({ mix }: Batch): boolean =>
  mix?.amountA != null && (mix.amountB != null || mix.catalystPct != null || mix.measuredBy === 'light');

const isCleared = ({ degas, pour }: Batch): boolean =>
  degas?.minutes != null || degas?.method === 'none' || pour?.startedMin != null;

/** Whether the last look ended the matter; where castings are told apart, whether each of them has its grade. */
function isGraded(batch: Batch): boolean {
  if (castingsOf(batch).length > 0) return isAllGraded(batch);
  return isFinal(checksInOrder(batch).at(-1)?.grade ?? null);
}

/** Whether the record holds something of each stage, which means that it was reached and left. */
const RECORDED: Readonly<Record<WorkStage, (batch: Batch) => boolean>> = {
  weigh: isWeighed,
  mix: ({ mix }) => mix?.stirMin != null,
  clear: isCleared,
  pour: isPoured,
  press: ({ pressure }) => pressure?.releasedMin != null || pressure?.gaugeKPa === 0,
  watch: (batch) => isOut(batch) || (batch.checks?.length ?? 0) > 0,
  check: isGraded,
};

/** Whether this batch is to be pressed at all: it was, or its card asks for it and nobody said otherwise. */
export function willBePressed(product: Product | null, batch: Batch): boolean {
  if (batch.pressure?.gaugeKPa != null) return batch.pressure.gaugeKPa > 0;
  return product?.pressure?.minKPa != null && batch.pressure !== null;
}

/** Whether nothing is left to do because somebody said so; a piece that its last look sends to be mended is not. */
export const isClosed = (batch: Batch): boolean =>
  batch.closed === true && checksInOrder(batch).at(-1)?.grade !== 'mend';

/**
 * Where a batch is now: the stage after the furthest one the record shows. A gap behind it is a gap in the record,
 * not a step still to do.
 */
export function stageOf(product: Product | null, batch: Batch): Stage {
  if (isClosed(batch)) return 'done';
  const unpressed = batch.pressure?.gaugeKPa === 0;
  const order = STAGES.slice(0, -1) as WorkStage[];
  const furthest = order.reduce((last, stage, i) => {
    // That it is not pressed is known from the start: it tells nothing of how far it came.
    const tellsNothing = stage === 'press' && unpressed && i > last + 1;
    return RECORDED[stage](batch) && !tellsNothing ? i : last;
  }, -1);
  const next = STAGES[furthest + 1] ?? 'done';
  return next === 'press' && !willBePressed(product, batch) ? 'watch' : next;
}

/** When the air began to be cleared: after the stir, else so long before the pour. */
function clearedFrom({ mix, pour, degas }: Batch): number | null {
  if (mix?.stirMin != null) return mix.stirMin;
  return pour?.startedMin != null && degas?.minutes != null ? pour.startedMin - degas.minutes : null;
}

function firstLookMin(batch: Batch): number | null {
  const first = checksInOrder(batch)[0];
  return first ? first.afterH * 60 : (batch.cure?.demouldedMin ?? null);
}

/** When each stage began, in minutes from when the parts met; null where the record does not say. */
const STARTED: Readonly<Record<Stage, (batch: Batch) => number | null>> = {
  weigh: () => 0,
  mix: () => 0,
  clear: clearedFrom,
  pour: ({ pour }) => pour?.startedMin ?? null,
  press: ({ pressure }) => pressure?.startedMin ?? null,
  watch: ({ pressure, pour }) => pressure?.reachedMin ?? pour?.finishedMin ?? null,
  check: firstLookMin,
  done: () => null,
};

function placeOf(i: number, now: number): StageMark['place'] {
  if (i === now) return 'now';
  return i < now ? 'past' : 'ahead';
}

/** The whole line of a batch, stage by stage, for drawing. */
export function stageLine(product: Product | null, batch: Batch): StageMark[] {
  const now = STAGES.indexOf(stageOf(product, batch));
  const pressed = willBePressed(product, batch);
  return STAGES.slice(0, -1).map((stage, i) => ({
    stage,
    atMin: STARTED[stage](batch),
    place: stage === 'press' && !pressed ? 'not-needed' : placeOf(i, now),
  }));
}

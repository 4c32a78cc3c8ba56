import { afterCare, type ComeBack } from '../bench/afterCare';
import { SHEET_TEMPERATURE_C } from '../cure/kineticsDefaults';
import { cureTemperatureC } from '../limits/cureTemperature';
import { minutesAt } from '../cure/equivalentAge';
import type { Batch } from '../formats/batch';
import type { Product } from '../formats/product';
import type { FINISH_STEPS } from '../formats/vocabulary';
import { castingAsBatch } from './castingAsBatch';
import { grouped } from '../learning/grouped';
import { castingIds, castingOf } from './castingList';

export type FinishStep = (typeof FINISH_STEPS)[number];

/** A step of finishing a casting: from when it may be done, and when it was. */
export interface FinishTask {
  readonly step: FinishStep;
  /** Minutes since the parts met; null where the card does not say when the cure allows it. */
  readonly fromMin: number | null;
  readonly says: string;
  /** When it was done, as the record has it; null where it was not. */
  readonly at: string | null;
  readonly by: string | null;
  readonly done: boolean;
}

/** What a washed piece takes to dry, and a primer to take paint where its own label is not to hand, min (practice). */
const [DRY_MIN, PRIMED_MIN] = [60, 60];
/** The order in which they are done. */
const ORDER: readonly FinishStep[] = ['trim', 'wash', 'sand', 'prime', 'paint', 'polish', 'photo'];
const MINUTE_MS = 60_000;

const SAYS: Readonly<Record<FinishStep, string>> = {
  trim: 'Trim sprue and flash while they are fresh: later they chip instead of cutting.',
  wash: 'Wash release and skin off with warm water and soap, and let it dry, before anything is put on.',
  sand: 'Sand wet, or with a dust mask; uncured dust is worse.',
  prime: 'Prime it washed, dry and free of dust.',
  paint: 'Paint once the primer is dry; its own label says when.',
  polish: 'Polish at full cure: sooner, and the shine sinks.',
  photo: 'Photo beside the white card, before it leaves.',
};

/** When each step is allowed by the cure alone. */
function allowed(product: Product, batch: Batch): Partial<Record<FinishStep, number>> {
  const roomC = cureTemperatureC(batch) ?? product.demould?.atC ?? SHEET_TEMPERATURE_C;
  const care = afterCare(product, batch, roomC);
  const at = (what: string) => care.find((c) => c.what === what)?.afterMin;
  const [trim, sand, polish] = [at('trim'), at('sand'), at('polish')];
  return {
    ...(trim === undefined ? {} : { trim, wash: trim, photo: trim }),
    ...(sand === undefined ? {} : { sand, prime: sand, paint: sand + PRIMED_MIN }),
    ...(polish === undefined ? {} : { polish }),
  };
}

/**
 * What is to be done to a casting once it is out of its mould, each from when the cure and the step before allow it,
 * with what the record shows done. Nothing before it is out.
 * @param id null for the one casting of a batch that tells none apart
 */
export function finishAgenda(product: Product, batch: Batch, id: string | null): FinishTask[] {
  const view = castingAsBatch(product, batch, id);
  const isOut = view.cure?.demouldedMin != null || (view.checks ?? []).length > 0;
  if (!isOut) return [];
  const records = castingOf(batch, id)?.finish ?? [];
  const done = (step: FinishStep) => records.findLast((f) => f.step === step) ?? null;
  const minuteOf = (step: FinishStep): number | null => {
    const at = done(step)?.at;
    return at == null || batch.startedAt == null ? null : (Date.parse(at) - Date.parse(batch.startedAt)) / MINUTE_MS;
  };
  const from: Partial<Record<FinishStep, number>> = { ...allowed(product, view) };
  const after = (step: FinishStep, before: FinishStep, waitMin: number) => {
    const was = minuteOf(before);
    if (was !== null) from[step] = Math.max(from[step] ?? 0, was + waitMin);
  };
  after('prime', 'wash', DRY_MIN);
  after('paint', 'prime', PRIMED_MIN);
  return ORDER.map((step) => ({
    step,
    fromMin: from[step] ?? null,
    says: SAYS[step],
    at: done(step)?.at ?? null,
    by: done(step)?.by ?? null,
    done: done(step) !== null,
  }));
}

/** What is still to be done to a batch's castings, those that wait for the same together. */
export function finishBacks(product: Product, batch: Batch, roomC: number): ComeBack[] {
  const ids = castingIds(batch);
  if (ids.length === 1 && ids[0] === null) return afterCare(product, batch, roomC);
  const open = ids.flatMap((id) =>
    finishAgenda(product, batch, id).flatMap((t) =>
      t.done || t.fromMin === null ? [] : [{ ...t, id, fromMin: t.fromMin }],
    ),
  );
  const same = grouped(open, (t) => `${t.step} ${Math.round(t.fromMin)}`);
  return same
    .map(([, tasks]) => {
      const { step, fromMin, says } = tasks[0]!;
      const whose = tasks.length === ids.length ? '' : `${tasks.map((t) => t.id).join(', ')}: `;
      return { what: step, afterMin: fromMin, says: `${whose}${says}` };
    })
    .sort((a, b) => a.afterMin - b.afterMin);
}

/** How castings are joined with a resin: how long the parts are held, and when the joint bears. */
export interface JoinTimes {
  /** Until it may be let go of, min; null where the card does not say. */
  readonly holdMin: number | null;
  /** Until it may be loaded, min; null where the card does not say. */
  readonly bearsAfterMin: number | null;
}

/**
 * By the bonding resin's own card, at the temperature of the bench: held as long as a casting stays in its mould, and
 * not loaded before full cure.
 */
export function joinTimes(product: Product, roomC: number): JoinTimes {
  const { minutes = null, atC = null } = product.demould ?? {};
  const { hours = null, atC: cureC = null } = product.fullCure ?? {};
  return {
    holdMin: minutes === null ? null : minutesAt(product, minutes, roomC, atC ?? SHEET_TEMPERATURE_C),
    bearsAfterMin: hours === null ? null : minutesAt(product, hours * 60, roomC, cureC ?? SHEET_TEMPERATURE_C),
  };
}

import type { Batch } from '../formats/batch';
import type { LimitReading } from '../formats/diagnosis';
import type { Product } from '../formats/product';
import type { WorkingTime } from '../cure/workingTime';
import type { Say } from '../units/wording';
import { makeReading, type ReadingParts } from './reading';

/** Whose minutes these are: the model at this batch's conditions, or the card's label. */
export function whoseTime(working: WorkingTime, what: string, say: Say): string {
  if (working.from !== 'model') return `the card's ${what}`;
  const known = [
    working.resinC === null ? null : say(working.resinC, '°C'),
    working.massG === null ? null : say(working.massG, 'g'),
    working.dose === null || working.dosePct === null ? null : `${say(working.dosePct, '%')} of catalyst`,
  ].filter((words) => words !== null);
  const at = [known.slice(0, -1).join(', '), known.at(-1)].filter(Boolean).join(' and ');
  return at ? `the card's ${what}, carried by the cup model to ${at},` : `the cup model's ${what}`;
}

function degasParts(
  product: Product,
  batch: Batch,
): Pick<ReadingParts, 'low' | 'high' | 'note'> & { vacuumHigh: number | null | undefined } {
  const method = batch.degas?.method;
  const card = product.degas;
  const cardTakesVacuum = card?.method === 'vacuum' || card?.method === 'vacuum-or-pressure';
  const usedVacuum = method === 'vacuum' || method === 'vacuum-then-pressure';
  if (method === 'rest') return { low: product.mix?.restMin, vacuumHigh: null };
  if (usedVacuum && cardTakesVacuum) return { low: card.minutes, vacuumHigh: card.vacuumKPaAbs };
  if (method == null && cardTakesVacuum) return { low: card.minutes, vacuumHigh: card.vacuumKPaAbs };
  return {
    vacuumHigh: null,
    note: method && card?.method ? 'This batch was not cleared the way the card describes.' : null,
  };
}

const pressed = (batch: Batch) => (batch.pressure?.gaugeKPa == null ? null : batch.pressure.gaugeKPa > 0);

function releaseLimit(product: Product, batch: Batch, working: WorkingTime): { low: number | null; fromCard: boolean } {
  const hold = product.pressure?.holdMin;
  const reached = batch.pressure?.reachedMin;
  if (hold != null && reached != null) return { low: reached + hold, fromCard: true };
  return { low: working.gelMin, fromCard: false };
}

function pressureReadings(product: Product, batch: Batch, working: WorkingTime, say: Say): LimitReading[] {
  const { minKPa, maxKPa } = product.pressure ?? {};
  const unpressed = pressed(batch) === false;
  const timed = (minKPa ?? maxKPa) != null || pressed(batch) === true;
  const note = unpressed ? 'The batch was not pressed.' : null;
  const release = releaseLimit(product, batch, working);
  const gelWords = whoseTime(working, 'gel time', say);
  return [
    makeReading(
      { field: 'pressure.gaugeKPa', measured: batch.pressure?.gaugeKPa, low: minKPa, high: maxKPa, unit: 'kPa', note },
      say,
    ),
    makeReading(
      {
        field: 'pressure.reachedMin',
        measured: unpressed ? null : batch.pressure?.reachedMin,
        high: timed ? working.gelMin : null,
        unit: 'min',
        whose: gelWords,
        note,
      },
      say,
    ),
    makeReading(
      {
        field: 'pressure.releasedMin',
        measured: unpressed ? null : batch.pressure?.releasedMin,
        low: timed ? release.low : null,
        unit: 'min',
        whose: release.fromCard ? 'the card, counted from full pressure,' : gelWords,
        note,
      },
      say,
    ),
  ];
}

/** Clearing the air, the pour against the time there was, depth, and pressing. */
export function pourReadings(product: Product, batch: Batch, working: WorkingTime, say: Say): LimitReading[] {
  const { vacuumHigh, ...degas } = degasParts(product, batch);
  const potLife = { high: working.potLifeMin, unit: 'min', whose: whoseTime(working, 'pot life', say) };
  return [
    makeReading({ field: 'degas.minutes', measured: batch.degas?.minutes, unit: 'min', ...degas }, say),
    makeReading(
      { field: 'degas.vacuumKPaAbs', measured: batch.degas?.vacuumKPaAbs, high: vacuumHigh, unit: 'kPa' },
      say,
    ),
    makeReading({ field: 'pour.startedMin', measured: batch.pour?.startedMin, ...potLife }, say),
    makeReading({ field: 'pour.finishedMin', measured: batch.pour?.finishedMin, ...potLife }, say),
    makeReading(
      {
        field: 'pour.depthMm',
        measured: batch.pour?.depthMm,
        low: product.depth?.minMm,
        high: product.depth?.maxMm,
        unit: 'mm',
      },
      say,
    ),
    ...pressureReadings(product, batch, working, say),
  ];
}

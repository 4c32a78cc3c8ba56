import { figures, type CaseFacts } from '../caseFacts';
import { bandWidth, type MaybeEvidence } from '../evidence';
import { pointsFor } from '../weight';
import { gaugeBeforeGel } from '../gaugeRecord';

export { bandWidth, figures };

/** A fall of the gauge by this share before gel is plain. */
export const PLAIN_FALL = 0.25;

/** Whether the batch went into the pressure vessel; null where that was not recorded. */
export const wasPressed = ({ batch }: CaseFacts): boolean | null =>
  batch.pressure?.gaugeKPa == null ? null : batch.pressure.gaugeKPa > 0;

/**
 * How far beyond gel the pressure was held, in gel times; below nought where it was lost before; no bound unrecorded.
 */
function heldPastGel(facts: CaseFacts): number {
  const { batch, working } = facts;
  const [released, gelMin] = [batch.pressure?.releasedMin, working.gelMin];
  const gauge = gaugeBeforeGel(facts);
  if (gauge && gauge.leastKPa < gauge.mostKPa * (1 - PLAIN_FALL)) return -1;
  return released == null || gelMin == null || gelMin <= 0 ? Infinity : (released - gelMin) / gelMin;
}

/**
 * A batch that was at the card's pressure in time, until it gelled, dissolves fine bubbles whatever left them, so
 * pressing well speaks against every cause by which air merely stayed in. Null unless pressure and its time were both
 * recorded.
 */
export function pressedAwayEvidence(facts: CaseFacts): MaybeEvidence {
  const gauge = figures(facts, 'pressure.gaugeKPa');
  const reached = figures(facts, 'pressure.reachedMin');
  if (!gauge || !reached || gauge.low === null || reached.high === null || gauge.measured <= 0) return null;
  const held = heldPastGel(facts);
  if (held < 0) return null;
  const enough = Math.min(
    (gauge.measured - gauge.low * 0.8) / gauge.low,
    (reached.high - reached.measured) / reached.high,
    held,
  );
  return {
    field: 'pressure.gaugeKPa',
    measured: gauge.measured,
    limit: gauge.low,
    unit: 'kPa',
    points: -pointsFor(Math.max(0, enough), { slope: 25, most: 6, least: 0 }),
    says: `It was at ${facts.say(gauge.measured, 'kPa')} by ${facts.say(reached.measured, 'min')}: pressed in time, fine bubbles dissolve whatever left them.`,
  };
}

/**
 * Whether the card leaves the choice between vacuum and pressure, and the record shows that the other one was done:
 * then the one not used is no fault.
 */
export function choseOther({ product, batch }: CaseFacts, notUsed: 'vacuum' | 'pressure'): boolean {
  if (product.degas?.method !== 'vacuum-or-pressure') return false;
  const vacuumed = batch.degas?.method === 'vacuum' || batch.degas?.method === 'vacuum-then-pressure';
  const pressed = (batch.pressure?.gaugeKPa ?? 0) > 0;
  return notUsed === 'pressure' ? vacuumed && !pressed : pressed && !vacuumed;
}

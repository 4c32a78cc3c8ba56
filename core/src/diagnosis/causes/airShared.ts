import { figures, type CaseFacts } from '../caseFacts';
import { bandWidth, type MaybeEvidence } from '../evidence';
import { pointsFor } from '../weight';

export { bandWidth, figures };

/** Whether the batch went into the pressure vessel; null where that was not recorded. */
export const wasPressed = ({ batch }: CaseFacts): boolean | null =>
  batch.pressure?.gaugeKPa == null ? null : batch.pressure.gaugeKPa > 0;

/**
 * A batch that was at the card's pressure in time dissolves fine bubbles whatever left them, so pressing well speaks
 * against every cause by which air merely stayed in. Null unless pressure and its time were both recorded.
 */
export function pressedAwayEvidence(facts: CaseFacts): MaybeEvidence {
  const gauge = figures(facts, 'pressure.gaugeKPa');
  const reached = figures(facts, 'pressure.reachedMin');
  if (!gauge || !reached || gauge.low === null || reached.high === null || gauge.measured <= 0) return null;
  const enough = Math.min(
    (gauge.measured - gauge.low * 0.8) / gauge.low,
    (reached.high - reached.measured) / reached.high,
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
 * Whether the card leaves the choice between vacuum and pressure, and the record shows that the other one was done: then
 * the one not used is no fault.
 */
export function choseOther({ product, batch }: CaseFacts, notUsed: 'vacuum' | 'pressure'): boolean {
  if (product.degas?.method !== 'vacuum-or-pressure') return false;
  const vacuumed = batch.degas?.method === 'vacuum' || batch.degas?.method === 'vacuum-then-pressure';
  const pressed = (batch.pressure?.gaugeKPa ?? 0) > 0;
  return notUsed === 'pressure' ? vacuumed && !pressed : pressed && !vacuumed;
}

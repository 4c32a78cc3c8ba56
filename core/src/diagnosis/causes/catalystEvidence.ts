import { askedCatalystPct } from '../../mixing/askedCatalyst';
import { figures, type CaseFacts } from '../caseFacts';
import type { MaybeEvidence } from '../evidence';
import { pointsFor } from '../weight';

/** Distance from the asked dose, towards low (`sign` 1) or high (`sign` −1), in widths of the card's band. */
export function againstAsked(facts: CaseFacts, sign: 1 | -1): MaybeEvidence {
  const dose = figures(facts, 'mix.catalystPct');
  const roomC = facts.batch.room?.temperatureC ?? facts.cureC;
  const asked = roomC === null ? null : askedCatalystPct(facts.product, roomC);
  if (!dose || asked === null || roomC === null || dose.low === null || dose.high === null) return null;
  const off = (sign * (asked - dose.measured)) / (dose.high - dose.low);
  return {
    field: 'mix.catalystPct',
    measured: dose.measured,
    limit: asked,
    unit: '%',
    points: pointsFor(off - 0.1, { slope: 18, most: 9, least: 8 }),
    says: `Catalyst was ${facts.say(dose.measured, '%')}; a room of ${facts.say(roomC, '°C')} asks for about ${facts.say(asked, '%')} within the card's band.`,
  };
}

/** A dose outside the card's band always counts, whatever the room asks. */
export function outsideBand(facts: CaseFacts, side: 'low' | 'high'): MaybeEvidence {
  const dose = figures(facts, 'mix.catalystPct');
  const limit = dose?.[side];
  if (!dose || limit == null || dose.low === null || dose.high === null) return null;
  const past = side === 'low' ? limit - dose.measured : dose.measured - limit;
  const points = pointsFor(past / (dose.high - dose.low), { slope: 22, most: 10, least: 0 });
  return past <= 0
    ? null
    : { field: 'mix.catalystPct', measured: dose.measured, limit, unit: '%', points, says: dose.says };
}

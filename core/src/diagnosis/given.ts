import type { Batch } from '../formats/batch';
import { valueAt } from '../formats/documentPath';
import type { RecordFacts } from './caseFacts';

const readFrom = (batch: Batch, what: string) =>
  (batch.readings ?? []).some((r) => r.what === what && r.value != null && r.atMin != null);
const notPressed = (batch: Batch) => batch.pressure?.gaugeKPa === 0;

/** Where a record gives a field's answer although the field itself is empty. */
const ANSWERED: Readonly<Record<string, (facts: RecordFacts) => boolean>> = {
  'room.temperatureC': ({ batch }) => batch.cure?.temperatureC != null || readFrom(batch, 'room'),
  'cure.temperatureC': ({ batch }) => readFrom(batch, 'room'),
  'room.humidityPct': ({ batch }) => readFrom(batch, 'humidity'),
  'resin.atPourC': ({ batch }) => readFrom(batch, 'resin'),
  'cure.peakC': ({ batch }) => readFrom(batch, 'surface'),
  'mix.amountB': ({ batch, product }) => product.ratio.catalyst != null && batch.mix?.catalystPct != null,
  'mix.catalystPct': ({ readings }) => readings.get('mix.catalystPct')?.measured != null,
  'degas.minutes': ({ batch }) => batch.degas?.method === 'none',
  'pressure.gaugeKPa': ({ batch }) => readFrom(batch, 'gauge'),
  'pressure.reachedMin': ({ batch }) => notPressed(batch),
  'pressure.releasedMin': ({ batch }) => notPressed(batch) || readFrom(batch, 'gauge'),
  'mould.degassed': ({ batch }) => notPressed(batch),
  'lotA.openedOn': ({ readings }) => readings.get('lotA.useBy')?.state === 'above',
  'lotB.openedOn': ({ readings }) => readings.get('lotB.useBy')?.state === 'above',
  'layerBelow.hoursSince': ({ batch }) => batch.layerBelow?.sanded === true,
  additives: ({ batch }) => batch.additives != null,
};

/** Whether the record already gives what a field would say, by itself or by something else that was written down. */
export function isGiven(facts: RecordFacts, field: string): boolean {
  if (!field.includes('[') && valueAt(facts.batch, field) != null) return true;
  return ANSWERED[field]?.(facts) ?? false;
}

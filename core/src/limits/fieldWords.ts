import { batchField } from '../formats/batchFields';
import { unitInName } from '../units/unitInName';
import type { Say } from '../units/wording';

/** A list in words: short ones whole, long ones by their number. */
function listWords(list: readonly unknown[]): string {
  if (list.length === 0) return 'none';
  if (list.every((v) => typeof v === 'string')) return list.join(', ');
  return `${list.length} ${list.length === 1 ? 'entry' : 'entries'}`;
}

/** A day and time without its seconds and offset. */
const momentWords = (iso: string) => iso.replace('T', ' ').slice(0, 16);

function textWords(kind: string | undefined, text: string): string {
  if (kind === 'choice') return text.replaceAll('-', ' ');
  return kind === 'moment' ? momentWords(text) : text;
}

/**
 * What stands in a field, as people read it: in words, and with its unit.
 * @param path dotted path of a batch's field
 * @param say writes a figure with the unit that was chosen
 * @example sayField('room.temperatureC', 21.5, wordsIn(STORED_UNITS)) // '21.5 °C'
 */
export function sayField(path: string, value: unknown, say: Say): string {
  if (value === null || value === undefined || value === '') return 'not recorded';
  const field = batchField(path);
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'string') return textWords(field?.kind, value);
  if (Array.isArray(value)) return listWords(value);
  if (typeof value !== 'number') return 'recorded';
  const unit = field?.unit ?? unitInName(path);
  return unit === '' || unit === 'g or mL' ? String(Math.round(value * 100) / 100) : say(value, unit);
}

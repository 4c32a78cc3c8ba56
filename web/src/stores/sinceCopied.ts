import type { PlanForm } from './planForm';
import { inWords } from '../components/words';

/** What a copy keeps of how its batch was made, with how each is called and its unit. */
const TRACKED: readonly { field: keyof PlanForm; words: string; unit: string }[] = [
  { field: 'productSlug', words: 'product', unit: '' },
  { field: 'mouldCode', words: 'mould', unit: '' },
  { field: 'massG', words: 'size of the batch', unit: 'g' },
  { field: 'depthMm', words: 'depth', unit: 'mm' },
  { field: 'roomC', words: 'room', unit: '°C' },
  { field: 'humidityPct', words: 'damp', unit: '%' },
  { field: 'resinC', words: 'resin', unit: '°C' },
  { field: 'mouldC', words: 'mould temperature', unit: '°C' },
  { field: 'stirMin', words: 'stir', unit: 'min' },
  { field: 'restMin', words: 'rest', unit: 'min' },
  { field: 'loadMin', words: 'loading into the vessel', unit: 'min' },
  { field: 'pressureKPa', words: 'pressure', unit: 'kPa' },
  { field: 'route', words: 'route for the air', unit: '' },
  { field: 'additives', words: 'additives', unit: '' },
];

export type CopiedAs = Readonly<Partial<PlanForm>>;

/** The fields of a plan that is a copy, as they were copied. What was not recorded then is not among them. */
export const copiedAs = (form: PlanForm): CopiedAs =>
  Object.fromEntries(TRACKED.flatMap(({ field }) => (form[field] === null ? [] : [[field, form[field]]])));

function said(v: unknown, unit: string): string {
  if (typeof v === 'number') return unit ? `${v} ${unit}` : String(v);
  return typeof v === 'string' ? inWords(v) : '';
}

/** What was changed in the plan since it was copied, each in words. */
export function changedSinceCopy(copied: CopiedAs | null, form: PlanForm): string[] {
  if (!copied) return [];
  return TRACKED.flatMap(({ field, words, unit }) => {
    if (!(field in copied) || JSON.stringify(copied[field]) === JSON.stringify(form[field])) return [];
    const [was, is] = [said(copied[field], unit), said(form[field], unit)];
    return [was && is ? `${words.charAt(0).toUpperCase()}${words.slice(1)} ${is}, was ${was}.` : `Other ${words}.`];
  });
}

/** Whether the outcome of the copy will be able to tell what did it. */
export function fairness(changes: number): { readonly fair: boolean; readonly says: string } {
  if (changes === 0) return { fair: false, says: 'Nothing is changed yet. Change one thing and keep the rest.' };
  return changes === 1
    ? { fair: true, says: 'One thing is changed, so the outcome can tell.' }
    : { fair: false, says: `${changes} things are changed: the outcome cannot say which of them did it.` };
}

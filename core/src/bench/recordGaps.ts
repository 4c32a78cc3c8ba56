import type { Batch } from '../formats/batch';
import { valueAt } from '../formats/documentPath';
import type { Product } from '../formats/product';
import { castingAsBatch } from '../castings/castingAsBatch';
import { limitsOfCastings } from '../castings/castingLimits';
import { castingIds } from '../castings/castingList';
import { fieldLabel } from '../limits/fieldLabels';

/** A field that was not recorded, and what a later diagnosis cannot say for the want of it. */
export interface RecordGap {
  readonly field: string;
  readonly label: string;
  readonly costs: string;
}

const COSTS: readonly [RegExp, string][] = [
  [/^lot[AB]/, 'an old or damp lot cannot be told or ruled out'],
  [/^room\.temperatureC|^cure\.temperatureC/, 'a cold cure cannot be told from a wrong ratio'],
  [/^room\.humidityPct/, 'damp cannot be told or ruled out'],
  [/^resin\.temperature|^resin\.atPourC/, 'pot life is guessed, and cold thick resin cannot be blamed for bubbles'],
  [/^mix\.ratioErrorPct|^mix\.amount/, 'the ratio cannot be judged: soft and tacky parts stay unexplained'],
  [/^mix\.catalystPct/, 'the catalyst cannot be judged'],
  [/^mix\.stirMin/, 'under-mixing cannot be told or ruled out'],
  [/^additives/, 'overloading cannot be told or ruled out'],
  [/^degas|^pour\.started|^pour\.finished|^pour\.depth/, 'which bubbles could leave is not known'],
  [/^pressure/, 'late, low or lost pressure cannot be told apart'],
  [/^mould/, 'the mould cannot be ruled out'],
  [/^cure\.peakC/, 'overheating is judged by depth alone'],
  [/^cure\.demouldedMin/, 'too soon cannot be told from too cold'],
  [/^cure\.lightMJPerCM2/, 'too little light cannot be told'],
  [/^inclusions/, 'a wet inclusion cannot be told'],
];

/** Words a diagnosis asks for that no limit covers. */
const WORDS: readonly { field: string; costs: string; asks: (p: Product, b: Batch) => boolean }[] = [
  {
    field: 'mix.scrapedWalls',
    costs: 'sticky spots stay unexplained',
    asks: (p) => p.family !== 'uv-acrylate',
  },
  {
    field: 'mix.tool',
    costs: 'water from a wooden stick cannot be ruled out',
    asks: (p) => p.moistureSensitive === true,
  },
  { field: 'mix.vigour', costs: 'whipped-in air cannot be told', asks: () => true },
  {
    field: 'pour.scrapedCup',
    costs: 'sticky spots stay unexplained',
    asks: (p) => p.family !== 'uv-acrylate',
  },
  {
    field: 'mould.degassed',
    costs: 'pimples cannot be laid to the mould',
    asks: (_, b) => (b.pressure?.gaugeKPa ?? 0) > 0,
  },
];

/** What the record lacks, the dearest first by the order of the work; nothing that the product does not ask for. */
export function recordGaps(product: Product, batch: Batch): RecordGap[] {
  const limits = limitsOfCastings(product, batch)
    .missing.filter((r) => !r.field.startsWith('checks'))
    .map((r) => ({
      field: r.field,
      label: fieldLabel(r.field),
      costs: COSTS.find(([at]) => at.test(r.field))?.[1] ?? 'one limit less to argue from',
    }));
  const views = castingIds(batch).map((id) => castingAsBatch(product, batch, id));
  const words = WORDS.filter((w) => w.asks(product, batch) && views.every((v) => valueAt(v, w.field) == null)).map(
    ({ field, costs }) => ({ field, label: fieldLabel(field), costs }),
  );
  return [...limits, ...words];
}

import { fieldsOf, type BatchField } from './batchField';
import type { Product } from './product';
import {
  ADDITIVE_KINDS,
  APPLIED,
  BATCH_DEGAS_METHODS,
  LOT_COLOURS,
  MEASURED_BY,
  MIX_UNITS,
  TOOLS,
  VIGOURS,
  WARMING,
} from './vocabulary';

const twoParts = (p: Product) => p.family !== 'uv-acrylate';
const LIMIT = { limit: true } as const;
const PICKED = { byHand: false } as const;

const head = fieldsOf('head', 'weigh');
const HEAD = [
  head.made('format', 'Format'),
  head.text('code', 'Code', PICKED),
  head.moment('startedAt', 'The parts met', PICKED),
  head.yesNo('dayOnly', 'Only the day is known', PICKED),
  head.yesNo('closed', 'Nothing is left to do', PICKED),
  head.text('by', 'Made by', PICKED),
  head.text('product.slug', 'Product', PICKED),
  head.number('product.revision', 'Revision of its card', '', PICKED),
];

const lots = fieldsOf('lots', 'weigh');
const lot = (part: 'A' | 'B', only: Pick<BatchField, 'only'> = {}) => [
  lots.text(`lot${part}.code`, `Lot ${part}, code`, only),
  lots.date(`lot${part}.openedOn`, `Lot ${part}, open for`, { ...LIMIT, help: 'the day it was opened', ...only }),
  lots.date(`lot${part}.useBy`, `Lot ${part}, use by`, { ...LIMIT, ...only }),
  lots.choice(`lot${part}.colour`, `Lot ${part}, colour`, LOT_COLOURS, { help: 'in the bottle', ...only }),
];

const air = fieldsOf('conditions', 'weigh');
const CONDITIONS = [
  air.number('room.temperatureC', 'Room', '°C', LIMIT),
  air.number('room.humidityPct', 'Room damp', '%', LIMIT),
  air.number('resin.temperatureAC', 'Part A before mixing', '°C', LIMIT),
  air.number('resin.temperatureBC', 'Part B before mixing', '°C', { ...LIMIT, only: twoParts }),
  air.choice('resin.warming', 'Resin warmed by', WARMING),
  air.number('resin.warmingMin', 'Warmed for', 'min'),
];

const weigh = fieldsOf('weigh', 'weigh');
const WEIGH = [
  weigh.choice('mix.measuredBy', 'Measured by', MEASURED_BY),
  weigh.choice('mix.unit', 'Unit of the amounts', MIX_UNITS),
  weigh.number('mix.amountA', 'Amount of A', 'g or mL'),
  weigh.number('mix.amountB', 'Amount of B', 'g or mL', {
    reading: 'mix.ratioErrorPct',
    only: (p) => twoParts(p) && !p.ratio.catalyst,
  }),
  weigh.number('mix.amountB', 'Amount of catalyst', 'g or mL', {
    reading: 'mix.catalystPct',
    only: (p) => Boolean(p.ratio.catalyst),
  }),
  weigh.number('mix.catalystPct', 'Catalyst', '%', { ...LIMIT, ...PICKED }),
  weigh.text('mix.scale', 'Scale', PICKED),
  weigh.number('mix.scaleStepG', 'Scale step', 'g', LIMIT),
];

const mix = fieldsOf('mix', 'mix');
const MIX = [
  mix.number('mix.stirMin', 'Stir', 'min', { ...LIMIT, help: 'how long it was stirred' }),
  mix.yesNo('mix.scrapedWalls', 'Wall and bottom scraped'),
  mix.yesNo('mix.secondCup', 'Second cup', { help: 'stirred again in a clean one' }),
  mix.choice('mix.tool', 'Stirrer', TOOLS),
  mix.choice('mix.vigour', 'How it was stirred', VIGOURS),
  mix.yesNo('mix.shaken', 'Shaken', { help: 'bottle or cup' }),
  mix.number('mix.stirAfterColourMin', 'Stirred after the colour', 'min'),
];

const colour = fieldsOf('colour', 'mix', 'cup');
/** A row of what was mixed in, in a batch and in each cup of it. */
const additiveRow = (list: string) => [
  colour.text(`${list}[].name`, 'Name'),
  colour.choice(`${list}[].kind`, 'Kind', ADDITIVE_KINDS),
  colour.number(`${list}[].massG`, 'Mass', 'g'),
  colour.number(`${list}[].drops`, 'Drops', ''),
  colour.choice(`${list}[].applied`, 'Applied', APPLIED),
  colour.number(`${list}[].densityGPerML`, 'Density', 'g/mL', PICKED),
];

const clear = fieldsOf('clear', 'clear', 'casting');
const CLEAR = [
  clear.choice('degas.method', 'Degas method', BATCH_DEGAS_METHODS),
  clear.number('degas.minutes', 'Degas time', 'min', LIMIT),
  clear.number('degas.vacuumKPaAbs', 'Vacuum', 'kPa', {
    ...LIMIT,
    help: 'absolute',
    only: (p) => p.family !== 'polyester',
  }),
];

const cups = fieldsOf('cups', 'mix', 'cup');
const CUPS = [
  cups.text('cups[].id', 'Cup', PICKED),
  cups.number('cups[].massG', 'Mass in the cup', 'g', PICKED),
  ...additiveRow('cups[].additives').map((f) => ({ ...f, section: 'cups' as const, byHand: false })),
  cups.number('cups[].splitMin', 'Poured off at', 'min', PICKED),
  cups.number('cups[].stirMin', 'Stirred again for', 'min', PICKED),
  cups.number('cups[].restMin', 'Rest', 'min', PICKED),
  cups.text('cups[].note', 'Note on the cup', PICKED),
];

/** From the bottle to the cup that is ready to pour. */
export const FIELDS_OF_MIXING: readonly BatchField[] = [
  ...HEAD,
  ...lot('A'),
  ...lot('B', { only: twoParts }),
  ...CONDITIONS,
  ...WEIGH,
  ...MIX,
  ...additiveRow('additives'),
  ...CLEAR,
  ...CUPS,
];

import type { Field } from '../../components/form/field';
import {
  ADDITIVE_KINDS,
  APPLIED,
  BATCH_DEGAS_METHODS,
  FAMILIES,
  FINISHES,
  FLAMES,
  INCLUSION_KINDS,
  LAID,
  LOT_COLOURS,
  MEASURED_BY,
  MIX_UNITS,
  RUBBERS,
  TOOLS,
  VIGOURS,
  WARMING,
  type Product,
  type Stage,
} from '@warm-jar/core';

/** One thing to record, and which limit reading it is held against. */
export interface RecordField extends Field {
  /** The limit reading drawn beside it, where that is not the field itself. */
  readonly reading?: string;
  readonly only?: (product: Product) => boolean;
}

/** A step of the work on the page. */
export interface Section {
  readonly id: string;
  readonly title: string;
  readonly stage: Stage;
  readonly fields: readonly RecordField[];
  readonly only?: (product: Product) => boolean;
}

const twoParts = (p: Product) => p.family !== 'uv-acrylate';
const amountUnit = (value: (path: string) => unknown) =>
  value('mix.unit') === 'mL' || (value('mix.unit') == null && value('mix.measuredBy') === 'volume') ? 'mL' : 'g';
const minutes = (path: string, label: string): RecordField => ({ path, label, kind: 'number', unit: 'min' });

const lot = (part: 'A' | 'B'): RecordField[] => [
  { path: `lot${part}.code`, label: `Lot ${part}, code`, kind: 'text' },
  { path: `lot${part}.openedOn`, label: `Lot ${part}, opened on`, kind: 'date' },
  { path: `lot${part}.useBy`, label: `Lot ${part}, use by`, kind: 'date' },
  { path: `lot${part}.colour`, label: `Lot ${part}, colour in the bottle`, kind: 'choice', options: LOT_COLOURS },
];

/** Everything a batch's record can hold, in the order of the work. */
export const SECTIONS: readonly Section[] = [
  {
    id: 'lots',
    title: 'Lots',
    stage: 'weigh',
    fields: [...lot('A'), ...lot('B').map((f) => ({ ...f, only: twoParts }))],
  },
  {
    id: 'conditions',
    title: 'Room and resin',
    stage: 'weigh',
    fields: [
      { path: 'room.temperatureC', label: 'Room', kind: 'number', unit: '°C' },
      { path: 'room.humidityPct', label: 'Room damp', kind: 'number', unit: '%' },
      { path: 'resin.temperatureAC', label: 'Part A before mixing', kind: 'number', unit: '°C' },
      { path: 'resin.temperatureBC', label: 'Part B before mixing', kind: 'number', unit: '°C', only: twoParts },
      { path: 'resin.warming', label: 'Resin warmed by', kind: 'choice', options: WARMING },
      minutes('resin.warmingMin', 'Warmed for'),
    ],
  },
  {
    id: 'weigh',
    title: 'Weigh',
    stage: 'weigh',
    fields: [
      { path: 'mix.measuredBy', label: 'Measured by', kind: 'choice', options: MEASURED_BY },
      { path: 'mix.unit', label: 'Unit of the amounts', kind: 'choice', options: MIX_UNITS },
      { path: 'mix.amountA', label: 'Amount of A', kind: 'number', unit: amountUnit },
      {
        path: 'mix.amountB',
        label: 'Amount of B',
        kind: 'number',
        unit: amountUnit,
        reading: 'mix.ratioErrorPct',
        only: (p) => twoParts(p) && !p.ratio.catalyst,
      },
      {
        path: 'mix.amountB',
        label: 'Catalyst',
        kind: 'number',
        unit: amountUnit,
        reading: 'mix.catalystPct',
        only: (p) => Boolean(p.ratio.catalyst),
      },
      { path: 'mix.scaleStepG', label: 'The scale steps by', kind: 'number', unit: 'g' },
    ],
  },
  { id: 'colour', title: 'Colour and fill', stage: 'mix', fields: [] },
  {
    id: 'mix',
    title: 'Mix',
    stage: 'mix',
    fields: [
      minutes('mix.stirMin', 'Stirred for'),
      { path: 'mix.scrapedWalls', label: 'Wall and bottom scraped', kind: 'yes-no' },
      { path: 'mix.secondCup', label: 'Stirred again in a second cup', kind: 'yes-no' },
      { path: 'mix.tool', label: 'Stirred with', kind: 'choice', options: TOOLS },
      { path: 'mix.vigour', label: 'How', kind: 'choice', options: VIGOURS },
      { path: 'mix.shaken', label: 'Bottle or cup shaken', kind: 'yes-no' },
      minutes('mix.stirAfterColourMin', 'Stirred after the colour'),
    ],
  },
  {
    id: 'clear',
    title: 'Clear the air',
    stage: 'clear',
    fields: [
      { path: 'degas.method', label: 'Cleared by', kind: 'choice', options: BATCH_DEGAS_METHODS },
      minutes('degas.minutes', 'For'),
      {
        path: 'degas.vacuumKPaAbs',
        label: 'Vacuum, absolute',
        kind: 'number',
        unit: 'kPa',
        only: (p) => p.family !== 'polyester',
      },
    ],
  },
  {
    id: 'pour',
    title: 'Pour',
    stage: 'pour',
    fields: [
      { path: 'resin.atPourC', label: 'Resin at pour', kind: 'number', unit: '°C' },
      minutes('pour.startedMin', 'Began, after the parts met'),
      minutes('pour.finishedMin', 'Ended, after the parts met'),
      { path: 'pour.depthMm', label: 'Depth of pour', kind: 'number', unit: 'mm' },
      { path: 'pour.tilted', label: 'Mould tilted', kind: 'yes-no' },
      { path: 'pour.fast', label: 'Poured fast', kind: 'yes-no' },
      { path: 'pour.scrapedCup', label: 'Cup scraped out into the mould', kind: 'yes-no' },
      { path: 'pour.leftG', label: 'Left in the cup', kind: 'number', unit: 'g' },
      { path: 'pour.levelLostMm', label: 'Level fell before it gelled by', kind: 'number', unit: 'mm' },
      { path: 'pour.flame', label: 'Flame or hot air', kind: 'choice', options: FLAMES },
      { path: 'pour.releaseMist', label: 'Release mist on the surface', kind: 'yes-no' },
    ],
  },
  {
    id: 'press',
    title: 'Press',
    stage: 'press',
    only: (p) => p.pressure?.minKPa != null || p.pressure?.maxKPa != null,
    fields: [
      { path: 'pressure.gaugeKPa', label: 'Gauge (0: not pressed)', kind: 'number', unit: 'kPa' },
      minutes('pressure.startedMin', 'Lid closed, after the parts met'),
      minutes('pressure.reachedMin', 'Full pressure, after the parts met'),
      minutes('pressure.releasedMin', 'Let go, after the parts met'),
    ],
  },
  {
    id: 'mould',
    title: 'Mould',
    stage: 'pour',
    fields: [
      { path: 'mould.code', label: 'Mould code', kind: 'text' },
      { path: 'mould.rubber', label: 'Rubber', kind: 'choice', options: RUBBERS },
      { path: 'mould.degassed', label: 'Rubber degassed', kind: 'yes-no' },
      {
        path: 'mould.temperatureC',
        label: 'Mould temperature',
        kind: 'number',
        unit: '°C',
        reading: 'air.dewPointSpreadK',
      },
      { path: 'mould.thinnestMm', label: 'Thinnest section', kind: 'number', unit: 'mm' },
      { path: 'mould.pulls', label: 'Pulls so far', kind: 'number', unit: '' },
      { path: 'mould.finish', label: 'Finish of the master', kind: 'choice', options: FINISHES },
      { path: 'mould.clean', label: 'Mould clean', kind: 'yes-no' },
      { path: 'mould.sealed', label: 'Seams and edges sealed', kind: 'yes-no' },
      { path: 'mould.volumeML', label: 'What its cavities hold', kind: 'number', unit: 'mL' },
      { path: 'mould.contacts', label: 'Else touched by (clay, latex …)', kind: 'words' },
    ],
  },
  { id: 'inclusions', title: 'Inclusions', stage: 'pour', fields: [] },
  {
    id: 'layer',
    title: 'Layer below',
    stage: 'pour',
    fields: [
      { path: 'layerBelow.productSlug', label: 'Product below', kind: 'text' },
      { path: 'layerBelow.family', label: 'Its family', kind: 'choice', options: FAMILIES },
      { path: 'layerBelow.hoursSince', label: 'Poured before this by', kind: 'number', unit: 'h' },
      { path: 'layerBelow.sanded', label: 'Sanded', kind: 'yes-no' },
      { path: 'layerBelow.wiped', label: 'Wiped', kind: 'yes-no' },
      { path: 'base.kind', label: 'Or it lies on', kind: 'choice', options: INCLUSION_KINDS },
      { path: 'base.sealed', label: 'That was sealed', kind: 'yes-no' },
      { path: 'layerBelow.massLossPct', label: 'Mass lost between the last two weighings', kind: 'number', unit: '%' },
    ],
  },
  {
    id: 'cure',
    title: 'Cure',
    stage: 'watch',
    fields: [
      { path: 'cure.temperatureC', label: 'Cured at', kind: 'number', unit: '°C' },
      { path: 'cure.peakC', label: 'Hottest reading', kind: 'number', unit: '°C' },
      minutes('witness.setMin', 'Witness cup hard after'),
      minutes('cure.demouldedMin', 'Demoulded after'),
      { path: 'cure.covered', label: 'Kept under a dust cover', kind: 'yes-no' },
      { path: 'cure.film', label: 'Film or wax kept air off', kind: 'yes-no' },
      { path: 'cure.lightMJPerCM2', label: 'Light it got', kind: 'number', unit: 'mJ/cm²' },
      { path: 'cure.lamp.irradianceMWPerCM2', label: 'Lamp, at the piece', kind: 'number', unit: 'mW/cm²' },
    ],
  },
];

export const ADDITIVE_FIELDS: readonly Field[] = [
  { path: 'name', label: 'Name', kind: 'text' },
  { path: 'kind', label: 'Kind', kind: 'choice', options: ADDITIVE_KINDS },
  { path: 'massG', label: 'Mass', kind: 'number', unit: 'g' },
  { path: 'drops', label: 'Drops', kind: 'number', unit: '' },
  { path: 'applied', label: 'Applied', kind: 'choice', options: APPLIED },
];

export const INCLUSION_FIELDS: readonly Field[] = [
  { path: 'what', label: 'What', kind: 'text' },
  { path: 'kind', label: 'Kind', kind: 'choice', options: INCLUSION_KINDS },
  { path: 'moisturePct', label: 'Moisture', kind: 'number', unit: '%' },
  { path: 'sealed', label: 'Sealed', kind: 'yes-no' },
  { path: 'treated', label: 'Treated', kind: 'yes-no' },
  { path: 'laid', label: 'Laid in, against the pour', kind: 'choice', options: LAID },
  { path: 'moved', label: 'Moved under the resin', kind: 'yes-no' },
];

/** The fields of a section that this product can have. */
export const fieldsFor = (section: Section, product: Product): readonly RecordField[] =>
  section.fields.filter((f) => f.only?.(product) ?? true);
export const sectionsFor = (product: Product): readonly Section[] => SECTIONS.filter((s) => s.only?.(product) ?? true);

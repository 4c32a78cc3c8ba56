import {
  DEVICE_KIND_OF_GEAR,
  DEVICE_WAYS,
  DRIED_BY,
  FINISHES,
  GEAR_KINDS,
  INCLUSION_KINDS,
  LOT_COLOURS,
  OUTLINES,
  PAIR_WHENS,
  RUBBERS,
  ADDITIVE_KINDS,
  additiveSchema,
  gearSchema,
  inclusionSchema,
  lotSchema,
  mouldSchema,
  type GearKind,
} from '@warm-jar/core';
import type { z } from 'zod';
import type { ShelfPlace } from '../../api/shelf';
import type { Field } from '../../components/form/field';
import type { Tree } from '../../stores/draftPath';

/** A list within a document, edited row by row. */
export interface FieldList {
  readonly path: string;
  readonly title: string;
  readonly one: string;
  readonly fields: readonly Field[];
}

/** How one kind of thing on the shelf is shown and filled in. */
export interface ShelfKind {
  readonly place: ShelfPlace;
  readonly title: string;
  readonly one: string;
  readonly schema: z.ZodType<{ code: string }>;
  readonly empty: Tree;
  readonly fields: (document: Tree, products: readonly { slug: string }[]) => readonly Field[];
  readonly lists: (products: readonly { slug: string }[]) => readonly FieldList[];
  /** The line that a thing is known by in the list. */
  readonly line: (item: Record<string, unknown>) => string;
}

const text = (path: string, label: string): Field => ({ path, label, kind: 'text' });
const number = (path: string, label: string, unit: string): Field => ({ path, label, kind: 'number', unit });
const choice = (path: string, label: string, options: readonly string[]): Field => ({
  path,
  label,
  kind: 'choice',
  options,
});
const date = (path: string, label: string): Field => ({ path, label, kind: 'date' });
const yesNo = (path: string, label: string): Field => ({ path, label, kind: 'yes-no' });
const words = (v: unknown) => (typeof v === 'string' ? v.replaceAll('-', ' ') : '');

const GEAR_FIELDS: Record<GearKind, readonly Field[]> = {
  scale: [number('stepG', 'Steps by', 'g'), number('capacityG', 'Weighs up to', 'g')],
  thermometer: [number('stepC', 'Steps by', 'K')],
  'pressure-vessel': [
    number('ratedKPa', 'Rated to, gauge', 'kPa'),
    number('freeL', 'Free volume', 'L'),
    date('inspectionDue', 'Inspection due'),
  ],
  compressor: [
    number('tankL', 'Tank', 'L'),
    number('cutOutKPa', 'Cuts out at, gauge', 'kPa'),
    number('freeAirLPerMin', 'Free air', 'L/min'),
  ],
  'vacuum-pump': [number('ultimateKPaAbs', 'Ultimate pressure, absolute', 'kPa')],
  'vacuum-chamber': [number('volumeL', 'Volume', 'L')],
  lamp: [
    number('irradianceMWPerCM2', 'Irradiance at the work', 'mW/cm²'),
    number('wavelengthNm', 'Wavelength', 'nm'),
    number('hours', 'Hours run', 'h'),
  ],
  'room-sensor': [],
  'hardness-tester': [],
  'hot-box': [number('maxC', 'Up to', '°C')],
  cup: [
    number('volumeML', 'Holds', 'mL'),
    number('diameterMm', 'Diameter', 'mm'),
    number('massG', 'Weighs empty', 'g'),
    text('material', 'Material'),
  ],
};

export const KINDS: Readonly<Record<ShelfPlace, ShelfKind>> = {
  lots: {
    place: 'lots',
    title: 'Lots',
    one: 'lot',
    schema: lotSchema,
    empty: { format: 'warm-jar.lot/1' },
    lists: () => [],
    fields: (_d, products) => [
      text('code', 'Code on the bottle'),
      { path: 'productSlug', label: 'Product', kind: 'choice', options: products.map((p) => p.slug) },
      choice('part', 'Part', ['A', 'B']),
      date('receivedOn', 'Received on'),
      date('openedOn', 'Opened on'),
      date('useBy', 'Use by'),
      number('quantityG', 'Quantity when new', 'g'),
      number('price', 'Price of the lot', ''),
      choice('colour', 'Colour in the bottle', LOT_COLOURS),
      text('note', 'Note'),
    ],
    line: (i) => `${words(i['productSlug'])}, part ${String(i['part'])}`,
  },
  moulds: {
    place: 'moulds',
    title: 'Moulds',
    one: 'mould',
    schema: mouldSchema,
    empty: { format: 'warm-jar.mould/1', cavities: [{ name: '1' }] },
    fields: () => [
      text('code', 'Code'),
      text('makes', 'Makes'),
      choice('rubber', 'Rubber', RUBBERS),
      yesNo('degassed', 'Rubber degassed'),
      choice('finish', 'Finish of the master', FINISHES),
      yesNo('hollow', 'Cast hollow'),
      number('pullsBefore', 'Pulls before the log', ''),
      number('pullsExpected', 'Pulls expected', ''),
      text('note', 'Note'),
    ],
    lists: () => [
      {
        path: 'cavities',
        title: 'Cavities',
        one: 'cavity',
        fields: [
          text('name', 'Name'),
          number('volumeML', 'Volume', 'mL'),
          number('depthMm', 'Depth', 'mm'),
          number('thinnestMm', 'Thinnest', 'mm'),
          choice('outline', 'Outline', OUTLINES),
          number('outlineAspect', 'Outline, width over height', ''),
        ],
      },
      { path: 'wear', title: 'Wear', one: 'note on wear', fields: [date('on', 'On'), text('note', 'What')] },
    ],
    line: (i) => String(i['makes'] ?? ''),
  },
  inclusions: {
    place: 'inclusions',
    title: 'Inclusions',
    one: 'inclusion',
    schema: inclusionSchema,
    empty: { format: 'warm-jar.inclusion/1' },
    fields: () => [
      text('code', 'Code'),
      text('what', 'What'),
      choice('kind', 'Kind', INCLUSION_KINDS),
      choice('driedBy', 'Dried by', DRIED_BY),
      number('moisturePct', 'Moisture', '%'),
      yesNo('sealed', 'Sealed'),
      yesNo('treated', 'Treated'),
      number('maxC', 'Harmed above', '°C'),
      text('note', 'Note'),
    ],
    lists: (products) => [
      {
        path: 'weighings',
        title: 'Weighings',
        one: 'weighing',
        fields: [{ path: 'at', label: 'At', kind: 'moment' }, number('massG', 'Mass', 'g')],
      },
      {
        path: 'pairs',
        title: 'How it went with products',
        one: 'look',
        fields: [
          choice(
            'productSlug',
            'Product',
            products.map((p) => p.slug),
          ),
          choice('when', 'Looked', PAIR_WHENS),
          choice('outcome', 'Went', ['good', 'bad']),
          date('on', 'On'),
          text('note', 'What was seen'),
        ],
      },
    ],
    line: (i) => String(i['what'] ?? ''),
  },
  additives: {
    place: 'additives',
    title: 'Additives',
    one: 'additive',
    schema: additiveSchema,
    empty: { format: 'warm-jar.additive/1' },
    lists: () => [],
    fields: (_d, products) => [
      text('code', 'Code'),
      text('name', 'Name'),
      choice('kind', 'Kind', ADDITIVE_KINDS),
      number('drops.counted', 'Drops counted onto the scale', ''),
      number('drops.massG', 'They weighed', 'g'),
      number('waterPct', 'Water in it', '%'),
      yesNo('solvent', 'Holds solvent'),
      { path: 'refusedBy', label: 'Refused by', kind: 'choices', options: products.map((p) => p.slug) },
      text('note', 'Note'),
    ],
    line: (i) => `${String(i['name'] ?? '')}, ${words(i['kind'])}`,
  },
  gear: {
    place: 'gear',
    title: 'Gear',
    one: 'piece of gear',
    schema: gearSchema,
    empty: { format: 'warm-jar.gear/1' },
    lists: () => [],
    fields: (d) => [
      text('code', 'Code'),
      choice('kind', 'Kind', GEAR_KINDS),
      text('name', 'Name'),
      ...(GEAR_FIELDS[d['kind'] as GearKind] ?? []),
      ...(DEVICE_KIND_OF_GEAR[d['kind'] as GearKind] ? [choice('device', 'Read by the application', DEVICE_WAYS)] : []),
      text('note', 'Note'),
    ],
    line: (i) => `${String(i['name'] ?? '')}, ${words(i['kind'])}`,
  },
};

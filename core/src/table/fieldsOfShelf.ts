import { FAMILIES, FINISHES, LOT_COLOURS, RUBBERS } from '../formats/vocabulary';
import type { TableField } from './tableField';

const number = (path: string, label: string, unit: string, heads: RegExp): TableField => ({
  path,
  label,
  kind: 'number',
  ...(unit === '' ? {} : { unit }),
  heads,
});
const text = (path: string, label: string, heads: RegExp): TableField => ({ path, label, kind: 'text', heads });
const date = (path: string, label: string, heads: RegExp): TableField => ({ path, label, kind: 'date', heads });
const yesNo = (path: string, label: string, heads: RegExp): TableField => ({ path, label, kind: 'yes-no', heads });
const choice = (path: string, label: string, options: readonly string[], heads: RegExp): TableField => ({
  path,
  label,
  kind: 'choice',
  options,
  heads,
});

const NOTE = text('note', 'Note', /^(?:notes?|comments?|remarks?)$/);

export const FIELDS_OF_LOTS: readonly TableField[] = [
  text('code', 'Code', /^(?:lot|code|lot (?:no|nr|number|code|id)|batch (?:no|number)|id|no|number)$/),
  { path: 'productSlug', label: 'Product', kind: 'product', heads: /^(?:product|resin|material|system|product name)$/ },
  choice('part', 'Part', ['A', 'B'], /^(?:part|side|component|a or b)$/),
  date('openedOn', 'Opened on', /^(?:opened(?: on)?|date opened|open(?:ing)? date|first used)$/),
  date('useBy', 'Use by', /^(?:use by|best before|expir(?:y|es|ation)(?: (?:date|on))?|shelf life until|bbd)$/),
  date(
    'receivedOn',
    'Received on',
    /^(?:received(?: on)?|delivered(?: on)?|bought(?: on)?|purchased?(?: on| date)?|delivery date|date)$/,
  ),
  number('quantityG', 'Quantity', 'g', /^(?:quantity|amount|size|weight|net weight|mass|qty)$/),
  number('price', 'Price', '', /^(?:price|cost|paid)$/),
  choice('colour', 'Colour', LOT_COLOURS, /^(?:colou?r)$/),
  NOTE,
];

export const FIELDS_OF_MOULDS: readonly TableField[] = [
  text('code', 'Code', /^(?:mou?ld|code|mou?ld (?:no|nr|number|code|id)|id|no|number)$/),
  text('makes', 'Makes', /^(?:makes|name|piece|item|product|description|what(?: it makes)?|for)$/),
  choice('rubber', 'Rubber', RUBBERS, /^(?:rubber|material|made of|silicone|type)$/),
  yesNo('degassed', 'Degassed when made', /^(?:degassed|vacuumed|degassed when made)$/),
  choice('finish', 'Finish', FINISHES, /^(?:finish|surface|gloss)$/),
  yesNo('hollow', 'Hollow', /^(?:hollow|hollow cast(?:ing)?|rotated)$/),
  number('cavities[0].volumeML', 'Volume of a cavity', 'mL', /^(?:volume|(?:cavity )?volume|capacity|holds)$/),
  number('cavities[0].depthMm', 'Depth', 'mm', /^(?:depth|height|thickness)$/),
  number('cavities[0].thinnestMm', 'Thinnest section', 'mm', /^(?:thinnest(?: section| wall)?|thin(?:nest)?|wall)$/),
  number('pullsBefore', 'Pulls so far', '', /^(?:pulls(?: so far| before)?|casts|uses|times used|used)$/),
  number('pullsExpected', 'Pulls expected', '', /^(?:pulls expected|expected(?: pulls| life)?|life(?:time)?)$/),
  NOTE,
];

const ratio = (path: string, label: string, heads: RegExp): TableField => ({ path, label, kind: 'ratio', heads });

export const FIELDS_OF_PRODUCTS: readonly TableField[] = [
  text('name', 'Name', /^(?:name|product|product name|resin|material|system|description)$/),
  text('slug', 'Short name', /^(?:slug|short name|code|id|sku)$/),
  choice('family', 'Family', FAMILIES, /^(?:family|type|kind|chemistry|class)$/),
  text('source', 'Where the figures come from', /^(?:source|data sheet|from)$/),
  ratio(
    'ratio.byWeight',
    'Ratio by weight',
    /^(?:ratio(?: by)? weight|ratio|mix(?:ing)? ratio(?: by weight)?|ratio w|weight ratio)$/,
  ),
  ratio(
    'ratio.byVolume',
    'Ratio by volume',
    /^(?:ratio(?: by)? volume|mix(?:ing)? ratio by volume|ratio v|volume ratio)$/,
  ),
  number('ratio.byWeight.a', 'A by weight', '', /^(?:a by weight|parts a|ratio a)$/),
  number('ratio.byWeight.b', 'B by weight', '', /^(?:b by weight|parts b|ratio b)$/),
  number('ratio.tolerancePct', 'Tolerance of the ratio', '%', /^(?:tolerance|ratio tolerance)$/),
  number('densityAGPerML', 'Density of A', 'g/mL', /^(?:density (?:of )?a|a density)$/),
  number('densityBGPerML', 'Density of B', 'g/mL', /^(?:density (?:of )?b|b density)$/),
  number('mixedDensityGPerML', 'Density, mixed', 'g/mL', /^(?:density|mixed density|density mixed|specific gravity)$/),
  number('viscosity.mixedMPaS', 'Viscosity, mixed', 'mPa·s', /^(?:viscosity|mixed viscosity|viscosity mixed)$/),
  number('potLife.minutes', 'Pot life', 'min', /^(?:pot life|working time|work time)$/),
  number('potLife.atC', 'Pot life at', '°C', /^(?:pot life (?:at|temp(?:erature)?)|at)$/),
  number('potLife.massG', 'Pot life in a mass of', 'g', /^(?:pot life (?:mass|of))$/),
  number('gel.minutes', 'Gel', 'min', /^(?:gel(?: time)?)$/),
  number('tackFree.minutes', 'Tack-free', 'min', /^(?:tack free(?: time)?)$/),
  number('demould.minutes', 'Demould', 'min', /^(?:demou?ld(?: time| after)?)$/),
  number('fullCure.hours', 'Full cure', 'h', /^(?:(?:full )?cure(?: time)?)$/),
  number('room.minC', 'Room, least', '°C', /^(?:min(?:imum)? (?:room )?temp(?:erature)?|room min)$/),
  number('room.maxC', 'Room, most', '°C', /^(?:max(?:imum)? (?:room )?temp(?:erature)?|room max)$/),
  number('room.maxHumidityPct', 'Room damp, most', '%', /^(?:max(?:imum)? (?:humidity|rh)|humidity max)$/),
  number('depth.maxMm', 'Depth, most', 'mm', /^(?:max(?:imum)? (?:depth|thickness)|depth(?: max)?)$/),
  number('pressure.minKPa', 'Pressure, least', 'kPa', /^(?:min(?:imum)? pressure|pressure(?: min)?)$/),
  number('pressure.maxKPa', 'Pressure, most', 'kPa', /^(?:max(?:imum)? pressure|pressure max)$/),
  number('hardness.value', 'Hardness', '', /^(?:hardness|shore(?: [ad])?)$/),
  text('hardness.scale', 'Shore scale', /^(?:(?:shore )?scale)$/),
  number('shelf.unopenedMonths', 'Keeps unopened', 'months', /^(?:shelf life|keeps unopened|shelf life unopened)$/),
  number('shelf.openedMonths', 'Keeps once opened', 'months', /^(?:keeps once opened|shelf life opened|opened life)$/),
];

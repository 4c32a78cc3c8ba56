import { BATCH_FIELDS } from '../formats/batchFields';
import type { TableField } from './tableField';

/** A head that is one of several. */
const head = (...either: readonly string[]) => new RegExp(`^(?:${either.join('|')})$`);

/** Heads by which spreadsheets name the fields of a batch. */
const HEADS: Readonly<Record<string, RegExp>> = {
  code: /^(?:batch(?: (?:no|nr|number|code|id))?|id|no|nr|number|code|job|job no)$/,
  startedAt: head(
    'date(?: (?:and )?time)?|day|when|time(?: of day)?|start(?:ed)?(?: (?:at|on|time|date))?',
    '(?:mixed|poured|cast|made)(?: (?:on|at))?|(?:mix|pour|cast|batch)(?:ing)? date|timestamp',
  ),
  by: /^(?:by|who|(?:made|mixed|poured|cast) by|technician|tech|operator|person|initials|worker|staff)$/,
  'product.slug': /^(?:product|resin|material|system|resin (?:type|used|name|system)|compound|product name)$/,
  'lotA.code': /^(?:lot|lot a|a lot|resin lot|lot (?:no|nr|number|code)|lot (?:of )?resin|part a lot)$/,
  'lotB.code': /^(?:lot b|b lot|hardener lot|lot (?:of )?hardener|part b lot)$/,
  'room.temperatureC': head(
    'room|(?:room|ambient|air|shop|workshop|studio) temp(?:erature)?|ambient|temp(?:erature)?',
    'temp(?:erature)? (?:room|of the room)',
  ),
  'room.humidityPct': /^(?:(?:relative |room |air )?humidity|rh|room damp|damp)$/,
  'resin.temperatureAC':
    /^(?:resin temp(?:erature)?|temp(?:erature)? (?:of )?(?:part )?a|(?:part )?a temp(?:erature)?)$/,
  'resin.temperatureBC':
    /^(?:hardener temp(?:erature)?|temp(?:erature)? (?:of )?(?:part )?b|(?:part )?b temp(?:erature)?)$/,
  'resin.atPourC': /^(?:pour(?:ing)? temp(?:erature)?|temp(?:erature)? at (?:the )?pour)$/,
  'mix.amountA': head(
    '(?:part )?a|resin|base|(?:amount|weight|mass|wt|volume)(?: of)? (?:part )?a',
    '(?:part )?a (?:amount|weight|mass|wt)|resin (?:amount|weight|mass|wt)',
  ),
  'mix.amountB': head(
    '(?:part )?b|hardener|catalyst|activator|(?:amount|weight|mass|wt|volume)(?: of)? (?:part )?b',
    '(?:part )?b (?:amount|weight|mass|wt)|(?:hardener|catalyst) (?:amount|weight|mass|wt)',
  ),
  'mix.catalystPct': /^(?:catalyst (?:pct|percent|dose|level)|dose|mekp)$/,
  'mix.stirMin': /^(?:stir(?:red|ring)?(?: (?:for|time|min))?|mix(?:ed|ing)? (?:time|for|min|minutes))$/,
  'additives[0].name': /^(?:colou?r|pigment|dye|additive|tint|colou?rant)(?: (?:name|used))?$/,
  'additives[0].massG': /^(?:colou?r|pigment|dye|additive|tint|colou?rant) (?:mass|amount|weight|wt|g)$/,
  'degas.minutes': /^(?:vacuum|degas(?:sed|sing)?)(?: (?:time|for|min))?$/,
  'pour.depthMm': /^(?:(?:pour(?:ing)? |casting )?depth|(?:casting )?thickness)$/,
  'pressure.gaugeKPa': /^(?:pressure|pot pressure|pressed at|pressure pot)$/,
  'mould.code': /^(?:mou?ld|mou?ld (?:no|nr|number|code|id)|form)$/,
  'cure.demouldedMin': /^(?:demou?ld(?:ed)?)(?: (?:after|time|at))?$/,
  'cure.peakC': /^(?:peak(?: temp(?:erature)?)?|exotherm|max(?:imum)? temp(?:erature)?)$/,
  'cure.temperatureC': /^(?:cur(?:e|ing) temp(?:erature)?)$/,
  'inclusions[0].what': /^(?:inclusion|cast in|embedded|insert)$/,
  'checks[0].afterH': /^(?:(?:checked|looked at|seen) after|hours after|age at (?:check|look))$/,
  'checks[0].shore': /^(?:shore(?: [ad])?|hardness|durometer)$/,
  'checks[0].grade': /^(?:grade|result|outcome|quality|pass(?: or)?(?: fail)?|verdict)$/,
  'checks[0].symptoms[0].kind': /^(?:fault|defect|problem|symptom|issue)s?$/,
  note: /^(?:notes?|comments?|remarks?|description)$/,
  closed: /^(?:closed|done|finished|completed?)$/,
};

/** Numbers of a workshop: by them a column without a unit is told. */
const USUAL: Readonly<Record<string, readonly [number, number]>> = {
  'room.temperatureC': [5, 42],
  'resin.temperatureAC': [5, 50],
  'resin.temperatureBC': [5, 50],
  'resin.atPourC': [5, 60],
  'cure.temperatureC': [5, 90],
  'room.humidityPct': [10, 100],
};

const KINDS = { made: null, words: null } as const;

/** Fields of a batch that a column may fill. */
export const FIELDS_OF_BATCHES: readonly TableField[] = BATCH_FIELDS.flatMap((field): TableField[] => {
  if (field.kind in KINDS || field.path === 'format') return [];
  const path = field.path.replaceAll('[]', '[0]');
  const kind = path === 'product.slug' ? 'product' : (field.kind as TableField['kind']);
  const { [path]: heads } = HEADS;
  const { [path]: usual } = USUAL;
  return [
    {
      path,
      label: field.label,
      kind,
      ...(field.unit ? { unit: field.unit } : {}),
      ...(field.options ? { options: field.options } : {}),
      ...(heads ? { heads } : {}),
      ...(usual ? { usual } : {}),
    },
  ];
}).filter((field, at, all) => all.findIndex((other) => other.path === field.path) === at);

import { ADDITIVE_KINDS } from '../formats/vocabulary';
import { oneOf } from './oneOf';
import type { Dimension } from './sheetUnits';

type LoadingField = `loading:${(typeof ADDITIVE_KINDS)[number] | 'total'}`;

/**
 * What a label of a sheet speaks of; `other` are figures that no card holds, so that theirs are given to nothing else.
 */
export type FieldId =
  | 'potLife'
  | 'workingTime'
  | 'gel'
  | 'tackFree'
  | 'demould'
  | 'fullCure'
  | 'recoat'
  | 'viscosity'
  | 'density'
  | 'specificGravity'
  | 'hardness'
  | 'exotherm'
  | 'depth'
  | 'thinnest'
  | 'room'
  | 'resin'
  | 'humidity'
  | 'mixTime'
  | 'restTime'
  | 'degas'
  | 'pressure'
  | 'shelf'
  | 'opened'
  | 'dose'
  | 'criticalDose'
  | 'penetration'
  | 'catalyst'
  | 'moisture'
  | 'tolerance'
  | LoadingField
  | 'other';

/**
 * A label and the dimensions of the figures that belong to it; of `other` ones, those it keeps from others: all where
 * none is named.
 */
interface LabelRule {
  readonly field: FieldId;
  readonly takes: readonly Dimension[];
  readonly pattern: RegExp;
}

const rule = (field: FieldId, takes: readonly Dimension[], ...either: readonly string[]): LabelRule => ({
  field,
  takes,
  pattern: new RegExp(either.join('|'), 'gi'),
});

const TIME: readonly Dimension[] = ['time'];
const PERCENT: readonly Dimension[] = ['percent'];
const LENGTH: readonly Dimension[] = ['length'];
const TEMPERATURE: readonly Dimension[] = ['temperature'];

const STORED = oneOf('stor(?:e|ed|age)(?! life| stab)', 'transport(?:ed|ation)?', 'ship(?:ped|ping|ment)', 'warehouse');
const STRAINED = oneOf(
  ...['tensile', 'flexural', 'compressive', 'compression', 'tear', 'peel', 'shear', 'impact'],
  ...['adhesion', 'bond', 'lap', 'yield', 'ultimate', 'breaking'],
);
const GREATEST = oneOf('max(?:imum|\\.)?', 'min(?:imum|\\.)?', 'recommended', 'greatest', 'least');
const POURED = oneOf('cast(?:ing)?', 'pour(?:ing)?', 'layer', 'lift', 'section', 'film', 'coat(?:ing)?');
const POURED_ONCE = oneOf('pour', 'layer', 'coat', 'lift', 'cast(?:ing)?');
const WORKED = oneOf(
  ...['working', 'work', 'application', 'room', 'ambient', 'workshop', 'workroom', 'processing', 'use'],
  ...['curing', 'cure', 'casting', 'recommended', 'ideal', 'optimum'],
);
const TEMPERATURES = oneOf('temperatures?', 'temps?\\b\\.?');
const LIQUIDS = oneOf(
  'resin',
  'material',
  'product',
  'component',
  'liquid',
  'mix(?:ture|ing)?',
  'part',
  'pour(?:ing)?',
);
const BROUGHT = oneOf('resin', 'material', 'component', 'part', 'liquid', 'product');
const DEGASSED = oneOf('s', 'sed', 'sing', 'ing', 'ed', 'ification', 'ation');
const MUST = oneOf('should', 'must', 'shall', 'to');
const ADDED = oneOf('additives?', 'additions?', 'loading', 'colou?rants?', 'colou?r');
const STIRRED_HOW = oneOf(
  ...['thoroughly', 'well', 'slowly', 'gently', 'by hand', 'carefully', 'together', 'both parts', 'the parts', 'parts'],
  ...['a and b', 'for', 'and', 'at least', 'the', 'components', 'both'],
);

/** Figures that sheets state and no card holds. */
const OTHERS = [
  String.raw`\b${STORED}\b(?:\s+(?:temperature|conditions|in|at|between|from))*`,
  String.raw`\bkeep (?:\w+ ){0,3}(?:in|at|between)\b(?! pressure)`,
  String.raw`\b(?:flash|boiling|melting|freezing|softening|pour) ?point\b`,
  String.raw`\b${STRAINED}\s+(?:strength|modulus|stress|resistance)\b`,
  String.raw`\b(?:modulus|elongation|shrinkage|shrinks?|strength|strain)\b`,
  String.raw`\b(?:glass transition|Tg|heat (?:deflection|distortion|resistan\w+)|HDT)\b`,
  String.raw`\b(?:service temperature|continuous use|thermal \w+|coefficient)\b`,
  String.raw`\bpost[- ]?cur(?:e|ed|ing)\b|\boven\b|\bbak(?:e|ed|ing)\b|\bheat[- ]cur(?:e|ed|ing)\b|\belevated`,
  String.raw`\b(?:coverage|covers|spreading rate|yield|consumption)\b`,
  String.raw`\b(?:water absorption|refractive index|dielectric|resistivity|conductivity)\b`,
  String.raw`\b(?:volatile|VOC|solids?(?: content)?|ash)\b`,
  String.raw`\b(?:kit|pack|package|packag\w+|pail|drum|container|bottle|can) (?:size|weight|volume)s?\b`,
  String.raw`\bpackaging\b|\bnet (?:weight|content)s?\b|\bavailable in\b|\bsupplied in\b|\bsold in\b`,
  String.raw`\bcontains\b|\bcontent\b|\bconcentration\b`,
  String.raw`\b(?:colou?r|APHA|gardner|hazen)\b(?=\s*(?:[:,(|]|\d|number|index|value|scale))`,
  String.raw`\b(?:clean(?:ing|er|-up|up)?|dilut\w+|thin(?:ned|ning) with)\b`,
  String.raw`\bthaw|\bcrystalli[sz]\w+|\bfreez\w+`,
  String.raw`\b(?:barcol|rockwell)\b`,
  String.raw`\bgel-?coats?(?: thickness)?\b`,
  String.raw`\b(?:bulk|tap|powder) densit(?:y|ies)\b`,
  String.raw`\b(?:particle|mesh|grain|bead) size\b|\btolerances? of the mould\b|\bthermometer\b|\bsanding\b|\bgrit\b`,
  String.raw`\bcured (?:density|specific gravity|viscosity)\b`,
  String.raw`\b(?:density|specific gravity)\b[^.|]{0,12}\b(?:cured|solid|casting|foam)\b`,
  String.raw`\b(?:release agent|shipping class|UN number|CAS|EC number|HS code|tariff|phone|telephone|fax)\b`,
  String.raw`\bexposure limit\b|\bTLV\b|\bOEL\b|\bLD50\b|\beye\b|\brinse\b|\bventilat\w+`,
];

/** What a card holds, in the words of sheets. Where two overlap the longer one is meant. */
export const LABELS: readonly LabelRule[] = [
  rule('potLife', TIME, String.raw`\bpot[- ]?life\b|\b(?:usable|useable|application|bench) (?:life|time)\b`),
  rule(
    'workingTime',
    TIME,
    String.raw`\bwork(?:ing)?[- ](?:time|life)\b|\bopen time\b`,
    String.raw`\b(?:remains?|stays?|is) (?:workable|usable|pourable)(?: for)?\b|\bworkable\b`,
    String.raw`\buse (?:mix(?:ture)? |it |material )?within\b|\b(?:processing|pouring) time\b`,
  ),
  rule(
    'gel',
    TIME,
    String.raw`\bgel(?:ation|ling|ling)?(?:[- ](?:time|point))?\b(?!\s?-?coat)|\bgel(?:s|led)\b`,
    String.raw`\bset(?:ting|s)?(?:[- ]time)\b|\bsets? (?:up )?in\b|\bsnap time\b`,
  ),
  rule(
    'tackFree',
    TIME,
    String.raw`\btack[- ]?free(?:[- ]time)?\b|\b(?:touch|dust)[- ]?dry\b|\bdry to (?:the )?touch\b|\bnon-?tacky\b`,
  ),
  rule(
    'demould',
    TIME,
    String.raw`\bde-?mou?ld(?:ed|ing|able|s)?(?:[- ]time)?\b|\bstrip(?:ping)? time\b`,
    String.raw`\bremov(?:e|ed|al) from (?:the )?mou?lds?\b|\bmou?ld release time\b`,
    String.raw`\bout of (?:the )?mou?ld\b`,
  ),
  rule(
    'fullCure',
    TIME,
    String.raw`\b(?:full|complete|final|ultimate|total|through)[- ]cure(?:[- ]time)?\b`,
    String.raw`\bcur(?:e|ing)[- ]?times?\b|\bfully (?:cured?|hard(?:ened)?)\b`,
    String.raw`\bcompletely (?:cured?|hard)\b|\bcures? (?:fully|completely|through)\b`,
    String.raw`\bfull (?:hardness|strength|properties)\b|\bfull cure is reached\b`,
    String.raw`\bcure\b(?=\s*[:|(]|\s+\d)|\bcures? in\b`,
  ),
  rule(
    'recoat',
    TIME,
    String.raw`\bre-?coat(?:ing|ed)?(?:[- ](?:window|time|interval))?\b`,
    String.raw`\bover-?coat(?:ing|ed)?(?: (?:window|time|interval))?\b|\bbond(?:ing)? window\b`,
    String.raw`\bnext (?:layer|coat|pour)\b|\bbetween (?:layers|coats|pours)\b`,
  ),
  rule('viscosity', ['viscosity'], String.raw`\bviscosit(?:y|ies)\b`),
  rule(
    'density',
    ['density', 'bare'],
    String.raw`\bdensit(?:y|ies)\b|\bspecific weight\b|\bspecific volume\b|\bweight per gallon\b`,
  ),
  rule(
    'specificGravity',
    ['density', 'bare'],
    String.raw`\b(?:specific|spec\.?) gravit(?:y|ies)\b|\bS\.?G\.?(?![A-Za-z])|\brelative density\b`,
  ),
  rule('hardness', ['bare'], String.raw`\b(?:shore|hardness|durometer)\b`),
  rule(
    'exotherm',
    TEMPERATURE,
    String.raw`\b(?:peak |max(?:imum|\.)? |highest )?exotherm(?:ic)?(?: (?:peak|temperature|heat))*\b`,
    String.raw`\bpeak temperature\b`,
  ),
  rule(
    'depth',
    LENGTH,
    String.raw`\b(?:thicker|deeper) than\b|\bmax(?:imum|\.)?\s*(?:layer|pour|lift)\b`,
    String.raw`\b${GREATEST}?\s*${POURED}\s+(?:depth|thickness|height)(?:es)?\b`,
    String.raw`\b(?:depth|thickness)(?:es)?(?: (?:per|of|in) (?:a |one |each |single )*${POURED_ONCE})?\b`,
    String.raw`\b(?:single|one|per|each|in layers|layers?) (?:pour|layer|lift|coat)s?\b`,
    String.raw`\bpour(?:s|ed)?\b(?= (?:up|to|in|between))|\bcast(?:s|ed)?\b(?= (?:up|to|in|between))`,
    String.raw`\blayers of\b|\b(?:deep|thick)\b`,
  ),
  rule(
    'thinnest',
    LENGTH,
    String.raw`\b(?:min(?:imum|\.)?|thinnest|least|smallest)\s*(?:wall|section)(?:\s+thickness)?\b`,
    String.raw`\bwall(?: thickness)?\b|\bthin(?:nest)? (?:section|wall|part)s?\b`,
  ),
  rule(
    'room',
    TEMPERATURE,
    String.raw`(?<!\bat )\b${WORKED}[- ](?:room[- ]|working[- ]|use[- ])?${TEMPERATURES}(?: range| limits)?`,
    String.raw`\b(?:use|apply|work|cast|cure|process)(?:ed)? (?:only )?(?:at |in a room )?(?:between|from)\b`,
    String.raw`\broom(?: conditions)?\b(?=\s*[:|(])|\bin a room\b|\broom (?:at|between|of|from)\b`,
  ),
  rule(
    'resin',
    TEMPERATURE,
    String.raw`\b${LIQUIDS}s?[- ]temperatures?(?: range| limits)?\b`,
    String.raw`\bcondition (?:\w+ ){0,4}(?:to|at|between)\b`,
    String.raw`\b(?:bring|warm|acclimati[sz]e) (?:the |both )*${BROUGHT}s?\b(?: (?:to|between))?`,
    String.raw`\b(?:resin|both parts|both components|material)s? ${MUST} be(?: (?:at|between|kept at|warmed to))?\b`,
  ),
  rule(
    'humidity',
    ['humidity', 'percent'],
    String.raw`\b(?:relative |air |ambient |room )*humidit(?:y|ies)\b|\bR\.?H\.?(?![a-z])`,
  ),
  rule(
    'mixTime',
    TIME,
    String.raw`\b(?:mix(?:ing)?|stir(?:ring)?|blend(?:ing)?)[- ]times?\b`,
    String.raw`\b(?:mix|stir|blend)(?:ed)?\b(?! ratio)(?: ${STIRRED_HOW}\b)*`,
  ),
  rule(
    'restTime',
    TIME,
    String.raw`\brest(?:ing)?(?:[- ]time)?\b|\b(?:let|leave|allow) (?:\w+ ){0,3}(?:to )?(?:stand|rest)\b`,
    String.raw`\bstand(?:ing)?(?:[- ]time)?\b(?= (?:for|of)|[:|]|\s*\d)|\binduction time\b`,
  ),
  rule(
    'degas',
    ['time', 'vacuum', 'pressure'],
    String.raw`\b(?:vacuum[- ])?de-?(?:gas|air)${DEGASSED}?(?: (?:time|under vacuum|at|for))*\b`,
    String.raw`\bvacuum\b`,
  ),
  rule(
    'pressure',
    ['pressure', 'time'],
    String.raw`\b(?:casting )?pressure\b(?: (?:cast(?:ing)?|pot|chamber|vessel|tank|range|cure|cured?))*\b`,
    String.raw`\bpressuri[sz]e[ds]?\b|\bunder pressure\b`,
    String.raw`\bhold(?:ing)?(?: (?:time|pressure|under pressure))*\b(?= (?:for|at|of|until)|[:|(]|\s*\d)`,
  ),
  rule(
    'shelf',
    TIME,
    String.raw`\b(?:shelf|storage)[- ]?(?:life|stability)\b|\bunopened\b|\bkeeps for\b|\bstorable\b`,
    String.raw`\bsealed (?:container|bottle|can|pack)s?\b|\bbest (?:before|used within)\b`,
    String.raw`\bfrom (?:the )?date of manufacture\b`,
  ),
  rule('opened', TIME, String.raw`\b(?:once|after|when|if) (?:first )?open(?:ed|ing)\b|\bopened\b|\bof opening\b`),
  rule(
    'dose',
    ['dose'],
    String.raw`\b(?:cur(?:e|ing)|light|UV|exposure|lamp|radiant)[- ](?:dose|energy|exposure)\b`,
    String.raw`\b(?:dose|exposure|energy)\b`,
  ),
  rule('criticalDose', ['dose'], String.raw`\bcritical (?:dose|energy|exposure)\b|\bEc\b`),
  rule('penetration', LENGTH, String.raw`\b(?:depth of penetration|penetration(?: depth)?|light penetration|Dp)\b`),
  rule(
    'catalyst',
    ['percent', 'density', 'dropsPerML', 'bare'],
    String.raw`\b(?:catalyst|MEKP|MEK-?P|peroxide|initiator)(?: (?:level|dose|dosage|addition|ratio|range|density))?\b`,
  ),
  rule('moisture', PERCENT, String.raw`\b(?:wood |inclusion |timber )?moisture(?: content)?\b`),
  rule(
    'tolerance',
    PERCENT,
    String.raw`\b(?:(?:mix(?:ing)? )?ratio |mixing |weighing )?tolerance\b`,
    String.raw`\b(?:ratio|weigh(?:ed)?) (?:must be |is to be )?(?:kept |held )?(?:to )?within\b`,
    String.raw`\baccura(?:te|cy)(?: to)?\b`,
  ),
  rule('loading:dye', PERCENT, String.raw`\b(?:liquid )?dyes?\b|\btints?\b`),
  rule('loading:pigment-paste', PERCENT, String.raw`\b(?:pigment|colou?r) pastes?\b|\bpigments?\b|\bpastes?\b`),
  rule(
    'loading:mica',
    PERCENT,
    String.raw`\bmica(?: (?:powders?|pigments?))?\b|\bpearl(?:escent)? (?:powders?|pigments?)\b`,
  ),
  rule(
    'loading:powder',
    PERCENT,
    String.raw`\b(?:metal(?:lic)?|bronze|brass|dry|pigment) powders?\b|\bpowder (?:pigments?|colou?rs?)\b`,
  ),
  rule('loading:solvent-ink', PERCENT, String.raw`\b(?:alcohol|solvent)[- ]?(?:based )?inks?\b`),
  rule(
    'loading:water-based-paint',
    PERCENT,
    String.raw`\bwater[- ]?based (?:paint|colou?r|pigment|acrylic)s?\b|\bacrylic paints?\b`,
  ),
  rule('loading:filler', PERCENT, String.raw`\bfillers?\b|\b(?:glass )?(?:micro)?balloons\b|\bglass bubbles\b`),
  rule('loading:glitter', PERCENT, String.raw`\bglitters?\b`),
  rule(
    'loading:total',
    PERCENT,
    String.raw`\b(?:total|all|combined|maximum|max\.?|overall|sum of)\s+(?:\w+ )?${ADDED}\b(?: loading)?`,
    String.raw`\badditives? (?:in )?total\b`,
    String.raw`\b(?:additive|colou?rant|colou?r) (?:loading|level|addition)s?\b|\badditives\b`,
    String.raw`\bcolou?rants?\b`,
  ),
  ...OTHERS.map((pattern) => rule('other', [], pattern)),
  // A mould's own temperature; pressure and time behind it are the work's.
  rule(
    'other',
    TEMPERATURE,
    String.raw`\b(?:mould|mold)s?(?: (?:surface|rubber))? (?:temperature|to|at)\b`,
    String.raw`\b(?:pre-?)?(?:heat|warm)(?:ed|ing)? (?:the |your )?(?:mould|mold)s?\b(?: to)?`,
  ),
];

/** A label found in a text. */
export interface Label {
  readonly field: FieldId;
  readonly takes: readonly Dimension[];
  readonly start: number;
  readonly end: number;
}

/** The labels of a text, from left to right; of two that overlap the longer one stays. */
export function labelsIn(text: string): Label[] {
  const all = LABELS.flatMap(({ field, takes, pattern }) =>
    [...text.matchAll(pattern)]
      .filter((found) => found[0].trim() !== '')
      .map((found) => {
        const start = found.index + (found[0].length - found[0].trimStart().length);
        return { field, takes, start, end: found.index + found[0].trimEnd().length };
      }),
  ).sort((x, y) => y.end - y.start - (x.end - x.start));
  const kept: Label[] = [];
  for (const label of all) if (!kept.some((k) => label.start < k.end && k.start < label.end)) kept.push(label);
  return kept.sort((x, y) => x.start - y.start);
}

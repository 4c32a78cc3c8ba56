/** The closed word lists of the open formats. Each is the contract: a word leaves only with a new format version. */

export const FAMILIES = ['epoxy', 'polyurethane', 'polyester', 'uv-acrylate', 'mineral-acrylic', 'silicone'] as const;
export type Family = (typeof FAMILIES)[number];

export const USES = [
  'casting',
  'deep-casting',
  'coating',
  'laminating',
  'hollow-casting',
  'top-coat',
  'filling',
  'moulds',
] as const;

export const HAZARDS = ['isocyanate', 'epoxy-amine', 'styrene', 'peroxide', 'acrylate', 'solvent', 'dust'] as const;
export type Hazard = (typeof HAZARDS)[number];

export const INHIBITORS = ['tin-silicone', 'platinum-silicone', 'latex', 'sulfur', 'amine', 'clay'] as const;

export const ADDITIVE_KINDS = [
  'dye',
  'pigment-paste',
  'mica',
  'powder',
  'solvent-ink',
  'water-based-paint',
  'filler',
  'glitter',
  'other',
] as const;
export type AdditiveKind = (typeof ADDITIVE_KINDS)[number];

export const CARD_DEGAS_METHODS = ['none', 'rest', 'vacuum', 'vacuum-or-pressure'] as const;
export const BATCH_DEGAS_METHODS = ['none', 'rest', 'vacuum', 'vacuum-then-pressure'] as const;
export const CLARITIES = ['water-clear', 'clear', 'hazy', 'opaque'] as const;
export type Clarity = (typeof CLARITIES)[number];
export const LOT_COLOURS = ['clear', 'pale', 'amber', 'brown', 'cloudy'] as const;
export const WARMING = ['none', 'bath', 'mat', 'hot-box'] as const;
export const MIX_UNITS = ['g', 'mL'] as const;
export const MEASURED_BY = ['weight', 'volume', 'catalyst', 'light', 'powder'] as const;
export const VIGOURS = ['gentle', 'brisk', 'whipped'] as const;
export const TOOLS = ['steel', 'plastic', 'silicone', 'wood'] as const;
export const APPLIED = ['mixed', 'sprinkled', 'dusted'] as const;
export const FLAMES = ['none', 'torch-brief', 'torch-long', 'heat-gun-brief', 'heat-gun-long'] as const;
export const RUBBERS = ['platinum-silicone', 'tin-silicone', 'urethane', 'plastic', 'other'] as const;
export const FINISHES = ['gloss', 'satin', 'matt', 'textured'] as const;
export const INCLUSION_KINDS = ['wood', 'plant', 'paper', 'metal', 'stone', 'fabric', 'photo', 'other'] as const;
export const READING_WHATS = [
  'resin',
  'surface',
  'mould',
  'room',
  'humidity',
  'scale',
  'gauge',
  'vacuum',
  'shore',
] as const;
/** When an inclusion was laid in, against the pour. */
export const LAID = ['before', 'during', 'after'] as const;
/** How it is known what the cause turned out to be; `judged` moves no rates. */
export const OUTCOME_HOWS = ['next-batch', 'test', 'seen', 'judged'] as const;
export const FINISH_STEPS = ['trim', 'wash', 'prime', 'sand', 'polish', 'paint', 'photo'] as const;
export const NEIGHBOUR_KINDS = [
  'lotA',
  'lotB',
  'mould',
  'cavity',
  'day',
  'scale',
  'device',
  'vessel',
  'person',
] as const;
export const GRADES = ['pass', 'second', 'scrap', 'mend'] as const;
/** What the fingers say of a cast, asked first at a check. */
export const TOUCHES = ['hard-and-dry', 'dents', 'bends', 'sticks', 'wet', 'greasy', 'rubs-off'] as const;
export type Touch = (typeof TOUCHES)[number];
export type Grade = (typeof GRADES)[number];

/** Where a casting is now, as far as the record says. */
export const WHEREABOUTS = [
  'in work',
  'not graded',
  'to mend',
  'in stock',
  'in stock as second',
  'sold',
  'sold as second',
  'scrapped',
] as const;
export type Whereabouts = (typeof WHEREABOUTS)[number];

export const LIMIT_STATES = ['inside', 'near', 'below', 'above', 'not-recorded', 'not-stated'] as const;
export type LimitState = (typeof LIMIT_STATES)[number];

/** Every symptom with the patterns it may show; `unspecified` is always allowed and never evidence. */
export const PATTERNS_BY_SYMPTOM = {
  bubbles: [
    'micro-throughout',
    'large-voids',
    'surface-pimples',
    'top-foam',
    'around-inclusion',
    'corners-and-undersides',
    'same-spot',
    'unspecified',
  ],
  tacky: [
    'liquid',
    'tacky-all-over',
    'sticky-spots',
    'greasy-film',
    'tacky-air-side-only',
    'where-it-touched',
    'edges-leak',
    'unspecified',
  ],
  yellowing: [
    'whole-part',
    'centre-of-thick-section',
    'surface-exposed-to-light',
    'near-flame-or-heat',
    'around-inclusion',
    'unspecified',
  ],
  soft: ['all-over', 'thin-sections', 'cold-spots', 'deep-under-skin', 'unspecified'],
  haze: ['frosted-skin', 'cloudy-through', 'white-bloom', 'unspecified'],
  bulge: ['unspecified'],
  delamination: ['unspecified'],
  sink: ['unspecified'],
  cracks: ['unspecified'],
  'inclusion-change': ['unspecified'],
  'colour-rub-off': ['unspecified'],
  colour: ['streaks', 'grainy', 'settled', 'too-weak', 'unspecified'],
  mark: ['same-spot', 'seam-or-flash', 'over-the-rim', 'fingerprint', 'unspecified'],
} as const;

export type SymptomKind = keyof typeof PATTERNS_BY_SYMPTOM;
export type Pattern = (typeof PATTERNS_BY_SYMPTOM)[SymptomKind][number];
export const SYMPTOM_KINDS = Object.keys(PATTERNS_BY_SYMPTOM) as [SymptomKind, ...SymptomKind[]];

/** All causes of the catalogue; identifiers are part of the open format. */
export const CAUSE_IDS = [
  'ratio-off',
  'under-mixed',
  'cup-scraped',
  'too-much-additive',
  'cold-cure',
  'too-soon',
  'thin-section',
  'old-or-damp-lot',
  'amine-blush',
  'air-inhibition',
  'inhibited-by-contact',
  'catalyst-low',
  'catalyst-high',
  'under-exposed',
  'whipped-air',
  'not-cleared',
  'cold-thick-resin',
  'pressure-late',
  'pressure-low',
  'pressure-let-go',
  'damp-resin',
  'wet-inclusion',
  'inclusion-reaction',
  'mould-not-degassed',
  'trapped-by-shape',
  'mould-flaw',
  'overheated',
  'flame-scorch',
  'light-yellowed',
  'aged-hardener',
  'tin-mould',
  'surface-texture',
  'wet-layer-below',
  'bond-window-missed',
  'poor-key',
  'shrinkage',
  'loose-powder',
  'mould-leaked',
  'soaked-in',
  'layer-contaminated',
  'air-under-inclusion',
  'over-filled',
  'colour-not-wetted',
  'colour-settled',
  'something-else',
] as const;
export type CauseId = (typeof CAUSE_IDS)[number];

/** Stages of the work, in order. */
export const STAGES = ['weigh', 'mix', 'clear', 'pour', 'press', 'watch', 'check', 'done'] as const;
export type Stage = (typeof STAGES)[number];

/** What batches are parted by when a studio asks what costs it castings. */
export const FACTORS = [
  'product',
  'lot-a',
  'lot-b',
  'lot-age',
  'mould',
  'cavity',
  'person',
  'room',
  'damp',
  'resin-temperature',
  'ratio',
  'scale',
  'loading',
  'stir',
  'route',
  'pressing',
  'depth',
  'lamp',
  'season',
  'time-of-day',
] as const;
export type Factor = (typeof FACTORS)[number];

/** What the rows of a studio's own table may be of. */
export const TABLE_KINDS = ['batch', 'lot', 'mould', 'product'] as const;
export type TableKind = (typeof TABLE_KINDS)[number];

import { ADDITIVE_KINDS } from '../formats/vocabulary';
import { monthsOf } from './monthsOf';
import type { Entry } from './reading';
import type { FieldId } from './sheetLabels';
import type { Statement } from './statements';

type Rule = (statement: Statement) => Entry[];

const isRange = ({ measure }: Statement) => measure.low !== measure.high;
const before = ({ segment, measure }: Statement) => segment.text.slice(Math.max(0, measure.start - 60), measure.start);
const after = ({ segment, measure }: Statement) => segment.text.slice(measure.end, measure.end + 30);
const labelText = ({ segment, label }: Statement) => segment.text.slice(label.start, label.end);

/** A time while the resin is still liquid: of a range the shorter end, which costs nobody a cup. */
const liquid =
  (path: string, second = false): Rule =>
  ({ measure }) => [{ path, value: measure.low, unit: 'min', ...(second ? { second } : {}) }];

/** A time to be waited for: of a range the longer end. */
const waited =
  (path: string): Rule =>
  ({ measure }) => [{ path, value: measure.high, unit: 'min' }];

/** A band: a range gives both ends, a figure the end that its words say. */
const band =
  (low: string, high: string, unit: string, alone: 'low' | 'high' | null): Rule =>
  (s) => {
    const { measure } = s;
    if (isRange(s))
      return [
        { path: low, value: measure.low, unit },
        { path: high, value: measure.high, unit },
      ];
    if (measure.bound === 'min') return [{ path: low, value: measure.low, unit }];
    if (measure.bound === 'max') return [{ path: high, value: measure.high, unit }];
    return alone === null ? [] : [{ path: alone === 'low' ? low : high, value: measure.low, unit }];
  };

const viscosity: Rule = ({ measure, part }) =>
  part === 'b' || part === 'cured' || part === 'a'
    ? []
    : [{ path: 'viscosity.mixedMPaS', value: measure.high, unit: 'mPa·s' }];

const DENSITY_PATHS = { a: 'densityAGPerML', b: 'densityBGPerML', mixed: 'mixedDensityGPerML' } as const;
/** No resin is lighter or heavier than this, g/mL: what lies outside is some other number. */
const [LIGHTEST, HEAVIEST] = [0.3, 4];

const CATALYST = /\b(?:catalyst|MEKP|peroxide)\b/i;

const density: Rule = ({ measure, part, segment }) => {
  if (part === 'cured' || measure.low < LIGHTEST || measure.high > HEAVIEST) return [];
  if (CATALYST.test(segment.text)) return [{ path: 'ratio.catalyst.densityGPerML', value: measure.low, unit: 'g/mL' }];
  return [{ path: DENSITY_PATHS[part ?? 'mixed'], value: measure.low, unit: 'g/mL' }];
};

const hardness: Rule = (s) => {
  const written = s.segment.text.slice(s.measure.start, s.measure.end);
  if (/^0+$/.test(written) || s.measure.high > 100) return [];
  const behind = /^\s*(?:±\s*\d+\s*)?(?:shore\s*|sh\.?\s*|durometer\s*)?-?\s*(A|D|C|00|OO)\b/i.exec(after(s))?.[1];
  const ahead = /(?:shore|durometer|hardness|type|scale)[\s,(:-]*(A|D|C|00|OO)\b(?![^|]*\b(?:shore|durometer)\b)/i.exec(
    before(s),
  )?.[1];
  const within = /\d\s*([ACD])\b/.exec(written)?.[1];
  const scale = (within ?? behind ?? ahead)?.toUpperCase().replace('OO', '00');
  const { low, high, plusMinus } = s.measure;
  const spread = plusMinus ?? (low === high ? null : (high - low) / 2);
  return [
    { path: 'hardness.value', value: (low + high) / 2, unit: 'Shore' },
    ...(scale ? [{ path: 'hardness.scale', value: scale, unit: '' }] : []),
    ...(spread ? [{ path: 'hardness.tolerance', value: spread, unit: 'Shore' }] : []),
  ];
};

const NOT_ABOVE = /\b(?:exceed|keep|below|limit|allow|permit|stay under|never)\w*\b/i;
/** A cup that is warm and no exotherm: what stands there is the room it was measured in. */
const EXOTHERM_FROM_C = 30;

const exotherm: Rule = (s) => {
  if (s.measure.high < EXOTHERM_FROM_C) return [];
  const limit = NOT_ABOVE.test(s.segment.text) && s.measure.bound !== 'typical';
  return [{ path: limit ? 'exothermMaxC' : 'exotherm.peakC', value: s.measure.high, unit: '°C' }];
};

const depth: Rule = (s) => {
  const least = /\b(?:min|least)/i.test(labelText(s)) && !/max/i.test(labelText(s));
  if (least && !isRange(s)) return [{ path: 'depth.minMm', value: s.measure.low, unit: 'mm' }];
  return band('depth.minMm', 'depth.maxMm', 'mm', 'high')(s);
};

/** One temperature alone is what something was measured at, no band to work in. */
const room = band('room.minC', 'room.maxC', '°C', null);
const resin = band('resin.minC', 'resin.maxC', '°C', null);

const humidity: Rule = (s) => {
  const most = s.measure.bound === 'max' || isRange(s) || /\bmax/i.test(before(s));
  return most ? [{ path: 'room.maxHumidityPct', value: s.measure.high, unit: '%' }] : [];
};

/** What is pressed in a pot, kPa: more than this is the strength of the cast. */
const POT_MOST_KPA = 1_200;

const pressure: Rule = (s) => {
  const { measure } = s;
  if (measure.dimension === 'time') {
    const isHold =
      measure.bound !== 'max' && /\b(?:hold|held|keep|kept|for|under|maintain|leave|left|cure)\w*\b|:/i.test(before(s));
    return isHold ? [{ path: 'pressure.holdMin', value: measure.high, unit: 'min' }] : [];
  }
  if (measure.high > POT_MOST_KPA) return [];
  return band('pressure.minKPa', 'pressure.maxKPa', 'kPa', 'low')(s);
};

/** Readings of a vacuum gauge count down from the air; 101.325 kPa at sea level. */
const AMBIENT_KPA = 101.325;

const degas: Rule = (s) => {
  const { measure } = s;
  if (measure.dimension === 'time') return [{ path: 'degas.minutes', value: measure.low, unit: 'min' }];
  const drawn = measure.dimension === 'pressure' && /[-−]\s*$/.test(before(s));
  if (measure.dimension === 'pressure' && !drawn) return [];
  const absolute = drawn ? AMBIENT_KPA - measure.low : measure.low;
  return absolute >= 0 && absolute < AMBIENT_KPA ? [{ path: 'degas.vacuumKPaAbs', value: absolute, unit: 'kPa' }] : [];
};

const FARTHEST_WORDS = 45;
const mixTime: Rule = (s) => {
  const gap = s.measure.start - s.label.end;
  if (s.measure.bound === 'max' || gap > FARTHEST_WORDS) return [];
  return [{ path: 'mix.minMin', value: s.measure.low, unit: 'min' }];
};

/** Behind a span up to the next one, or before it: whether the bottle had been opened. */
function isOpened(s: Statement): boolean {
  const next = /^[^\d;.,]*/.exec(s.segment.text.slice(s.measure.end))?.[0] ?? '';
  const last = /[^\d]*$/.exec(s.segment.text.slice(0, s.measure.start))?.[0] ?? '';
  const opened = /(?<!un)(?<!not )\bopen(?:ed|ing)\b/i;
  const sealed = /\bunopened\b|\bsealed\b|\bmanufacture\b|\boriginal\b/i;
  if (opened.test(next)) return !sealed.test(next.slice(0, next.search(opened)));
  return sealed.test(next) ? false : opened.test(last);
}

const shelf: Rule = (s) => {
  const months = monthsOf(s.measure);
  if (months === null) return [];
  return [{ path: isOpened(s) ? 'shelf.openedMonths' : 'shelf.unopenedMonths', value: months, unit: 'months' }];
};

const catalyst: Rule = (s) => {
  const { measure } = s;
  if (measure.dimension === 'density') {
    const isLiquid = /densit|gravity/i.test(s.segment.text);
    return isLiquid ? [{ path: 'ratio.catalyst.densityGPerML', value: measure.low, unit: 'g/mL' }] : [];
  }
  if (measure.dimension === 'dropsPerML')
    return [{ path: 'ratio.catalyst.dropsPerML', value: measure.high, unit: 'drops/mL' }];
  if (measure.dimension === 'bare') return [];
  // "1.5 % MEKP: 16 minutes" is a dose that a time is told at, not the one to use.
  if (measure.bound === null && !isRange(s) && /\d\s*(?:min|h\b|hours?)/i.test(s.segment.text)) return [];
  if (measure.bound === 'typical' || (!isRange(s) && measure.bound === null))
    return [{ path: 'ratio.catalyst.typicalPct', value: measure.low, unit: '%' }];
  return band('ratio.catalyst.minPct', 'ratio.catalyst.maxPct', '%', null)(s);
};

const loading =
  (path: string): Rule =>
  (s) => {
    if (s.measure.bound === 'min') return [];
    const basis = /^\s*\(?(?:by\s+)?(weight|wt|mass|w\/w|volume|vol|v\/v)\b/i.exec(after(s))?.[1];
    return [
      { path, value: s.measure.high, unit: '%' },
      ...(basis ? [{ path: 'additives.basis', value: /^v/i.test(basis) ? 'volume' : 'weight', unit: '' }] : []),
    ];
  };

const moisture: Rule = (s) =>
  s.measure.bound === 'max' || isRange(s)
    ? [{ path: 'inclusionMaxMoisturePct', value: s.measure.high, unit: '%' }]
    : [];

/** What each label's figures mean for a card. */
export const CANDIDATES_BY_FIELD: Partial<Record<FieldId, Rule>> = {
  potLife: liquid('potLife.minutes'),
  workingTime: liquid('potLife.minutes', true),
  gel: liquid('gel.minutes'),
  tackFree: waited('tackFree.minutes'),
  demould: waited('demould.minutes'),
  fullCure: (s) => {
    // "Cure time" may be any cure: where the full one is told too, that is meant.
    const isFull = /full|complete|final|ultimate|total/i.test(labelText(s));
    return [{ path: 'fullCure.hours', value: s.measure.high / 60, unit: 'h', ...(isFull ? {} : { second: true }) }];
  },
  recoat: band('recoat.fromMin', 'recoat.untilMin', 'min', 'low'),
  viscosity,
  density,
  specificGravity: density,
  hardness,
  exotherm,
  depth,
  thinnest: ({ measure }) => [{ path: 'thinnestMm', value: measure.low, unit: 'mm' }],
  room,
  resin,
  humidity,
  mixTime,
  restTime: ({ measure }) => [{ path: 'mix.restMin', value: measure.low, unit: 'min' }],
  degas,
  pressure,
  shelf,
  opened: shelf,
  dose: ({ measure }) => [{ path: 'light.doseMJPerCM2', value: measure.high, unit: 'mJ/cm²' }],
  criticalDose: ({ measure }) => [{ path: 'light.criticalMJPerCM2', value: measure.low, unit: 'mJ/cm²' }],
  penetration: ({ measure }) => [{ path: 'light.penetrationMm', value: measure.low, unit: 'mm' }],
  catalyst,
  moisture,
  tolerance: ({ measure }) => [{ path: 'ratio.tolerancePct', value: measure.high, unit: '%' }],
  ...Object.fromEntries(ADDITIVE_KINDS.map((kind) => [`loading:${kind}`, loading(`additives.kinds.${kind}`)])),
  'loading:total': (s) => {
    // "Colourants" alone may be one of several: what is told of all together is meant first.
    const isAll = /total|all|combined|max|overall|sum/i.test(labelText(s));
    return loading('additives.totalMaxPct')(s).map((entry) => (isAll ? entry : { ...entry, second: true }));
  },
};

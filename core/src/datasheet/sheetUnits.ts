/** What a figure of a data sheet measures. */
export type Dimension =
  | 'time'
  | 'temperature'
  | 'mass'
  | 'volume'
  | 'density'
  | 'viscosity'
  | 'length'
  | 'pressure'
  | 'vacuum'
  | 'percent'
  | 'humidity'
  | 'dose'
  | 'dropsPerML'
  | 'bare';

/** A unit of the sheets: `stored = written · factor + offset`, in the format's own unit of that dimension. */
export interface SheetUnit {
  readonly id: string;
  readonly dimension: Dimension;
  readonly stored: string;
  readonly toStored: (written: number) => number;
}

const [LB_G, OZ_G, FL_OZ_ML, GAL_ML, PSI_KPA] = [453.59237, 28.349523125, 29.5735295625, 3785.411784, 6.894757293168];
const [IN_HG_KPA, MM_HG_KPA, AMBIENT_KPA] = [3.386388640341, 0.133322387415, 101.325];
const CU_IN_PER_LB = LB_G / 16.387064;
const [HOUR, DAY] = [60, 1440];
const [WEEK, MONTH, YEAR] = [7 * DAY, 30.4375 * DAY, 365.25 * DAY];

const STORED: Readonly<Record<Dimension, string>> = {
  time: 'min',
  temperature: '°C',
  mass: 'g',
  volume: 'mL',
  density: 'g/mL',
  viscosity: 'mPa·s',
  length: 'mm',
  pressure: 'kPa',
  vacuum: 'kPa',
  percent: '%',
  humidity: '%',
  dose: 'mJ/cm²',
  dropsPerML: 'drops/mL',
  bare: '',
};

const times = (factor: number) => (written: number) => written * factor;
const unit = (id: string, dimension: Dimension, toStored: (w: number) => number): SheetUnit => ({
  id,
  dimension,
  stored: STORED[dimension],
  toStored,
});

/** What follows a unit's letters is no letter or power of its own. */
const END = String.raw`(?![A-Za-z²³]|\/\s*[A-Za-z])`;

/** Every unit with how sheets write it, those that contain another first. */
const UNITS: readonly (readonly [pattern: string, unit: SheetUnit])[] = [
  [String.raw`drops?\s*(?:\/|per|to(?: the)?)\s*(?:ml|mL|cc|g)\b`, unit('drops/mL', 'dropsPerML', times(1))],
  [String.raw`g(?:rams?)?\s*(?:\/|per)\s*(?:cm[³3]|cc|ccm|ml|mL|cubic cent\w+)`, unit('g/mL', 'density', times(1))],
  [String.raw`kg\s*(?:\/|per)\s*(?:[Ll](?:it\w+)?|dm[³3])${END}`, unit('kg/L', 'density', times(1))],
  [String.raw`kg\s*(?:\/|per)\s*m[³3]`, unit('kg/m³', 'density', times(0.001))],
  [
    String.raw`(?:lbs?|pounds?)\.?\s*(?:\/|per)\s*(?:US\s*)?gal(?:lon)?\b\.?`,
    unit('lb/gal', 'density', times(LB_G / GAL_ML)),
  ],
  [String.raw`(?:lbs?|pounds?)\.?\s*(?:\/|per)\s*(?:ft[³3]|cu\.? ?ft)`, unit('lb/ft³', 'density', times(0.016018463))],
  [
    String.raw`(?:cu\.?\s*in\.?|in[³3]|cubic inch(?:es)?)\s*(?:\/|per)\s*(?:lb|pound)s?`,
    unit('in³/lb', 'density', (w) => CU_IN_PER_LB / w),
  ],
  [String.raw`mPa\s*[·.∙•*]?\s*s(?:ec)?${END}`, unit('mPa·s', 'viscosity', times(1))],
  [String.raw`(?:c[Pp][sS]?|CPS|cp's|centipoises?)${END}`, unit('cP', 'viscosity', times(1))],
  [String.raw`Pa\s*[·.∙•*]?\s*s(?:ec)?${END}`, unit('Pa·s', 'viscosity', times(1000))],
  [String.raw`(?:[Pp]oises?|P)${END}`, unit('P', 'viscosity', times(100))],
  [String.raw`mJ\s*\/\s*cm[²2]`, unit('mJ/cm²', 'dose', times(1))],
  [String.raw`J\s*\/\s*cm[²2]`, unit('J/cm²', 'dose', times(1000))],
  [
    String.raw`(?:in(?:ches)?\.?\s*(?:of\s*)?Hg|"\s*Hg|inches of mercury)`,
    unit('inHg', 'vacuum', (w) => AMBIENT_KPA - w * IN_HG_KPA),
  ],
  [String.raw`(?:mm\s*Hg|[Tt]orr)${END}`, unit('mmHg', 'vacuum', times(MM_HG_KPA))],
  [String.raw`(?:mbar|hPa)${END}`, unit('mbar', 'vacuum', times(0.1))],
  [String.raw`kPa\s*\(?(?:abs(?:olute)?\b\.?)\)?`, unit('kPa abs', 'vacuum', times(1))],
  [
    String.raw`(?:[Pp][Ss][Ii][Gg]?|lbs?\.?\s*\/\s*(?:in[²2]|sq\.? ?in))${END}`,
    unit('psi', 'pressure', times(PSI_KPA)),
  ],
  [String.raw`MPa${END}`, unit('MPa', 'pressure', times(1000))],
  [String.raw`kPa${END}`, unit('kPa', 'pressure', times(1))],
  [String.raw`[Bb]ars?(?:\s*gauge|\s*\(g\))?${END}`, unit('bar', 'pressure', times(100))],
  [String.raw`atm${END}`, unit('atm', 'pressure', times(AMBIENT_KPA))],
  [
    String.raw`(?:%|per ?cent|pct\.?)\s*(?:\(?\s*(?:r\.?\s*h\.?(?![a-z])|R\.?\s*H\.?(?![a-z])|rel(?:ative|\.)\s*humidity|humidity))`,
    unit('% RH', 'humidity', times(1)),
  ],
  [String.raw`(?:%|per ?cent\b|pct\b\.?|phr\b|pph\b)`, unit('%', 'percent', times(1))],
  [
    String.raw`(?:°\s*C|º\s*C|℃|[Dd]eg(?:rees?|\.)?\s*C(?:elsius)?|[Dd]egrees? [Cc]elsius|[Cc]elsius|C)${END}`,
    unit('°C', 'temperature', times(1)),
  ],
  [
    String.raw`(?:°\s*F|º\s*F|℉|[Dd]eg(?:rees?|\.)?\s*F(?:ahrenheit)?|[Dd]egrees? [Ff]ahrenheit|[Ff]ahrenheit|F)${END}`,
    unit('°F', 'temperature', (w) => (w - 32) / 1.8),
  ],
  [String.raw`(?:[Mm]in(?:ute)?s?|MIN|[Mm]ns?)${END}\.?`, unit('min', 'time', times(1))],
  [String.raw`(?:[Hh](?:ou)?rs?|HRS?|h)${END}\.?`, unit('h', 'time', times(HOUR))],
  [String.raw`(?:[Ss]ec(?:ond)?s?|s)${END}\.?`, unit('s', 'time', times(1 / 60))],
  [String.raw`(?:[Dd]ays?|d)${END}`, unit('d', 'time', times(DAY))],
  [String.raw`(?:[Ww](?:ee)?ks?)${END}\.?`, unit('week', 'time', times(WEEK))],
  [String.raw`(?:[Mm]on(?:th)?s?|mos?\.)${END}`, unit('month', 'time', times(MONTH))],
  [String.raw`(?:[Yy](?:ea)?rs?)${END}\.?`, unit('year', 'time', times(YEAR))],
  [String.raw`(?:fl(?:uid)?\.?\s*(?:oz|ounces?)\b\.?)`, unit('fl oz', 'volume', times(FL_OZ_ML))],
  [String.raw`(?:kgs?|[Kk]ilo(?:gram)?s?)${END}`, unit('kg', 'mass', times(1000))],
  [String.raw`(?:lbs?|LBS?|[Pp]ounds?)${END}\.?`, unit('lb', 'mass', times(LB_G))],
  [String.raw`(?:oz|OZ|[Oo]unces?)${END}\.?`, unit('oz', 'mass', times(OZ_G))],
  [String.raw`(?:[Gg]rams?|gms?|gr|g)${END}\.?`, unit('g', 'mass', times(1))],
  [String.raw`(?:ml|mL|ML|cc|ccm|cm³|cm3|millilit\w+)${END}`, unit('mL', 'volume', times(1))],
  [String.raw`(?:[Ll]it(?:er|re)s?|L|l)${END}`, unit('L', 'volume', times(1000))],
  [String.raw`(?:qts?|[Qq]uarts?)${END}\.?`, unit('qt', 'volume', times(GAL_ML / 4))],
  [String.raw`(?:pts?|[Pp]ints?)${END}\.?`, unit('pt', 'volume', times(GAL_ML / 8))],
  [String.raw`(?:gals?|[Gg]allons?)${END}\.?`, unit('gal', 'volume', times(GAL_ML))],
  [String.raw`(?:mm|millimet\w+)${END}`, unit('mm', 'length', times(1))],
  [String.raw`(?:cm|centimet\w+)${END}`, unit('cm', 'length', times(10))],
  [
    String.raw`(?:[Ii]nch(?:es)?|in\.|in(?=\s*(?:$|[),;|/]|thick|deep|max|min|or\b|per\b|pour|layer|section))|"|″)(?![A-Za-z²³])`,
    unit('in', 'length', times(25.4)),
  ],
  [String.raw`(?:ft|feet)${END}\.?`, unit('ft', 'length', times(304.8))],
];

const AT_START = UNITS.map(([pattern, of]) => [new RegExp(`^(?:${pattern})`), of] as const);
const WHOLE = UNITS.map(
  ([pattern, of]) => [new RegExp(String.raw`^\s*[\[(]?\s*(?:in )?(?:${pattern})\.?\s*[\])]?\s*$`), of] as const,
);

/** The unit that a text begins with, and how many letters of it that takes. */
export function unitAtStart(text: string): { unit: SheetUnit; length: number } | null {
  for (const [pattern, of] of AT_START) {
    const found = pattern.exec(text);
    if (found) return { unit: of, length: found[0].length };
  }
  return null;
}

/** The unit that a whole text is: what stands in a column of units, or between brackets behind a label. */
export function unitAlone(text: string): SheetUnit | null {
  return WHOLE.find(([pattern]) => pattern.test(text))?.[1] ?? null;
}

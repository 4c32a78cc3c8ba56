import type { Hazard } from '../formats/vocabulary';
import type { SheetReading, SheetStatement } from './reading';
import { placeOf, type Segment } from './segment';

/** The words by which sheets name what a card's hazards stand for. */
const HAZARD_WORDS: readonly (readonly [Hazard, RegExp])[] = [
  ['isocyanate', /\b(?:di-?|poly-?)?isocyanates?\b|\bMDI\b|\bHDI\b|\bTDI\b|\bIPDI\b/gi],
  ['epoxy-amine', /\b(?:poly|di|cyclo\w*\s*)?amines?\b(?!.{0,24}\b(?:inhibit|prevent|contact))/gi],
  ['styrene', /\bstyrene\b/gi],
  ['peroxide', /\b(?:organic )?peroxides?\b|\bMEKP\b/gi],
  ['acrylate', /\b(?:meth)?acrylates?\b/gi],
  ['solvent', /\b(?:flammable )?solvents?\b(?![- ](?:free|resist|clean|based ink|ink))|\bxylene\b|\btoluene\b/gi],
  ['dust', /\b(?:nuisance |fine |harmful )?dusts?\b(?![- ](?:free|dry|cover|off))/gi],
];

/** Words that deny what stands behind or before them. */
const DENIED_BEFORE =
  /\b(?:no|not|non|free (?:of|from)|without|does not contain|contains no|never|zero|avoid|unlike|instead of|than)\b[^.;|]{0,40}$|\bnon-$/i;
const DENIED_AFTER = /^\s*-?(?:free\b|\bfrei\b)|^[^.;|]{0,20}\b(?:not (?:present|contained)|none)\b/i;
/** Words by which a sheet says that the product holds it, or harms by it. */
const SAYS_SO =
  /\b(?:contain|hazard|harmful|sensiti[sz]|irritat|danger|warning|caution|safety|toxic|flammable|vapou?r|fumes?|inhal|respirator|ventilat|gloves|ingredient|composition|H\d{3}|precaution|avoid|asthma|skin|eyes?|releas|gives? off)\w*/i;

function saysHazard(segment: Segment, at: number, length: number): boolean {
  const { text } = segment;
  if (DENIED_BEFORE.test(text.slice(0, at)) && !/\bavoid\b[^.;|]{0,40}$/i.test(text.slice(0, at))) return false;
  if (DENIED_AFTER.test(text.slice(at + length))) return false;
  return SAYS_SO.test(text);
}

function firstStatement(segments: readonly Segment[], hazard: Hazard, pattern: RegExp): SheetStatement | null {
  for (const segment of segments)
    for (const found of segment.text.matchAll(pattern)) {
      const place = placeOf(segment, found.index);
      if (place && saysHazard(segment, found.index, found[0].length))
        return { value: hazard, unit: '', line: place.line, text: found[0].trim() };
    }
  return null;
}

/** The hazards that a sheet names, in one reading; what it says the product is free of is none. */
export function hazardReading(segments: readonly Segment[]): SheetReading[] {
  const found = HAZARD_WORDS.flatMap(([hazard, pattern]) => firstStatement(segments, hazard, pattern) ?? []);
  const [first] = found;
  if (!first) return [];
  const value = found.map((f) => f.value as Hazard);
  return [{ ...first, path: 'hazards', value, ...(found.length > 1 ? { readings: found } : {}) }];
}

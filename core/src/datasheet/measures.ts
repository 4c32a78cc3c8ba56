import { oneOf } from './oneOf';
import { NUMBER_PATTERN, readNumber, type DecimalSign } from './sheetNumber';
import { unitAtStart, type Dimension, type SheetUnit } from './sheetUnits';

/** A figure of a sheet with its unit: one value, or a range, in the format's own unit. */
export interface Measure {
  readonly dimension: Dimension;
  readonly unit: SheetUnit | null;
  readonly low: number;
  readonly high: number;
  /** What is given as `±`, in the same unit. */
  readonly plusMinus: number | null;
  /** What the words beside it say that it is an end of. */
  readonly bound: 'min' | 'max' | 'typical' | null;
  readonly start: number;
  readonly end: number;
}

const NUMBER = new RegExp(NUMBER_PATTERN, 'y');
const RANGE = /\s*(?:-|~|\bto\b|\bthrough\b|\band\b|\.\.)\s*/y;
const PLUS_MINUS = /\s*(?:[ACD]\b\s*)?(?:±|\+\s*\/\s*-|\+-)\s*/y;
const BETWEEN = /\b(?:between|from)\s*(?:about\s*)?$/i;
/** A number that belongs to a word, a code, a date or a page is no figure. */
const PART_OF_WORD =
  /(?:[A-Za-z_#&]|[A-Za-z]-|\d[.,:]|\b(?:no|nr|rev|page|version|ASTM|ISO|DIN|EN|UN|tel|art)\.?\s*(?:[A-Z]\s?-?\s?)?)$/i;

/** What stands before a figure and says which end it is. */
const bound = (...words: readonly (readonly string[])[]) =>
  new RegExp(String.raw`${oneOf(...words.flat())}\s*:?\s*(?:of\s*|about\s*|=\s*)?$`, 'i');
const MOST = bound(
  [String.raw`\bmax(?:imum|\.)?`, String.raw`\bup to`, String.raw`\bnot (?:to )?(?:more|exceed(?:ing)?)(?: than)?`],
  [String.raw`\bno more than`, String.raw`\bbelow`, String.raw`\bunder`, String.raw`\bless than`, '[≤<]'],
  [String.raw`\bat most`, String.raw`\bexceeds?`, String.raw`\bexceeding`, String.raw`\bnever above`],
  [
    String.raw`\bnot above`,
    String.raw`\bwithin`,
    String.raw`\buntil`,
    String.raw`\bbefore`,
    String.raw`\bno later than`,
  ],
  [String.raw`\btill`],
);
const LEAST = bound(
  [String.raw`\bmin(?:imum|\.)?`, String.raw`\bat least`, '[≥>]', String.raw`\b(?:no|not) less than`],
  [String.raw`\babove`, String.raw`\bmore than`, String.raw`\bfrom`, String.raw`\bafter`, String.raw`\bover`],
  [String.raw`\bearliest`],
);
const USUALLY = [
  [String.raw`\btyp(?:ical(?:ly)?|\.)?`, String.raw`\busual(?:ly)?`, String.raw`\bnormal(?:ly)?`],
  [String.raw`\bnominal(?:ly)?`, String.raw`\brecommended`],
].flat();
const TYPICAL = new RegExp(String.raw`${oneOf(...USUALLY)}\s*:?\s*(?:at\s*|dose\s*|is\s*)*$`, 'i');
const MOST_AFTER = /^\s*\(?(?:max(?:imum)?\b|or less|at most)/i;
const LEAST_AFTER = /^\s*\(?(?:min(?:imum)?\b(?!\s*\d)|or more|at least)/i;
const TYPICAL_AFTER = /^\s*\(?(?:typical|usual|normal|nominal)/i;

function boundOf(before: string, after: string): Measure['bound'] {
  if (MOST.test(before) || MOST_AFTER.test(after)) return 'max';
  if (LEAST.test(before) || LEAST_AFTER.test(after)) return 'min';
  if (TYPICAL.test(before) || TYPICAL_AFTER.test(after)) return 'typical';
  return null;
}

interface Reading {
  readonly value: number;
  readonly unit: SheetUnit | null;
  readonly end: number;
}

/** Reads a segment's figures from left to right. */
class Reader {
  constructor(
    private readonly text: string,
    private readonly decimal: DecimalSign,
    private readonly implied: SheetUnit | null,
  ) {}

  /** What `pattern` takes from a place on. */
  private taken(pattern: RegExp, at: number): string | null {
    pattern.lastIndex = at;
    return pattern.exec(this.text)?.[0] ?? null;
  }

  /** A number with its unit from a place on. */
  private reading(at: number): Reading | null {
    const number = this.taken(NUMBER, at);
    if (number === null) return null;
    const value = readNumber(number, this.decimal);
    if (!Number.isFinite(value)) return null;
    const afterNumber = at + number.length;
    const gap = /^(?:\s?-(?=[A-Za-z])|\s{0,2})/.exec(this.text.slice(afterNumber))?.[0].length ?? 0;
    const unit = unitAtStart(this.text.slice(afterNumber + gap));
    return unit === null
      ? { value, unit: null, end: afterNumber }
      : { value, unit: unit.unit, end: afterNumber + gap + unit.length };
  }

  /** An hour with its minutes behind it. */
  private withMinutes(first: Reading): Reading {
    if (first.unit?.id !== 'h') return first;
    const minutes = /^\s*(?:and\s*)?\d{1,2}\s*(?:min(?:ute)?s?)\b\.?/.exec(this.text.slice(first.end))?.[0];
    if (minutes === undefined) return first;
    const amount = Number(/\d+/.exec(minutes)?.[0]);
    return { ...first, value: first.value + amount / 60, end: first.end + minutes.length };
  }

  private second(first: Reading, at: number): { reading: Reading; plusMinus: boolean } | null {
    const plusMinus = this.taken(PLUS_MINUS, first.end);
    if (plusMinus !== null) {
      const reading = this.reading(first.end + plusMinus.length);
      return reading && { reading, plusMinus: true };
    }
    const range = this.taken(RANGE, first.end);
    if (range === null) return null;
    if (/and/.test(range) && !BETWEEN.test(this.text.slice(0, at))) return null;
    const reading = this.reading(first.end + range.length);
    if (!reading) return null;
    // Two units of one kind, or one unit for both; "2 h - 150 g" are two figures.
    const fits = first.unit === null || reading.unit === null || first.unit.dimension === reading.unit.dimension;
    const bareEnd = reading.unit === null && first.unit !== null && this.implied === null;
    return fits && !bareEnd && reading.value !== 0 ? { reading: this.withMinutes(reading), plusMinus: false } : null;
  }

  measureAt(at: number): Measure | null {
    const one = this.reading(at);
    if (!one) return null;
    const first = this.withMinutes(one);
    const second = this.second(first, at);
    const end = second?.reading.end ?? first.end;
    const unit = first.unit ?? second?.reading.unit ?? this.implied;
    const other = second?.reading.unit ?? unit;
    const [before, after] = [this.text.slice(Math.max(0, at - 40), at), this.text.slice(end, end + 24)];
    const stored = (value: number, of: SheetUnit | null) => of?.toStored(value) ?? value;
    const about = {
      dimension: unit?.dimension ?? 'bare',
      unit,
      start: at,
      end,
      bound: boundOf(before, after),
    } as const;
    const value = stored(first.value, unit);
    if (!second) return { ...about, low: value, high: value, plusMinus: null };
    if (second.plusMinus) {
      const spread = Math.abs(stored(first.value + second.reading.value, other) - stored(first.value, other));
      return { ...about, low: value, high: value, plusMinus: spread };
    }
    const ends = [value, stored(second.reading.value, other)] as const;
    return { ...about, low: Math.min(...ends), high: Math.max(...ends), plusMinus: null };
  }
}

/** How near a figure in brackets must come to the one before it to be the same in another unit. */
const RESTATED_WITHIN = 0.12;
const near = (a: number, b: number, scale: number) =>
  Math.abs(a - b) <= RESTATED_WITHIN * Math.max(Math.abs(a), Math.abs(b), scale);

/** Whether `next` says `last` again in another unit: "50 mm (2 in)", "73 °F / 23 °C". */
function restates(last: Measure, next: Measure, between: string): boolean {
  if (last.dimension !== next.dimension || last.unit === next.unit || last.unit === null) return false;
  if (!/^\s*(?:[([/=|,]|or\b|\u2248)?\s*$/.test(between)) return false;
  const scale = last.dimension === 'temperature' ? 20 : 0;
  return near(last.low, next.low, scale) && near(last.high, next.high, scale);
}

/**
 * The figures in a text, from left to right, each with its unit turned into the format's own. What belongs to a word,
 * a code, a date or a standard is none, and one said again in another unit counts once.
 * @param implied the unit of numbers that have none
 */
export function measuresIn(text: string, decimal: DecimalSign, implied: SheetUnit | null = null): Measure[] {
  const reader = new Reader(text, decimal, implied);
  const found: Measure[] = [];
  for (let at = 0; at < text.length; at++) {
    if (!/[\d½¼¾⅓⅔⅛⅜]/.test(text.charAt(at))) continue;
    const isPart = PART_OF_WORD.test(text.slice(Math.max(0, at - 14), at));
    const measure = reader.measureAt(at);
    if (!measure) continue;
    const last = found.at(-1);
    if (!isPart && !(last && restates(last, measure, text.slice(last.end, measure.start)))) found.push(measure);
    at = Math.max(at, measure.end - 1);
  }
  return found;
}

import { NUMBER_PATTERN, readNumber, type DecimalSign } from './sheetNumber';
import type { Segment } from './segment';

/** A mixing ratio as a sheet states it. */
export interface RatioStatement {
  readonly basis: 'byWeight' | 'byVolume' | 'powder';
  /** Part A, or the liquid. */
  readonly a: { readonly value: number; readonly start: number; readonly end: number };
  /** Part B, or the powder. */
  readonly b: { readonly value: number; readonly start: number; readonly end: number };
  readonly tolerancePct: { readonly value: number; readonly start: number; readonly end: number } | null;
  readonly segment: Segment;
}

const WORDS: Readonly<Record<string, number>> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  ten: 10,
  'one hundred': 100,
  equal: 1,
};
const WORD = Object.keys(WORDS)
  .sort((x, y) => y.length - x.length)
  .join('|');
const SIDE_A = String.raw`(?:part\s*)?["'(]?A["')]?(?![A-Za-z])|resin|base|liquid|component\s*A|side\s*A`;
const SIDE_B = [
  String.raw`(?:part\s*)?["'(]?B["')]?(?![A-Za-z])|harden(?:er|ing agent)|curing agent|powder`,
  String.raw`component\s*B|side\s*B|activator`,
].join('|');
const PARTS = String.raw`p\.?b\.?[wv]\.?|parts?(?: by (?:weight|volume|mass))?`;
const UNIT = String.raw`(?:\s*(?:${PARTS}|g(?:rams?)?|kg|mL|ml|lbs?|oz|volumes?|units?|cups?)\b)?`;
const BY = String.raw`(?:\s*by (?:weight|mass|vol(?:ume|\.)))?`;
const NAMED = String.raw`(?:\s*(?:of\s*)?(?:the\s*)?(?<S#>${SIDE_A}|${SIDE_B}))?`;
const side = (n: number) =>
  String.raw`(?<N${n}>${NUMBER_PATTERN}|\b(?:${WORD})\b)${UNIT}${NAMED.replace('#', String(n))}${UNIT}${BY}`;
const JOINED = String.raw`:|\/|\bto(?: each)?\b|\bwith\b|\bplus\b|\band\b|\+|\||\bper\b|,`;
const NOT_A_SHARE = String.raw`(?![\d:]|\s*[:/]\s*\d|\s*%|\s*per ?cent)`;
const RATIO = new RegExp(
  String.raw`(?<![\d.,:/A-Za-z-])${side(1)}(?:\s*\([^)]{0,20}\))?\s*(?<J>${JOINED})\s*${side(2)}${NOT_A_SHARE}`,
  'gi',
);
const EQUAL = /\bequal (?:parts|amounts|volumes|weights)\b/gi;

const WEIGHT = [
  String.raw`\bby (?:weight|mass|wt\.?)|\bw\s*[/:]\s*w\b|\bp\.?b\.?w\b\.?|\bwt\.?(?:\s*[:/]\s*wt\.?)?(?![a-z])`,
  String.raw`\bparts? by weight|\bweight ratio|\bgravimetric|\(weight\)|\bweight\b(?! per)|\bmass ratio`,
].join('|');
const VOLUME = [
  String.raw`\bby vol(?:ume|\.)?|\bv\s*[/:]\s*v\b|\bp\.?b\.?v\b\.?|\bvol\.?(?:\s*[:/]\s*vol\.?)?(?![a-z])`,
  String.raw`\bvolumetric|\(volume\)|\bvolume\b(?! of)|\bequal volumes`,
].join('|');
const BASIS = new RegExp(`(?<weight>${WEIGHT})|(?<volume>${VOLUME})`, 'gi');

/** Words without which two numbers side by side are no mixing ratio. */
const ABOUT_MIXING =
  /\b(?:ratio|mix(?:ed|ing)?|parts?|A\s*:\s*B|resin|harden|combine|blend|p\.?b\.?[wv]|powder|by (?:weight|vol))/i;
const NOT_MIXING =
  /\b(?:dilut|clean|solvent|scale 1|acetone|alcohol|water content|filler|sand\b|store|pigment|UN\s?\d)/i;
const REVERSED =
  /\b(?:part\s*)?(?:B|harden(?:er|ing agent)|powder|curing agent)\s*(?::|\/|\bto\b)\s*(?:part\s*)?(?:A\b|resin|liquid|base)/i;
const POWDER = /\bpowder\b/i;
const LIQUID = /\bliquid\b|\bpolymer\b|\bpowder\s*(?::|to)|\bresin\b/i;

/** A ratio that holds whichever way it is measured. */
const EITHER = /\bby (?:weight|volume)\s*(?:or|and|\/)\s*(?:by )?(?:weight|volume)\b/i;

interface Basis {
  readonly basis: 'byWeight' | 'byVolume';
  readonly start: number;
  readonly end: number;
}

const basesIn = (text: string): Basis[] =>
  [...text.matchAll(BASIS)].map((m) => ({
    basis: m.groups?.['weight'] ? 'byWeight' : 'byVolume',
    start: m.index,
    end: m.index + m[0].length,
  }));

type Side = RatioStatement['a'];
interface Found {
  readonly first: Side;
  readonly second: Side;
  readonly firstIsB: boolean;
  readonly start: number;
  readonly end: number;
  /** It is written as a ratio is, or both sides are named. */
  readonly plain: boolean;
  readonly words: string;
}

const isB = (name: string | undefined) => name !== undefined && new RegExp(`^(?:${SIDE_B})$`, 'i').test(name.trim());
const isA = (name: string | undefined) => name !== undefined && new RegExp(`^(?:${SIDE_A})$`, 'i').test(name.trim());

const numberOf = (text: string, decimal: DecimalSign) => WORDS[text.toLowerCase()] ?? readNumber(text, decimal);

/** Whether two numbers are written as a ratio is, or both are named. */
function isPlain(groups: Readonly<Record<string, string>>, text: string): boolean {
  const [one, two, joint] = [groups['S1'], groups['S2'], groups['J'] ?? ''];
  const bothNamed = (isA(one) && isB(two)) || (isB(one) && isA(two));
  return bothNamed || joint === ':' || /^to/i.test(joint) || (joint === '/' && /\bratio\b/i.test(text));
}

function foundAt(m: RegExpMatchArray, decimal: DecimalSign): Found | null {
  const groups: Record<string, string> = m.groups ?? {};
  const [n1, n2] = [groups['N1'] ?? '', groups['N2'] ?? ''];
  const start = m.index ?? 0;
  const at1 = start + m[0].indexOf(n1);
  const at2 = start + m[0].lastIndexOf(n2, m[0].length);
  const [first, second] = [numberOf(n1, decimal), numberOf(n2, decimal)];
  if (!(first > 0) || !(second > 0)) return null;
  return {
    first: { value: first, start: at1, end: at1 + n1.length },
    second: { value: second, start: at2, end: at2 + n2.length },
    firstIsB: isB(groups['S1']) || (isA(groups['S2']) && !isA(groups['S1'])),
    start,
    end: start + m[0].length,
    words: m[0],
    plain: isPlain(groups, m.input ?? ''),
  };
}

function equalParts(text: string): Found[] {
  return [...text.matchAll(EQUAL)].map((m) => {
    const one = { value: 1, start: m.index, end: m.index + m[0].length };
    return { first: one, second: one, firstIsB: false, start: m.index, end: one.end, plain: true, words: m[0] };
  });
}

/** The basis that goes with a ratio: the nearest on the side on which this text puts them. */
function basisOf(ratio: Found, all: readonly Found[], bases: readonly Basis[]): Basis['basis'] | null {
  const inside = bases.find((b) => b.start >= ratio.start && b.end <= ratio.end);
  if (inside) return inside.basis;
  const [firstBasis, firstRatio] = [bases[0], all[0]];
  if (!firstBasis || !firstRatio) return null;
  if (firstBasis.start < firstRatio.start) return bases.filter((b) => b.end <= ratio.start).at(-1)?.basis ?? null;
  const next = all.find((other) => other.start > ratio.start);
  return bases.find((b) => b.start >= ratio.end && (!next || b.end <= next.start))?.basis ?? null;
}

/** Both sides in grams are a ratio by weight, both in millilitres one by volume. */
function basisOfUnits(words: string): Basis['basis'] | null {
  if ((words.match(/\d\s*(?:g|grams?|kg|lbs?|oz)\b/gi) ?? []).length >= 2) return 'byWeight';
  return (words.match(/\d\s*(?:mL|ml|cups?|volumes?)\b/g) ?? []).length >= 2 ? 'byVolume' : null;
}

function toleranceAfter(text: string, end: number, decimal: DecimalSign): RatioStatement['tolerancePct'] {
  const found = new RegExp(String.raw`^[^|;.]{0,24}?(?:±|\+\s*\/\s*-)\s*(${NUMBER_PATTERN})\s*%`).exec(text.slice(end));
  if (!found) return null;
  const start = end + found[0].lastIndexOf(found[1]!);
  return { value: readNumber(found[1]!, decimal), start, end: start + found[1]!.length };
}

/**
 * The mixing ratios that a segment states, by weight, by volume, or of liquid and powder. One whose basis is not said
 * is none: nobody can tell which it is.
 */
export function ratiosIn(segment: Segment, decimal: DecimalSign): RatioStatement[] {
  const { text } = segment;
  if (!ABOUT_MIXING.test(text) || segment.stored) return [];
  if (NOT_MIXING.test(text) && !/\bharden|\bpart b\b|\bratio\b/i.test(text)) return [];
  const found = [...text.matchAll(RATIO)].flatMap((m) => foundAt(m, decimal) ?? []);
  const all = [...found.filter((f) => f.plain), ...equalParts(text)].sort((x, y) => x.start - y.start);
  const bases = basesIn(text);
  const isPowder = POWDER.test(text) && LIQUID.test(text);
  return all.flatMap((ratio): RatioStatement[] => {
    const basis = basisOf(ratio, all, bases) ?? basisOfUnits(ratio.words);
    if (!basis && !isPowder) return [];
    if (isPowder && basis === 'byVolume') return [];
    const both = !isPowder && EITHER.test(text.slice(ratio.start, ratio.end + 40));
    const last = all.filter((other) => other.end <= ratio.start).at(-1);
    const swap = ratio.firstIsB || REVERSED.test(text.slice(last?.end ?? 0, ratio.end));
    const [a, b] = swap ? [ratio.second, ratio.first] : [ratio.first, ratio.second];
    const about = { a, b, tolerancePct: toleranceAfter(text, ratio.end, decimal), segment };
    if (both) return (['byWeight', 'byVolume'] as const).map((each) => ({ ...about, basis: each }));
    return [{ ...about, basis: isPowder ? 'powder' : basis! }];
  });
}

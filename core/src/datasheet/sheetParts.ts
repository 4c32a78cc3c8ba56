import { oneOf } from './oneOf';
import type { Part } from './segment';

const side = (letter: string) => String.raw`(?:part|component|side|comp\.?)\s*["'(]?${letter}["')]?`;
const sideAfter = (letter: string) => `${letter}[- ](?:part|side|component)`;
const A = oneOf(side('A'), sideAfter('A'), 'resin', 'base', 'monomer', 'prepolymer');
const B = oneOf(side('B'), sideAfter('B'), 'harden(?:er|ing agent)', 'curing agent', 'activator', 'isocyanate');
const MIXED = String.raw`(?:mixed|mixture|mix|combined|blend(?:ed)?|A\s*\+\s*B|system)`;
const OF_MIXED = oneOf(
  ...['system', 'resin', 'liquid', 'properties', 'material', 'mass', 'viscosity', 'data'],
  ...[String.raw`A\s*\+\s*B`, String.raw`\(A\s*\+\s*B\)`],
);
const CURED = String.raw`(?:cured|solid|hardened|casting)`;

const WHOLE: readonly (readonly [Part, RegExp])[] = [
  ['mixed', new RegExp(String.raw`^\W*(?:${MIXED})(?:\W+${OF_MIXED})*\W*$`, 'i')],
  ['cured', new RegExp(String.raw`^\W*(?:${CURED})(?:\W+(?:resin|properties|material|state|data))*\W*$`, 'i')],
  ['b', new RegExp(String.raw`^\W*(?:${B}|B)(?:\W+(?:${B}|B|properties|data))*\W*$`, 'i')],
  ['a', new RegExp(String.raw`^\W*(?:${A}|A)(?:\W+(?:${A}|A|properties|data))*\W*$`, 'i')],
];

/**
 * Which liquid a heading or the head of a column names, if it names nothing else.
 * Example: partNamed('hardener') // 'b'
 */
export function partNamed(text: string): Part | null {
  if (text.length > 40 || text.trim() === '') return null;
  return WHOLE.find(([, pattern]) => pattern.test(text))?.[0] ?? null;
}

const TOKENS: readonly (readonly [Part, RegExp])[] = [
  ['mixed', /\b(?:mixed|mixture|combined|blended|A\s*\+\s*B)\b|\bmix\b(?!\s*(?:ratio|for|the|both|well|thor))/gi],
  ['cured', /\b(?:cured|solid|hardened)\b/gi],
  ['a', new RegExp(String.raw`\b(?:${A})\b|(?<![A-Za-z&/-])A(?=\s*[:=()|]|\s+\d|\s*\/\s*B\b|\s+and\s+B\b)`, 'g')],
  ['a', /\b(?:part a|component a|resin|base|monomer|prepolymer)\b/gi],
  ['b', new RegExp(String.raw`\b(?:${B})\b|(?<![A-Za-z&-])B(?=\s*[:=()|]|\s+\d|\s*$)`, 'g')],
  ['b', /\b(?:part b|component b|hardener|curing agent|activator)\b/gi],
];

/** A mention of one of the liquids. */
export interface PartMention {
  readonly part: Part;
  readonly start: number;
  readonly end: number;
}

/** Every mention of a liquid in a text, from left to right. */
export function partsIn(text: string): PartMention[] {
  const all = TOKENS.flatMap(([part, pattern]) =>
    [...text.matchAll(pattern)].map((m) => ({ part, start: m.index, end: m.index + m[0].length })),
  ).sort((x, y) => x.start - y.start || y.end - x.end);
  return all.filter((m, at) => !all.slice(0, at).some((k) => m.start < k.end));
}

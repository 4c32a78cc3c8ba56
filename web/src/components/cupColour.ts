import type { Additive } from '@warm-jar/core';

/** Words for colours as they stand in the names of dyes and pastes. */
const NAMED: readonly (readonly [RegExp, string])[] = [
  [/\b(?:white|chalk|shell)\b/i, '#f4f1ea'],
  [/\b(?:black|soot)\b/i, '#2a2c2b'],
  [/\b(?:amber|honey|brass)\b/i, '#d9962f'],
  [/\b(?:green|bottle|weed)\b/i, '#1f5d51'],
  [/\b(?:blue|tide|indigo)\b/i, '#3c6a92'],
  [/\b(?:red|brick|rust)\b/i, '#94280f'],
  [/\b(?:yellow|straw)\b/i, '#e2bf4d'],
  [/\b(?:pink|rose)\b/i, '#d99a98'],
  [/\b(?:grey|gray|slate|silver|pearl)\b/i, '#9aa09d'],
  [/\b(?:brown|peat)\b/i, '#6b4a23'],
];
/** Resin without a colour that its name tells. */
const CLEAR = '#f8e7cb';

/** How a mix with these additives is drawn: by the colour that the last of them is named after, else as resin. */
export function cupColour(additives: readonly Additive[] | null | undefined): string {
  const named = (additives ?? []).flatMap((a) => NAMED.find(([word]) => word.test(a.name ?? ''))?.[1] ?? []);
  return named.at(-1) ?? CLEAR;
}

/** Its colour in a word: what it is called, or clear. */
export const cupWords = (additives: readonly Additive[] | null | undefined): string =>
  (additives ?? []).map((a) => a.name ?? a.kind ?? 'something').join(', ') || 'clear';

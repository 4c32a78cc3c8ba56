import type { Yellowed } from '@warm-jar/core';

const THAN = { 'first-look': 'than at the first look', sample: 'than the untouched sample' } as const;

/** What the measured colour says, before somebody notes it or lets it be. */
export const yellowedWords = ({ deltaB, than }: Yellowed): string =>
  `By the photo it is ${deltaB.toFixed(1)} b* yellower ${THAN[than]}: that is seen side by side.`;

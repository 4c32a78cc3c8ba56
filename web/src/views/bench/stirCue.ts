/** What the hand does next, from so much of the stir on, as a share of the card's minutes. */
const CUES = [
  [1, 'Stirred long enough'],
  [0.67, 'Scrape the bottom'],
  [0.34, 'Scrape the wall'],
  [0, 'Fold, do not whip'],
] as const;

/** A word for the stir. @param elapsedMin since it began; null before */
export function stirCue(elapsedMin: number | null, wantedMin: number): string {
  if (elapsedMin === null) return 'Begin when both parts are in';
  const share = elapsedMin / wantedMin;
  return CUES.find(([from]) => share >= from)?.[1] ?? CUES[3][1];
}

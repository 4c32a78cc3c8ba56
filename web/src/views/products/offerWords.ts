import type { Say } from '@warm-jar/core';
import { inWords } from '../../components/words';
import type { OfferChoice, OfferedFigure } from './sheetOffers';

const SHOWN_DIGITS = 4;
const short = (value: number) => String(Number(value.toPrecision(SHOWN_DIGITS)));

function figureWords({ value, unit }: OfferedFigure, say: Say): string {
  if (typeof value === 'string') return inWords(value);
  if (typeof value !== 'number') return value.map(inWords).join(', ');
  if (unit === 'g/mL') return `${short(value)} ${unit}`;
  return unit === '' || unit === 'parts' || unit === 'Shore' ? short(value) : say(value, unit);
}

/** Figures that stand behind others: the words before them, and how far behind. */
const BEHIND: readonly (readonly [pattern: RegExp, words: string, rank: number])[] = [
  [/\.atC$/, ' at ', 4],
  [/\.massG$/, ' in ', 3],
  [/\.scale$/, ' Shore ', 2],
  [/\.tolerance$/, ' ± ', 1],
  [/^ratio\.by\w+\.b$|^ratio\.powder\.powder$/, ' : ', 1],
  [/\.(?:maxC|maxMm|maxKPa|untilMin)$/, ' to ', 1],
];
const behind = (path: string) => BEHIND.find(([pattern]) => pattern.test(path));
const rankOf = (path: string) => behind(path)?.[2] ?? 0;

/**
 * A choice as people read it: its figures in the units that were chosen, in one line.
 * @param say writes a figure with the unit that was chosen
 */
export const offerWords = ({ figures }: OfferChoice, say: Say): string =>
  [...figures]
    .sort((x, y) => rankOf(x.path) - rankOf(y.path))
    .map((f, at) => `${at === 0 ? '' : (behind(f.path)?.[1] ?? ', ')}${figureWords(f, say)}`)
    .join('');

import type { Factor } from '../formats/vocabulary';
import type { Level } from './tally';

/** Levels that are a recorded figure over its limit, or something done that the card does not ask for. */
const OVER_LIMIT: ReadonlySet<string> = new Set([
  'lot-age past',
  'room cold',
  'room warm',
  'damp over',
  'resin-temperature cold',
  'resin-temperature warm',
  'ratio off',
  'scale coarse',
  'loading over',
  'stir short',
  'pressing late',
  'pressing low',
  'pressing let-go',
  'depth deep',
  'depth shallow',
  'lamp on',
]);

/** Factors that nobody can change for a batch that has to be made: what it is made of, and when. */
const GIVEN: ReadonlySet<Factor> = new Set(['product', 'season', 'time-of-day']);

/** Whether a level is a recorded figure over its limit: that explains before any name does. */
export const isOverLimit = ({ factor, level }: Level): boolean => OVER_LIMIT.has(`${factor} ${level}`);

/** Whether a studio can act on it. */
export const isActionable = ({ factor }: Level): boolean => !GIVEN.has(factor);

import type { Factor } from '../formats/vocabulary';
import type { Level } from './logNames';

/** Levels that are a recorded figure over its limit, or something done that the card does not ask for. */
export const OVER_LIMITS: readonly Level[] = [
  { factor: 'lot-age', level: 'past' },
  { factor: 'room', level: 'cold' },
  { factor: 'room', level: 'warm' },
  { factor: 'damp', level: 'over' },
  { factor: 'resin-temperature', level: 'cold' },
  { factor: 'resin-temperature', level: 'warm' },
  { factor: 'ratio', level: 'off' },
  { factor: 'scale', level: 'coarse' },
  { factor: 'loading', level: 'over' },
  { factor: 'stir', level: 'short' },
  { factor: 'pressing', level: 'late' },
  { factor: 'pressing', level: 'low' },
  { factor: 'pressing', level: 'let-go' },
  { factor: 'depth', level: 'deep' },
  { factor: 'depth', level: 'shallow' },
  { factor: 'lamp', level: 'on' },
];
const OVER_LIMIT: ReadonlySet<string> = new Set(OVER_LIMITS.map(({ factor, level }) => `${factor} ${level}`));

/** Factors that nobody can change for a batch that has to be made: what it is made of, and when. */
const GIVEN: ReadonlySet<Factor> = new Set(['product', 'season', 'time-of-day']);

/** Whether a level is a recorded figure over its limit: that explains before any name does. */
export const isOverLimit = ({ factor, level }: Level): boolean => OVER_LIMIT.has(`${factor} ${level}`);

/** Whether a studio can act on it. */
export const isActionable = ({ factor }: Level): boolean => !GIVEN.has(factor);

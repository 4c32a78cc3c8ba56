import { binomialAtLeast } from './binomial';

/** An attempt of a series, in the order they were made. */
export interface Attempt {
  readonly code: string;
  readonly worst: number | null;
  readonly changes: readonly string[];
}

export interface SeriesTrend {
  readonly trend: 'better' | 'worse' | 'level' | 'too-few';
  readonly says: string;
}

/** Attempts looked at before they make a trend. */
const MIN_LOOKED_AT = 3;
/** More than this, and so few steps one way could be chance. */
const COULD_BE_CHANCE = 0.1;

/** Whether attempts one after the other get better, by the sign of their steps. */
export function seriesTrend(attempts: readonly Attempt[]): SeriesTrend {
  const seen = attempts.flatMap((a) => (a.worst === null ? [] : [a.worst]));
  if (seen.length < MIN_LOOKED_AT)
    return { trend: 'too-few', says: `${seen.length} of ${attempts.length} looked at; three make a trend.` };
  const steps = seen
    .slice(1)
    .map((v, i) => Math.sign(v - seen[i]!))
    .filter((s) => s !== 0);
  if (steps.length === 0) return { trend: 'level', says: 'It stays as it was.' };
  const change = seen.at(-1)! - seen[0]!;
  if (change === 0) return { trend: 'level', says: 'It ends as it began.' };
  const down = steps.filter((s) => s < 0).length;
  const p = binomialAtLeast(Math.max(down, steps.length - down), steps.length, 0.5);
  const doubt = p > COULD_BE_CHANCE ? ', though so few steps could be chance' : '';
  return {
    trend: change < 0 ? 'better' : 'worse',
    says: `${change < 0 ? 'Less' : 'More'} from the first to the last${doubt}.`,
  };
}

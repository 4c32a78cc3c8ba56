import { judgeSpot } from '../../learning/sameSpot';
import type { CaseFacts } from '../caseFacts';
import type { Cause } from '../cause';
import { recordedWord, type MaybeEvidence } from '../evidence';
import { pointsFor } from '../weight';

/** A place that fails no oftener than this by chance speaks for the mould. */
const EVEN_CHANCE = 0.05;

/** Decibans for the mould, by the same judgement and in the same words as its own page. */
function recurrenceEvidence({ history }: CaseFacts): MaybeEvidence {
  const spot = history.sameSpot;
  if (!spot || spot.pulls <= 0) return null;
  const { times, pulls } = spot;
  const own = judgeSpot(times, pulls);
  const byChance = typeof spot['byChance'] === 'number' ? spot['byChance'] : own.byChance;
  const says = typeof spot['says'] === 'string' ? spot['says'] : own.says;
  const decibans = 10 * Math.log10(EVEN_CHANCE / Math.max(byChance, 1e-9));
  return {
    field: 'mould.code',
    measured: times,
    limit: null,
    unit: '',
    points: times === 1 ? 0 : Math.max(-10, Math.min(16, decibans)),
    says,
  };
}

/** Pulls after which a mould is plainly worn, where nobody named its life. */
const WORN_PULLS = 40;

export const mouldFlaw: Cause = {
  id: 'mould-flaw',
  title: 'The mould itself',
  prior: {
    bubbles: {
      'same-spot': 0.8,
      'corners-and-undersides': 0.06,
      'large-voids': 0.05,
      'surface-pimples': 0.05,
      unspecified: 0.04,
    },
    haze: { 'frosted-skin': 0.2, unspecified: 0.1 },
    mark: { 'same-spot': 0.85, 'seam-or-flash': 0.3, unspecified: 0.2 },
    tacky: { 'where-it-touched': 0.05 },
  },
  evidence: [
    recurrenceEvidence,
    ({ batch }) =>
      batch.mould?.pulls == null
        ? null
        : {
            field: 'mould.pulls',
            measured: batch.mould.pulls,
            limit: null,
            unit: '',
            points: pointsFor((batch.mould.pulls - WORN_PULLS) / WORN_PULLS, { slope: 4, most: 4, least: 2 }),
            says: `The mould had ${batch.mould.pulls} pulls.`,
          },
    (f) =>
      recordedWord('mould.clean', f.batch.mould?.clean, (clean) =>
        clean ? { points: -1, says: 'The mould was clean.' } : { points: 4, says: 'The mould was not clean.' },
      ),
  ],
  prevention: () => [
    'Look at that place of the mould with a glass, mark it on its outline, and mend or make it again.',
    'Pull another resin from the same mould: if the fault comes too, it is the mould.',
  ],
};

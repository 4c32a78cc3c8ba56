import type { CaseFacts } from '../caseFacts';
import type { Cause } from '../cause';
import { recordedWord, type MaybeEvidence } from '../evidence';
import { pointsFor } from '../weight';

/** Share of pulls in which the same place would fail by chance. */
const BY_CHANCE = 0.05;

/** Decibans for the mould by the binomial likelihood of so many of so many pulls, against chance. */
function recurrenceEvidence({ history }: CaseFacts): MaybeEvidence {
  const spot = history.sameSpot;
  if (!spot || spot.pulls <= 0) return null;
  const { times, pulls } = spot;
  const rate = Math.min(0.95, Math.max(0.3, times / pulls));
  const ratio = times * Math.log10(rate / BY_CHANCE) + (pulls - times) * Math.log10((1 - rate) / (1 - BY_CHANCE));
  return {
    field: 'mould.code',
    measured: times,
    limit: null,
    unit: '',
    points: Math.max(-10, Math.min(16, 10 * ratio)),
    says: `The same place failed in ${times} of this mould's last ${pulls} pulls.`,
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
    haze: { unspecified: 0.1 },
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

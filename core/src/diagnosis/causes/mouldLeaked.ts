import type { Cause } from '../cause';
import { recordedWord, type MaybeEvidence } from '../evidence';
import type { CaseFacts } from '../caseFacts';
import { pointsFor } from '../weight';

/** A level that fell by this before gel has run out somewhere, mm; less is resin drawing down. */
const PLAIN_FALL_MM = 1;

function levelEvidence({ batch, say }: CaseFacts): MaybeEvidence {
  const lost = batch.pour?.levelLostMm;
  if (lost == null) return null;
  return {
    field: 'pour.levelLostMm',
    measured: lost,
    limit: null,
    unit: 'mm',
    points: pointsFor((lost - PLAIN_FALL_MM / 2) / PLAIN_FALL_MM, { slope: 14, most: 11, least: 9 }),
    says: lost > 0 ? `The level fell by ${say(lost, 'mm')} before it gelled.` : 'The level stood until it gelled.',
  };
}

export const mouldLeaked: Cause = {
  id: 'mould-leaked',
  title: 'It ran out of the mould',
  prior: { sink: { unspecified: 0.12 }, mark: { 'seam-or-flash': 0.65, unspecified: 0.2 } },
  evidence: [
    levelEvidence,
    (f) =>
      recordedWord('mould.sealed', f.batch.mould?.sealed, (sealed) =>
        sealed
          ? { points: -5, says: 'Seams and edges were sealed.' }
          : { points: 4, says: 'Seams and edges were not sealed.' },
      ),
  ],
  prevention: () => [
    'Seal seams and the edge, and fill it with water first where it bears that: what drips, runs.',
    'Look under the mould in the first minutes, while it can still be stopped.',
  ],
};

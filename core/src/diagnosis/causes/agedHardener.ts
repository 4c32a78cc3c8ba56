import { batchDay, daysPastDeadline } from '../../limits/lotDates';
import type { Cause } from '../cause';
import { recordedWord, type MaybeEvidence } from '../evidence';
import type { CaseFacts } from '../caseFacts';
import { pointsFor } from '../weight';

/** A hardener this long past its deadline has plainly ambered, days. */
const PLAINLY_OLD_DAYS = 60;

function ageEvidence({ product, batch, readings }: CaseFacts): MaybeEvidence {
  const past = daysPastDeadline(product, batch.lotB, batchDay(batch));
  if (past === null) return null;
  const speaks =
    readings.get('lotB.openedOn')?.state === 'above'
      ? readings.get('lotB.openedOn')
      : (readings.get('lotB.useBy') ?? readings.get('lotB.openedOn'));
  return {
    field: speaks?.field ?? 'lotB.useBy',
    measured: past,
    limit: 0,
    unit: 'days',
    points: pointsFor(past / PLAINLY_OLD_DAYS, { slope: 7, most: 8, least: 4 }),
    says: speaks?.says ?? '',
  };
}

/** What the colour of the hardener in its bottle speaks for; others say nothing. */
const COLOUR_POINTS: Readonly<Partial<Record<string, number>>> = { amber: 10, brown: 10, pale: 2, clear: -9 };

export const agedHardener: Cause = {
  id: 'aged-hardener',
  title: 'Hardener already amber',
  families: ['epoxy', 'polyurethane'],
  prior: { yellowing: { 'whole-part': 0.35, 'centre-of-thick-section': 0.04, unspecified: 0.2 } },
  familyFactor: { epoxy: 1.3 },
  evidence: [
    ageEvidence,
    (f) =>
      recordedWord('lotB.colour', f.batch.lotB?.colour, (colour) => {
        const points = COLOUR_POINTS[colour];
        return points === undefined ? null : { points, says: `The hardener was ${colour} in its bottle.` };
      }),
    (f) =>
      f.seen.afterH <= 48
        ? {
            field: 'checks[].afterH',
            measured: f.seen.afterH,
            limit: null,
            unit: 'h',
            points: 1.5,
            says: 'It was yellow from the start.',
          }
        : null,
  ],
  prevention: () => [
    'Hold the hardener against white paper before it is weighed; keep ambered hardener for dark or opaque pieces.',
    'Buy it in small bottles, and close them at once.',
  ],
};

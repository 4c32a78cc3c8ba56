import { batchDay, daysPastDeadline } from '../../limits/lotDates';
import type { Lot } from '../../formats/batch';
import type { CaseFacts } from '../caseFacts';
import type { Cause } from '../cause';
import { recordedWord, strongest, type MaybeEvidence } from '../evidence';
import { pointsFor } from '../weight';

/** A lot this long past its deadline is plainly old, days. */
const PLAINLY_OLD_DAYS = 45;

function lotEvidence({ product, batch, readings }: CaseFacts, part: 'lotA' | 'lotB'): MaybeEvidence {
  const lot: Lot | null | undefined = batch[part];
  const past = daysPastDeadline(product, lot, batchDay(batch));
  if (past === null) return null;
  const [opened, useBy] = [readings.get(`${part}.openedOn`), readings.get(`${part}.useBy`)];
  const speaks = opened?.state === 'above' || useBy?.measured === null ? opened : useBy;
  return {
    field: speaks?.field ?? `${part}.useBy`,
    measured: past,
    limit: 0,
    unit: 'days',
    points: pointsFor(past / PLAINLY_OLD_DAYS, { slope: 7, most: 10, least: 5 }),
    says: speaks?.says ?? '',
  };
}

const colourEvidence = ({ batch }: CaseFacts) =>
  strongest(
    (['lotA', 'lotB'] as const).map((part) =>
      recordedWord(`${part}.colour`, batch[part]?.colour, (colour) =>
        colour === 'cloudy'
          ? { points: 5, says: `${part === 'lotA' ? 'Part A' : 'Part B'} was cloudy in the bottle.` }
          : null,
      ),
    ),
  );

export const oldOrDampLot: Cause = {
  id: 'old-or-damp-lot',
  title: 'Old or damp lot',
  prior: {
    soft: { 'all-over': 0.1, 'deep-under-skin': 0.05, unspecified: 0.1 },
    tacky: { liquid: 0.04, 'tacky-all-over': 0.08, unspecified: 0.08 },
    bubbles: { 'micro-throughout': 0.08, 'top-foam': 0.12, unspecified: 0.06 },
    haze: { 'cloudy-through': 0.2, 'white-bloom': 0.05, unspecified: 0.12 },
  },
  // An open bottle of isocyanate spoils by the air's water; epoxy keeps.
  familyFactor: { polyurethane: 1.3, epoxy: 0.8 },
  // Foam needs water in an isocyanate; what has aged or gone cloudy in the bottle is soft, or dull, in any family.
  applies: ({ product, seen }) => seen.kind !== 'bubbles' || product.moistureSensitive === true,
  evidence: [(f) => strongest([lotEvidence(f, 'lotA'), lotEvidence(f, 'lotB')]), colourEvidence],
  prevention: ({ product, say }) => [
    product.shelf?.openedMonths != null
      ? `Write the date on a bottle when it is opened, and test a small cup of any that has been open for ${say(product.shelf.openedMonths, 'months')}.`
      : 'Write the date on a bottle when it is opened, and test a small cup of an old one.',
  ],
};

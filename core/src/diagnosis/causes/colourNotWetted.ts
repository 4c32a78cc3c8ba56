import type { Cause } from '../cause';
import type { CaseFacts } from '../caseFacts';
import { recordedWord, strongest, type MaybeEvidence } from '../evidence';
import { pointsFor } from '../weight';

/** A colour stirred for this long after it went in is wetted through, min (studio practice). */
const WETTED_MIN = 1.5;
/** How much each kind clumps: grains and water-based paint do, what dissolves does not. */
const CLUMPS: Partial<Record<string, number>> = {
  powder: 6,
  mica: 4,
  'water-based-paint': 5,
  filler: 4,
  glitter: 1,
  'pigment-paste': -1,
  dye: -7,
  'solvent-ink': -7,
};

/** Of several colours the one that clumps most speaks. */
const kindEvidence = ({ batch }: CaseFacts): MaybeEvidence =>
  strongest(
    (batch.additives ?? []).map((a, i) =>
      recordedWord(`additives[${i}].kind`, a.kind, (kind) => {
        const points = CLUMPS[kind];
        if (points === undefined) return null;
        const what = a.name ?? kind.replaceAll('-', ' ');
        return { points, says: points > 0 ? `${what} has to be wetted through.` : `${what} wets by itself.` };
      }),
    ),
  );

function stirEvidence({ batch, say }: CaseFacts): MaybeEvidence {
  const minutes = batch.mix?.stirAfterColourMin;
  if (minutes == null) return null;
  return {
    field: 'mix.stirAfterColourMin',
    measured: minutes,
    limit: WETTED_MIN,
    unit: 'min',
    points: pointsFor((WETTED_MIN - minutes) / WETTED_MIN, { slope: 8, most: 6, least: 6 }),
    says: `It was stirred ${say(minutes, 'min')} after the colour went in.`,
  };
}

export const colourNotWetted: Cause = {
  id: 'colour-not-wetted',
  title: 'Colour not wetted through',
  prior: { colour: { grainy: 0.75, streaks: 0.3, 'too-weak': 0.2, unspecified: 0.25 } },
  applies: ({ batch }) => batch.additives == null || batch.additives.length > 0,
  evidence: [kindEvidence, stirEvidence],
  prevention: () => [
    'Rub powder into a spoonful of part A first, until it is smooth, then stir that into the rest.',
    'Stir by the clock after the colour too.',
  ],
};

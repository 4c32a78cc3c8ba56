import type { CauseId } from '../formats/vocabulary';
import type { CaseFacts } from './caseFacts';
import type { MaybeEvidence } from './evidence';
import type { QuickTest, TestOutcome } from './quickTest';

const uncured = ({ seen }: CaseFacts) => seen.kind === 'soft' || seen.kind === 'tacky';
const GLOVES = 'Uncured resin sensitises: gloves, and no solvent on skin.';

/** A small cup is judged when it would be let out of a mould; three days where the card does not say. */
const cupTestMin = ({ product }: CaseFacts) => product.demould?.minutes ?? 3 * 24 * 60;

/** Every quick test. Each is data: adding one touches this list alone. */
export const QUICK_TESTS: readonly QuickTest[] = [
  {
    id: 'warm-spoon',
    effortMin: () => 10,
    title: 'Press a warm spoon on it',
    how: 'Warm a spoon in hot water, dry it, press it on the soft place for two minutes, and let the place cool. Push a thumbnail in.',
    why: 'A slow cure goes on where it is warmed; a wrong mix only softens.',
    caution: GLOVES,
    fits: (f) =>
      uncured(f) &&
      f.product.family !== 'uv-acrylate' &&
      f.seen.pattern !== 'liquid' &&
      f.seen.pattern !== 'greasy-film',
    outcomes: [
      {
        id: 'firmer',
        words: 'firmer than around it',
        base: 0.45,
        points: {
          'cold-cure': 7,
          'too-soon': 7,
          'thin-section': 6,
          'catalyst-low': 3,
          'ratio-off': -7,
          'under-mixed': -5,
          'too-much-additive': -5,
          'inhibited-by-contact': -6,
        },
      },
      {
        id: 'same',
        words: 'as soft as before',
        base: 0.55,
        points: {
          'cold-cure': -6,
          'too-soon': -6,
          'thin-section': -5,
          'catalyst-low': -2,
          'ratio-off': 4,
          'under-mixed': 3,
          'too-much-additive': 3,
          'inhibited-by-contact': 4,
        },
      },
    ],
  },
  {
    id: 'cup-scrape',
    effortMin: () => 2,
    title: 'Scrape the cup it was mixed in',
    how: 'Look at what stayed in the mixing cup. Scrape wall and bottom with a blade.',
    why: 'The cup remembers: streaks are poor stirring, a cup that is soft throughout is a wrong mix.',
    caution: GLOVES,
    fits: (f) => uncured(f) && f.product.family !== 'uv-acrylate',
    outcomes: [
      {
        id: 'hard',
        words: 'hard throughout',
        base: 0.4,
        points: {
          'ratio-off': -9,
          'too-much-additive': -7,
          'old-or-damp-lot': -7,
          'catalyst-low': -7,
          'under-mixed': -3,
          'inhibited-by-contact': 6,
          'thin-section': 5,
          'cup-scraped': -2,
          'air-inhibition': 4,
        },
      },
      {
        id: 'streaks',
        words: 'hard, with soft streaks on the wall',
        base: 0.2,
        points: {
          'under-mixed': 8,
          'cup-scraped': 6,
          'ratio-off': -4,
          'cold-cure': -4,
          'too-soon': -4,
          'inhibited-by-contact': -3,
        },
      },
      {
        id: 'soft',
        words: 'soft like the piece',
        base: 0.4,
        points: {
          'ratio-off': 5,
          'too-much-additive': 4,
          'old-or-damp-lot': 4,
          'cold-cure': 3,
          'catalyst-low': 4,
          'too-soon': 2,
          'under-mixed': -4,
          'cup-scraped': -6,
          'inhibited-by-contact': -8,
          'thin-section': -6,
        },
      },
    ],
  },
  {
    id: 'ten-drops',
    effortMin: () => 3,
    title: 'Weigh ten drops',
    how: 'Count ten drops of the colour (or catalyst) into a cup on the fine scale, and compare with what was reckoned for a drop.',
    why: 'A bottle whose drops are heavier than thought has put in more than was counted.',
    caution: 'Catalyst blinds: wrap-around goggles.',
    fits: (f) =>
      (uncured(f) || f.seen.kind === 'cracks') &&
      ((f.batch.additives ?? []).some((a) => a.drops != null || a.massG == null) ||
        f.product.ratio.catalyst?.dropsPerML != null),
    outcomes: [
      {
        id: 'as-reckoned',
        words: 'within a tenth of what was reckoned',
        base: 0.75,
        points: { 'too-much-additive': -4, 'catalyst-low': -3, 'catalyst-high': -3 },
      },
      {
        id: 'heavier',
        words: 'a third heavier or more',
        base: 0.15,
        points: { 'too-much-additive': 7, 'catalyst-high': 6, 'catalyst-low': -5 },
      },
      {
        id: 'lighter',
        words: 'a third lighter or more',
        base: 0.1,
        points: { 'catalyst-low': 7, 'catalyst-high': -5, 'too-much-additive': -4 },
      },
    ],
  },
  {
    id: 'small-cup',
    effortMin: cupTestMin,
    title: 'Mix a small cup of the same lots',
    how: "Weigh 20 g on the fine scale, exactly in ratio, stir for the card's full time, and leave it warm in a dry cup. Judge it at the card's demould time.",
    why: 'The same lots, mixed without a fault: if the fault comes again, it is in the bottles.',
    caution: 'Gloves and ventilation as at any mixing.',
    fits: (f) =>
      f.product.family !== 'uv-acrylate' &&
      (uncured(f) ||
        f.seen.kind === 'haze' ||
        f.seen.kind === 'yellowing' ||
        (f.seen.kind === 'bubbles' && f.product.family === 'polyurethane')),
    outcomes: [
      {
        id: 'sound',
        words: 'it cures sound',
        base: 0.75,
        points: { 'old-or-damp-lot': -9, 'aged-hardener': -8, 'damp-resin': -3, 'ratio-off': 1 },
      },
      {
        id: 'same-fault',
        words: 'the same fault comes again',
        base: 0.15,
        points: {
          'old-or-damp-lot': 9,
          'aged-hardener': 8,
          'damp-resin': 2,
          'ratio-off': -6,
          'under-mixed': -6,
          'too-much-additive': -6,
          'cold-cure': -6,
          'too-soon': -6,
          'inhibited-by-contact': -6,
          'not-cleared': -5,
          'pressure-late': -5,
          'pressure-low': -5,
        },
      },
      {
        id: 'foams',
        words: 'it foams',
        base: 0.1,
        points: { 'old-or-damp-lot': 6, 'damp-resin': 7, 'not-cleared': -5, 'pressure-late': -5, 'pressure-low': -4 },
      },
    ],
  },
  {
    id: 'last-pulls',
    effortMin: () => 3,
    title: 'Look at the last pulls of this mould',
    how: 'Lay the last three pieces from this mould beside it, and look at the same place.',
    why: "A fault that comes again in one place is the mould's, whatever was poured.",
    caution: null,
    fits: (f) =>
      f.batch.mould?.code != null &&
      f.history.sameSpot == null &&
      (f.seen.kind === 'bubbles' || f.seen.kind === 'haze' || f.seen.pattern === 'where-it-touched'),
    outcomes: [
      {
        id: 'there-too',
        words: 'there too',
        base: 0.25,
        points: {
          'mould-flaw': 9,
          'surface-texture': 6,
          'mould-not-degassed': 4,
          'inhibited-by-contact': 4,
          'trapped-by-shape': 2,
          'damp-resin': -5,
          'not-cleared': -4,
          'pressure-late': -5,
          'whipped-air': -5,
          'tin-mould': 3,
        },
      },
      {
        id: 'clean',
        words: 'those are clean',
        base: 0.75,
        points: {
          'mould-flaw': -8,
          'surface-texture': -8,
          'mould-not-degassed': -5,
          'inhibited-by-contact': -5,
          'tin-mould': -4,
        },
      },
    ],
  },
  {
    id: 'water-wipe',
    effortMin: () => 3,
    title: 'Wipe it with warm water',
    how: 'Wipe a place with a cloth and warm water, dry it, and feel it again.',
    why: 'An amine film washes off; resin that has not cured does not.',
    caution: GLOVES,
    fits: (f) => f.product.family === 'epoxy' && (f.seen.kind === 'tacky' || f.seen.kind === 'haze'),
    outcomes: [
      {
        id: 'gone',
        words: 'dry and clear under it',
        base: 0.3,
        points: {
          'amine-blush': 9,
          'ratio-off': -8,
          'under-mixed': -6,
          'cold-cure': -4,
          'too-soon': -5,
          'too-much-additive': -6,
        },
      },
      {
        id: 'stays',
        words: 'as sticky or dull as before',
        base: 0.7,
        points: { 'amine-blush': -9, 'ratio-off': 2, 'under-mixed': 2, 'cold-cure': 1 },
      },
    ],
  },
  {
    id: 'polish-spot',
    effortMin: () => 10,
    title: 'Polish one spot',
    how: 'Sand and polish a spot the size of a coin, wet, and look through it.',
    why: "A haze that polishes away is only skin: the mould's, or a film. One that stays is inside.",
    caution: 'Sand wet or with a dust mask.',
    fits: (f) => f.seen.kind === 'haze',
    outcomes: [
      {
        id: 'clears',
        words: 'it clears',
        base: 0.5,
        points: {
          'surface-texture': 7,
          'tin-mould': 4,
          'amine-blush': 5,
          'damp-resin': -7,
          'mould-flaw': 4,
          'wet-layer-below': -6,
        },
      },
      {
        id: 'stays',
        words: 'the haze is inside',
        base: 0.5,
        points: {
          'surface-texture': -9,
          'tin-mould': -4,
          'amine-blush': -7,
          'damp-resin': 5,
          'mould-flaw': -6,
          'wet-layer-below': 4,
        },
      },
    ],
  },
  {
    id: 'empty-vessel',
    effortMin: () => 15,
    title: 'Press the empty vessel',
    how: 'Close the empty vessel, bring it to the pressure used, shut the valve, and read the gauge again after ten minutes.',
    why: 'A vessel that loses pressure let go before the resin had gelled.',
    caution: 'Within its rating, with a working relief valve; bled to zero before it is opened.',
    fits: (f) => f.seen.kind === 'bubbles' && (f.batch.pressure?.gaugeKPa ?? 0) > 0,
    outcomes: [
      { id: 'holds', words: 'it holds', base: 0.85, points: { 'pressure-let-go': -6 } },
      {
        id: 'falls',
        words: 'it falls',
        base: 0.15,
        points: { 'pressure-let-go': 8, 'pressure-low': 3, 'pressure-late': -2 },
      },
    ],
  },
  {
    id: 'hardener-glass',
    effortMin: () => 2,
    title: 'Look at part B in a clear glass',
    how: 'Pour a finger of part B into a clear glass, and hold it against white paper.',
    why: 'A hardener that has gone amber yellows what it cures.',
    caution: GLOVES,
    fits: (f) =>
      f.seen.kind === 'yellowing' &&
      f.batch.lotB?.colour == null &&
      f.product.family !== 'uv-acrylate' &&
      f.product.family !== 'polyester',
    outcomes: [
      { id: 'clear', words: 'clear or pale', base: 0.8, points: { 'aged-hardener': -8 } },
      {
        id: 'amber',
        words: 'amber or darker',
        base: 0.2,
        points: { 'aged-hardener': 9, overheated: -2, 'light-yellowed': -2 },
      },
    ],
  },
  {
    id: 'cut-open',
    effortMin: () => 10,
    title: 'Cut through the worst place',
    how: 'Saw a spoilt piece, or its sprue, through the thickest place and feel the cut.',
    why: 'Soft inside a hard skin is light that did not reach, or heat that foamed it; even softness is the mix.',
    caution: 'Sand and saw wet or with a dust mask: uncured dust is worse than cured.',
    fits: (f) => (f.seen.kind === 'soft' || f.seen.kind === 'tacky') && f.product.family === 'uv-acrylate',
    outcomes: [
      {
        id: 'soft-inside',
        words: 'soft inside, hard outside',
        base: 0.5,
        points: { 'under-exposed': 8, 'air-inhibition': -7 },
      },
      {
        id: 'sound-inside',
        words: 'hard inside, only the skin sticks',
        base: 0.5,
        points: { 'under-exposed': -8, 'air-inhibition': 7 },
      },
    ],
  },
];

/** The outcome recorded for a test, the latest where it was made twice; null where it was not made. */
export function recordedOutcome(facts: CaseFacts, test: QuickTest): TestOutcome | null {
  const made = (facts.batch.quickTests ?? []).filter((t) => t.test === test.id).at(-1);
  return test.outcomes.find((o) => o.id === made?.outcome) ?? null;
}

/** What the quick tests made so far say of a cause. */
export function quickTestEvidence(cause: CauseId, facts: CaseFacts): MaybeEvidence[] {
  if ((facts.batch.quickTests ?? []).length === 0) return [];
  return QUICK_TESTS.filter((t) => t.fits(facts)).map((test) => {
    const outcome = recordedOutcome(facts, test);
    const points = outcome?.points[cause];
    return outcome && points
      ? {
          field: `quickTests.${test.id}`,
          measured: outcome.words,
          limit: null,
          unit: '',
          points,
          says: `${test.title}: ${outcome.words}.`,
        }
      : null;
  });
}

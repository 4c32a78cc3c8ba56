import type { Factor } from '../formats/vocabulary';

/** A matter on which good people disagree: what each side says, what Warm Jar does, and where the log can tell. */
export interface School {
  readonly id: string;
  readonly title: string;
  readonly sides: readonly { readonly says: string; readonly because: string }[];
  readonly here: string;
  /** What the studio's own log is asked. */
  readonly factors: readonly Factor[];
}

export const SCHOOLS: readonly School[] = [
  {
    id: 'weigh-or-measure',
    title: 'Weigh, or measure by volume',
    sides: [
      { says: 'Weigh', because: 'A scale reads a tenth of a gram; a cup reads a line, and small cups a thick one.' },
      { says: 'Measure', because: 'Some products state a ratio by volume only, and marked cups need no battery.' },
    ],
    here: 'The card says which ratios there are. Weight is offered first for small batches, with the error that the scale’s step makes; the two are never mixed.',
    factors: ['ratio', 'scale'],
  },
  {
    id: 'how-exact',
    title: 'How exact the ratio must be',
    sides: [
      { says: 'To the drop', because: 'What is left over of one part softens the piece for ever.' },
      { says: 'A few grams do not matter', because: 'In a large batch a gram is a small share of it.' },
    ],
    here: 'By share, not by grams: the card’s tolerance, or its family’s where it states none. Below the smallest safe batch the scale alone may miss it.',
    factors: ['ratio'],
  },
  {
    id: 'air',
    title: 'Vacuum, pressure, both, or neither',
    sides: [
      { says: 'Vacuum', because: 'It takes the air out, where there is time for it to rise and break.' },
      { says: 'Pressure', because: 'It needs no time: what is left is pressed too small to see.' },
      { says: 'Vacuum, then pressure', because: 'Each does what the other leaves.' },
      { says: 'Warm and rest', because: 'Warm resin is thin, and bubbles leave by themselves.' },
    ],
    here: 'All four, each with the smallest bubble it should leave, side by side in the plan. Styrene boils under vacuum; resin that has gelled is never helped by pressure.',
    factors: ['route', 'pressing'],
  },
  {
    id: 'scrape',
    title: 'Scrape the cup, or never',
    sides: [
      { says: 'Never when pouring', because: 'What clings to the wall is not mixed.' },
      { says: 'Into a second cup, and stir again', because: 'Then nothing is lost, and all of it is mixed.' },
    ],
    here: 'Both are sound. Scraping straight into the mould is what is flagged.',
    factors: ['stir'],
  },
  {
    id: 'heat',
    title: 'Warm it, or keep heat away',
    sides: [
      { says: 'Warm it', because: 'Warm resin is thin, clears fast and cures through.' },
      { says: 'No heat', because: 'It costs pot life, and what is cast in may not bear it.' },
    ],
    here: 'The plan shows what warmth gains in bubbles and costs in minutes; an inclusion’s own limit is checked.',
    factors: ['resin-temperature', 'room'],
  },
  {
    id: 'demould',
    title: 'When to demould',
    sides: [
      { says: 'By the clock', because: 'The card states it.' },
      { says: 'By feel', because: 'The piece itself knows best.' },
      { says: 'By the witness cup', because: 'The same mix, where a thumbnail may spoil it.' },
    ],
    here: 'The card’s time carried to your temperature, the slab’s own warmth, and the reading. A cup runs ahead of a thin piece: its head start is shown.',
    factors: ['depth', 'season'],
  },
  {
    id: 'damp',
    title: 'Pour on a damp day, or wait',
    sides: [
      { says: 'Pour', because: 'Closed bottles and a quick hand keep the water out.' },
      { says: 'Wait', because: 'Urethane foams and epoxy blushes in damp air.' },
    ],
    here: 'The room’s damp is held against the card, and the dew point against the cold of the piece. Your own log says what a damp day has cost.',
    factors: ['damp', 'season'],
  },
  {
    id: 'lamp',
    title: 'A lamp, or none',
    sides: [
      { says: 'A lamp', because: 'A light-cured film needs it.' },
      { says: 'None', because: 'A base that is not light-stable yellows under it.' },
    ],
    here: 'A lamp cures light-cured resin and no two-part one. Where the base is not light-stable it is said at the step.',
    factors: ['lamp'],
  },
];

const BY_ID = new Map(SCHOOLS.map((school) => [school.id, school]));
/** A school by its id; undefined for none. */
export const schoolOf = (id: string): School | undefined => BY_ID.get(id);

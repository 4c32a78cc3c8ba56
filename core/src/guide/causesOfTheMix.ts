import type { WordsOf } from './causeWords';

/** Causes that lie in the cup: ratio, stirring, dose, age, damp. */
export const CAUSES_OF_THE_MIX: WordsOf<
  | 'ratio-off'
  | 'under-mixed'
  | 'cup-scraped'
  | 'too-much-additive'
  | 'cold-cure'
  | 'too-soon'
  | 'thin-section'
  | 'old-or-damp-lot'
  | 'amine-blush'
  | 'air-inhibition'
  | 'inhibited-by-contact'
  | 'catalyst-low'
  | 'catalyst-high'
  | 'under-exposed'
  | 'whipped-air'
  | 'not-cleared'
  | 'cold-thick-resin'
  | 'damp-resin'
  | 'aged-hardener'
  | 'colour-not-wetted'
  | 'colour-settled'
> = {
  'ratio-off': {
    looks:
      'The whole piece is alike: liquid, sticky or rubbery everywhere, at the thick and the thin places. Too much hardener may show as yellow.',
    how: 'The two parts use each other up in the card’s proportion and in no other. What is left over of either stays in the piece as a softener for ever. Parts swapped, a part forgotten, the volume ratio used on a scale, a scale too coarse for a small cup: each makes it.',
  },
  'under-mixed': {
    looks: 'Streaks and patches: sticky beside hard, veins of clear in cloudy. The last of the cup is worst.',
    how: 'Resin on the wall and in the corner of the cup never met the stirrer. It has the wrong ratio where it lies, although the cup as a whole has the right one.',
  },
  'cup-scraped': {
    looks: 'Spots that stay sticky in sound resin, mostly where the last of the cup went in.',
    how: 'What clings to the wall of the cup is seldom mixed. Scraping it into a second cup and stirring again is sound; scraping it straight into the mould puts unmixed resin there.',
  },
  'too-much-additive': {
    looks: 'Soft or sticky all through, and strongly coloured or filled. A thin skin may hide a soft middle.',
    how: 'Colour and filler take no part in the cure. Beyond the card’s loading they keep the two parts from each other, and liquid colour softens what does cure.',
  },
  'cold-cure': {
    looks:
      'Rubbery or tacky all over, worst where it lay on a cold bench or in a cold mould. Firmer from day to day, slowly.',
    how: 'A cure is a reaction: ten degrees colder takes about twice as long, and far below the card’s range it comes to rest before it is done. Warmth takes it up again.',
  },
  'too-soon': {
    looks: 'Soft or tacky when it was touched, with nothing else wrong. The next reading is harder.',
    how: 'It was judged before its time. The clock counts warm hours as more and cold hours as less, so the label’s hours are those of the label’s temperature.',
  },
  'thin-section': {
    looks: 'Fins, tips and edges are soft while the thick part of the same piece is hard.',
    how: 'A casting warms itself. A thin place loses that warmth to the mould and cures at the room’s temperature, later than the rest.',
  },
  'old-or-damp-lot': {
    looks: 'Soft or tacky, hazy, or foamed, depending on the family; other pieces of the same bottles are too.',
    how: 'Opened bottles take up water and air. What has reacted with those is no longer there to cure, and in a urethane it turns into gas.',
  },
  'amine-blush': {
    looks: 'A greasy or waxy film, sometimes a white bloom, on an epoxy that is hard below. It washes off with water.',
    how: 'In cold damp air part of the hardener at the surface takes up water and carbon dioxide instead of curing. The nearer the room is to its dew point, the more.',
  },
  'air-inhibition': {
    looks: 'Tacky on the side that was open to the air, hard wherever it touched the mould or a film.',
    how: 'Oxygen stops the cure of polyester and of many light-cured resins at the surface. Wax that floats up, a film laid on, or a wash with alcohol deals with it.',
  },
  'inhibited-by-contact': {
    looks: 'A sticky skin just where it touched the mould, the clay or the glove; sound a millimetre in.',
    how: 'Sulfur, tin, latex and some amines stop platinum silicone and some resins from curing where they touch. More time does nothing.',
  },
  'catalyst-low': {
    looks: 'A polyester that stays liquid, soft or tacky, long past its time.',
    how: 'The dose of peroxide starts the cure. Below the card’s band, or low within it in a cold room or a thin piece, it starts too slowly or never.',
  },
  'catalyst-high': {
    looks: 'Cracks, yellowing, or a piece that got too hot to hold and gelled in the cup.',
    how: 'More peroxide makes it gel sooner and hotter. A thick piece in a warm room wants the bottom of the band, not the top.',
  },
  'under-exposed': {
    looks:
      'A hard skin on soft or liquid resin; edges that leak when the mould is opened; worst where it is deep or coloured.',
    how: 'This resin cures only where light reaches. Depth, pigment, a mould wall, a weak or far lamp each take from the dose. Without light it never cures, however long it lies.',
  },
  'whipped-air': {
    looks: 'Fine bubbles all through, alike at the top and the bottom.',
    how: 'Fast stirring, shaking or a lifted stick beats air in. In resin that is thick, small bubbles rise too slowly to leave before it gels.',
  },
  'not-cleared': {
    looks: 'Bubbles of one size and smaller all through, or a foam that stood still at the top.',
    how: 'Air that was stirred in had too little time, warmth or vacuum to leave. How small a bubble clears follows from the depth, the thickness of the resin and the minutes it was really given.',
  },
  'cold-thick-resin': {
    looks: 'Fine bubbles all through after a rest that is long enough on other days.',
    how: 'Cold resin is thick: ten degrees colder may be twice as thick, and bubbles rise half as fast. The pot life it gains does not make up for that.',
  },
  'damp-resin': {
    looks: 'Fine bubbles or foam all through, sometimes cloudy; worse hours after the pour than at it.',
    how: 'The hardener of a urethane reacts with water and gives off gas. Damp air, a wooden stick, water-based colour, an open bottle: each brings water in.',
  },
  'aged-hardener': {
    looks: 'Yellow or amber all through from the first hour, in a product that used to be clear.',
    how: 'Amine hardeners darken in the bottle with age and air. The piece cures; the colour was there before it was mixed.',
  },
  'colour-not-wetted': {
    looks: 'Grains, specks or streaks of colour in sound resin.',
    how: 'Powder clumps, and water-based paint does not go into resin. Wetted with a little resin first and stirred long enough, it spreads.',
  },
  'colour-settled': {
    looks: 'Strong colour at the bottom of the mould, pale above.',
    how: 'Heavy pigment sinks while the resin is thin. A thin, slow resin gives it hours; one that is about to gel gives it none.',
  },
};

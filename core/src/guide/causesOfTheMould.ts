import type { WordsOf } from './causeWords';

/** Causes that lie in the mould, under pressure, in layers, and in what is cast in. */
export const CAUSES_OF_THE_MOULD: WordsOf<
  | 'pressure-late'
  | 'pressure-low'
  | 'pressure-let-go'
  | 'wet-inclusion'
  | 'inclusion-reaction'
  | 'mould-not-degassed'
  | 'trapped-by-shape'
  | 'mould-flaw'
  | 'overheated'
  | 'flame-scorch'
  | 'light-yellowed'
  | 'tin-mould'
  | 'surface-texture'
  | 'wet-layer-below'
  | 'bond-window-missed'
  | 'poor-key'
  | 'shrinkage'
  | 'loose-powder'
  | 'mould-leaked'
  | 'soaked-in'
  | 'layer-contaminated'
  | 'air-under-inclusion'
  | 'over-filled'
> = {
  'pressure-late': {
    looks: 'Fine bubbles all through in a piece that was pressed.',
    how: 'Pressure makes bubbles small and keeps them so only if the resin is still liquid when it is full. Resin that has gelled holds them at the size they had.',
  },
  'pressure-low': {
    looks: 'Fine bubbles all through, a little smaller than without pressure.',
    how: 'A bubble shrinks with the pressure by Boyle’s law. Half the pressure the card asks leaves bubbles that the eye still sees.',
  },
  'pressure-let-go': {
    looks: 'Bubbles all through, or foam, in a piece that was under full pressure in time.',
    how: 'The vessel leaked or was opened before gel. What was pressed small grew again in resin that was still soft.',
  },
  'wet-inclusion': {
    looks: 'Bubbles in a halo round what was cast in; the thing itself may darken or rot later.',
    how: 'Wood, plants and stone hold water and air. The warmth of the cure drives both out into the resin that is setting round them.',
  },
  'inclusion-reaction': {
    looks: 'What was cast in changes colour or shape at once, or yellows the resin round it.',
    how: 'A dye, a preservative or the stuff itself does not get on with this resin. The same thing in another family may be fine.',
  },
  'mould-not-degassed': {
    looks: 'Small pimples standing out of the surface, each where the mould has a bubble behind its skin.',
    how: 'Bubbles in the rubber give way when a piece is pressed in it. The resin follows into each and sets there.',
  },
  'trapped-by-shape': {
    looks: 'Few large voids, under overhangs and in corners.',
    how: 'Air that cannot get out is shut in by the shape: an undercut, a corner, a mould that was not tilted, a pour too fast for the air to leave.',
  },
  'mould-flaw': {
    looks: 'The same mark or void in the same spot, pull after pull.',
    how: 'The mould itself has it: a nick, a tear, a bubble that has come open. Nothing in the cup changes it.',
  },
  overheated: {
    looks: 'Yellow or brown in the middle of the thickest part, cracks, foam; the piece was hot.',
    how: 'A cure gives off heat, and thick resin keeps it in. Depth, mass and a warm mould together take it past what the card allows.',
  },
  'flame-scorch': {
    looks: 'Yellow and rippled where the torch went, sometimes sticky.',
    how: 'A flame is to break bubbles at the surface in a pass of a second. Held longer it burns the resin, and can set it alight.',
  },
  'light-yellowed': {
    looks: 'Yellow on the side that saw the lamp or the sun; clear where it was covered.',
    how: 'A base that is not light-stable yellows in ultraviolet light. “UV resistant” on a label is about this, and says nothing of curing by a lamp.',
  },
  'tin-mould': {
    looks: 'A foggy skin on clear urethane, clear inside.',
    how: 'Tin-cured rubber gives off alcohol. It fogs clear urethane that is cast in it, until the alcohol has left the mould.',
  },
  'surface-texture': {
    looks: 'Dull or frosted evenly, as the master was; clear once it is wetted.',
    how: 'The resin copies the mould and the mould copied the master. Nothing has failed: a rough master makes a frosted piece.',
  },
  'wet-layer-below': {
    looks: 'A bulge, bubbles or a lifted layer, days after a layer was poured over a water-based one.',
    how: 'A mineral casting is hard long before it is dry. Sealed in, its water has nowhere to go but up.',
  },
  'bond-window-missed': {
    looks: 'A layer that parts cleanly from the one below, along a flat face.',
    how: 'Fresh resin bonds to resin that is still reacting. Once that has hardened it holds only to what was sanded.',
  },
  'poor-key': {
    looks: 'A layer that peels off another material in one piece.',
    how: 'Some pairs do not hold: anything on silicone, a water-based mix on cured epoxy or polyester, a light-cured film on resin that is greasy or not yet cured.',
  },
  shrinkage: {
    looks: 'The face has sunk, deepest over the thickest part, and the edge stands up.',
    how: 'Resin takes less room cured than liquid. It draws down its open face unless it is topped up while it still bonds.',
  },
  'loose-powder': {
    looks: 'Colour that comes off on a cloth, or a film that flakes.',
    how: 'Powder that was dusted on dry and never wetted by resin is held by nothing.',
  },
  'mould-leaked': {
    looks: 'A level that fell early, resin under the mould or at a seam.',
    how: 'A seam or an edge let it out before gel. What is left has the right mix and too little of it.',
  },
  'soaked-in': {
    looks: 'Dry patches, a sunken face or bubbles on wood, plant, paper or fabric.',
    how: 'A porous thing drinks resin and gives its air for it. A sealing coat, set first, stops both.',
  },
  'layer-contaminated': {
    looks: 'A layer that lifts in places, with a shiny or greasy face between.',
    how: 'Wax, dust, release, a fingerprint or blush lay between the two. Resin bonds to what it touches first.',
  },
  'air-under-inclusion': {
    looks: 'Voids under or beside what was cast in, and nowhere else.',
    how: 'A thing laid in carries air beneath it. Laid in at a slant and moved once, it lets go; pressed down flat, it keeps it.',
  },
  'over-filled': {
    looks: 'A thin rim of resin over the edge of the mould.',
    how: 'More was poured than the cavity holds, or what was laid in pushed it up.',
  },
};

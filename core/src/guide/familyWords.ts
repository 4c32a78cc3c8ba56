import type { Family } from '../formats/vocabulary';

/** A family of products on a page of the guide. */
export interface FamilyWords {
  readonly title: string;
  readonly cures: string;
  readonly ratio: string;
  readonly spoils: string;
  /** What it never does, whatever is tried. */
  readonly never: readonly string[];
  readonly caution: string;
}

const SENSITISES = 'Uncured resin and hardener sensitise the skin for life: gloves, and air that moves.';

export const FAMILY_WORDS: Readonly<Record<Family, FamilyWords>> = {
  epoxy: {
    title: 'Epoxy',
    cures:
      'Two parts that react with each other, over hours to days, with heat of their own. Deep-casting grades are slow and thin, coating grades fast and thick.',
    ratio: 'By weight or by volume, and the two numbers differ: the densities tie them. The card says which there are.',
    spoils: 'A wrong ratio, a cold room, damp cold air at the surface (blush), a pour too deep for its grade.',
    never: [
      'It never catches up on a wrong ratio.',
      'No lamp cures it: a lamp can only yellow it.',
      'It is not proof against light unless the card says so: “UV resistant” is about yellowing.',
    ],
    caution: SENSITISES,
  },
  polyurethane: {
    title: 'Polyurethane',
    cures: 'Two parts that react with each other, often within minutes. Clear grades are cast under pressure.',
    ratio: 'Usually by weight, with a tolerance of a few per cent.',
    spoils:
      'Water, from wherever: damp air, a wooden stick, a wet filler, water-based colour, a bottle left open. It turns into gas.',
    never: [
      'It never forgives water: a foam does not go back.',
      'No lamp cures it.',
      'Pressure that comes after gel never helps.',
    ],
    caution: 'Its hardener is an isocyanate: it sensitises the lungs. Local codes say how it is ventilated.',
  },
  polyester: {
    title: 'Polyester',
    cures: 'Started by a small dose of peroxide, then by its own heat. It looks hazy when it is first mixed.',
    ratio: 'A few per cent of catalyst within the card’s band: less when it is warm or thick, more when cold or thin.',
    spoils: 'A dose outside the band, a surface open to the air without wax or film, a vacuum (its styrene boils).',
    never: [
      'It never cures at an open face without wax or film.',
      'It never fills its mould once cured: it shrinks the most of all.',
      'Catalyst and accelerator are never mixed with each other.',
    ],
    caution:
      'Peroxide and accelerator together can explode; styrene burns and harms. Keep them apart, and the air moving.',
  },
  'uv-acrylate': {
    title: 'Light-cured acrylate',
    cures: 'By light, in seconds to minutes, and only where light reaches.',
    ratio: 'One part: there is no ratio.',
    spoils: 'Depth, pigment, a mould that light does not pass, a weak or distant lamp, air at the surface.',
    never: [
      'Without light it never cures, however long it lies.',
      'Stirring longer and waiting never help.',
      'Where light cannot reach it stays liquid for ever: it has to be cut out.',
    ],
    caution: 'Never look into the lamp. Uncured resin sensitises the skin.',
  },
  'mineral-acrylic': {
    title: 'Mineral-acrylic (water-based)',
    cures: 'Liquid and powder set in minutes; the water then leaves over a day or more.',
    ratio: 'Liquid to powder by weight.',
    spoils: 'Sealing it before it is dry, drying it hot, a wooden base that drinks its water.',
    never: [
      'Hard is never the same as dry: weigh it until it stays the same.',
      'It is never cured hot.',
      'Nothing that is sealed over damp stays down.',
    ],
    caution: 'Powder in the air harms the lungs: a mask while it is poured out.',
  },
  silicone: {
    title: 'Silicone (moulds)',
    cures: 'Two parts, by platinum or by tin; the two are never mixed.',
    ratio: 'By weight.',
    spoils: 'Sulfur, tin, latex and some amines stop platinum grades. Bubbles left in the rubber print under pressure.',
    never: [
      'Nothing sticks to it but silicone.',
      'Raw rubber on the master never cures later: it is wiped off and made again.',
      'A tin mould never suits clear urethane until its alcohol has left.',
    ],
    caution: 'Release and raw rubber on a floor are slippery; read the data sheet of what you clean with.',
  },
};

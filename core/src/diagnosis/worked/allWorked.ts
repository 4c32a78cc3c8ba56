import { CONFUSABLE } from './confusable';
import { EDGES_AND_COLOUR } from './edgesAndColour';
import { MARKS_AND_HAZE } from './marksAndHaze';
import { MIX_AND_AIR } from './mixAndAir';
import { MOULD_AND_LAYERS } from './mouldAndLayers';
import type { Worked } from './worked';

/** Every worked record: the rules of the causes were made by them. */
export const WORKED: readonly Worked[] = [
  ...MIX_AND_AIR,
  ...MOULD_AND_LAYERS,
  ...EDGES_AND_COLOUR,
  ...MARKS_AND_HAZE,
  ...CONFUSABLE,
];

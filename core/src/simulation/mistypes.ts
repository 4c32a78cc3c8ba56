import { batchSchema, type Batch } from '../formats/batch';
import type { Chance } from './chance';
import { overlay } from './soundBatch';

/** Parts of the record that people type figures and answers into. */
const TYPED_SECTIONS = ['room', 'resin', 'mix', 'degas', 'pour', 'pressure', 'mould', 'cure', 'layerBelow'] as const;

/** Digits of a figure with two neighbours changed about: 62 for 26. Figures of one digit stay. */
function swapped(value: number, chance: Chance): number {
  const digits = String(Math.round(value * 10) / 10).split('');
  const places = digits.flatMap((d, i) => (/\d/.test(d) && /\d/.test(digits[i + 1] ?? '') ? [i] : []));
  if (places.length === 0) return value;
  const at = chance.pick(places);
  return Number([...digits.slice(0, at), digits[at + 1], digits[at], ...digits.slice(at + 2)].join(''));
}

/** A figure as a hurried hand writes it: its point in the wrong place, or two digits changed about. */
function mistypedFigure(value: number, chance: Chance): number {
  const slip = chance.pick(['ten-times', 'a-tenth', 'swapped'] as const);
  if (slip === 'swapped') return swapped(value, chance);
  return slip === 'ten-times' ? value * 10 : value / 10;
}

function mistypedValue(value: unknown, chance: Chance): unknown {
  if (typeof value === 'number') return value === 0 ? value : mistypedFigure(value, chance);
  return typeof value === 'boolean' ? !value : value;
}

/**
 * A record in which each figure and each yes or no is wrong by the same chance. What the format would refuse was
 * noticed when it was typed, and stays right.
 */
export function withMistypes(batch: Batch, chance: Chance, share: number): Batch {
  let written = batch;
  for (const section of TYPED_SECTIONS) {
    for (const [key, value] of Object.entries(batch[section] ?? {})) {
      if (!chance.flip(share)) continue;
      const tried = batchSchema.safeParse(overlay(written, { [section]: { [key]: mistypedValue(value, chance) } }));
      if (tried.success) written = tried.data;
    }
  }
  return written;
}

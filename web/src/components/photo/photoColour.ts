import { CoreError, castColour, type CheckPhoto, type Srgb } from '@warm-jar/core';

export type PickName = 'card' | 'cast' | 'sample';
export type Place = { readonly x: number; readonly y: number };
export type Picks = Readonly<Partial<Record<PickName, Place>>>;
export type PhotoColour = NonNullable<CheckPhoto['colour']>;

export const PICK_WORDS: Record<PickName, string> = { card: 'White card', cast: 'Cast', sample: 'Untouched sample' };

const round = (v: number) => Math.round(v * 100) / 100;

/** The colour from the patches picked, or a sentence on what to do about them. */
export function colourOf(patches: { readonly card: Srgb; readonly cast: Srgb; readonly sample: Srgb | null }): {
  colour: PhotoColour | null;
  problem: string | null;
} {
  try {
    const cast = castColour(patches.cast, patches.card);
    const sample = patches.sample && castColour(patches.sample, patches.card);
    return {
      problem: null,
      colour: {
        cast: [...patches.cast],
        card: [...patches.card],
        ...(patches.sample ? { sample: [...patches.sample] as [number, number, number] } : {}),
        b: round(cast.b),
        yellownessIndex: round(cast.yellownessIndex),
        againstSample: sample ? round(cast.b - sample.b) : null,
      },
    };
  } catch (error) {
    if (error instanceof CoreError) return { colour: null, problem: error.message };
    throw error;
  }
}

import { CoreError, castColour, samePatch, type CheckPhoto, type Srgb } from '@warm-jar/core';
import type { Place } from '../useCross';

export type PickName = 'card' | 'cast' | 'sample';
export type Picks = Readonly<Partial<Record<PickName, Place>>>;
export type PhotoColour = NonNullable<CheckPhoto['colour']>;

export const PICK_WORDS: Record<PickName, string> = { card: 'White card', cast: 'Cast', sample: 'Untouched sample' };

const round = (v: number) => Math.round(v * 100) / 100;

/** What is wrong with a pick beside those there are; null where nothing is. */
export function pickProblem(picks: Picks, name: PickName, place: Place): string | null {
  const same = (Object.entries(picks) as [PickName, Place][]).find(
    ([other, at]) => other !== name && samePatch(at, place),
  );
  return same ? `${PICK_WORDS[name]} and ${PICK_WORDS[same[0]].toLowerCase()} are the same place. Pick another.` : null;
}

/** The picks that a photo keeps. */
export const picksOf = ({ picks }: CheckPhoto): Picks =>
  Object.fromEntries(
    (['card', 'cast', 'sample'] as const).flatMap((name) => {
      const at = picks?.[name];
      return at ? [[name, { x: at.x, y: at.y }]] : [];
    }),
  );

/** The colour from the patches picked, or a sentence on what to do about them. */
export function colourOf(patches: {
  readonly from?: 'file' | 'kept';
  readonly card: Srgb;
  readonly cast: Srgb;
  readonly sample: Srgb | null;
}): {
  colour: PhotoColour | null;
  problem: string | null;
} {
  try {
    const cast = castColour(patches.cast, patches.card);
    const sample = patches.sample && castColour(patches.sample, patches.card);
    return {
      problem: null,
      colour: {
        ...(patches.from ? { from: patches.from } : {}),
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

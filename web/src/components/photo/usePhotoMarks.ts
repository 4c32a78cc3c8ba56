import type { CheckPhoto } from '@warm-jar/core';
import { computed, ref, type Ref } from 'vue';
import { photoAddress } from '../../api/shelf';
import { readPatches } from '../../workers/readPatches';
import { colourOf, type PickName, type Picks, type Place } from './photoColour';

export type PhotoTool = 'mark' | PickName;

/** What a tap on a photo does: marks a place, or picks a patch whose colour is then measured by the white card. */
export function usePhotoMarks(photo: Ref<CheckPhoto>, change: (photo: CheckPhoto) => void) {
  const tool = ref<PhotoTool>('mark');
  const picks = ref<Picks>({});
  const problem = ref<string | null>(null);
  const measuring = ref(false);
  const marks = computed(() => photo.value.marks ?? []);

  async function measure(): Promise<void> {
    const { card, cast, sample } = picks.value;
    if (!card || !cast) return;
    measuring.value = true;
    const patches = await readPatches(photoAddress(photo.value.id), [card, cast, ...(sample ? [sample] : [])]);
    measuring.value = false;
    if (!patches?.[0] || !patches[1]) {
      problem.value = 'The photo could not be read. Add it again.';
      return;
    }
    const found = colourOf({ card: patches[0], cast: patches[1], sample: patches[2] ?? null });
    problem.value = found.problem;
    change({ ...photo.value, colour: found.colour });
  }

  async function tapped(place: Place): Promise<void> {
    if (tool.value === 'mark') {
      change({ ...photo.value, marks: [...marks.value, { ...place, says: null }] });
      return;
    }
    picks.value = { ...picks.value, [tool.value]: place };
    // After the card comes the cast, as one does it.
    if (tool.value === 'card' && !picks.value.cast) tool.value = 'cast';
    await measure();
  }
  const unmark = (index: number) => {
    change({ ...photo.value, marks: marks.value.filter((_, i) => i !== index) });
  };
  const say = (index: number, says: string) => {
    change({ ...photo.value, marks: marks.value.map((m, i) => (i === index ? { ...m, says: says || null } : m)) });
  };
  return { tool, picks, problem, measuring, marks, tapped, unmark, say };
}

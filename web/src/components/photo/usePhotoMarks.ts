import type { CheckPhoto } from '@warm-jar/core';
import { computed, ref, type Ref } from 'vue';
import { photoAddress } from '../../api/shelf';
import { readPatches } from '../../workers/readPatches';
import type { Place } from '../useCross';
import { chosenFile } from './chosenFiles';
import { colourOf, pickProblem, picksOf, type PickName } from './photoColour';

export type PhotoTool = 'mark' | PickName;

/** What a tap on a photo does: marks a place, or picks a patch whose colour is then measured by the white card. */
export function usePhotoMarks(photo: Ref<CheckPhoto>, change: (photo: CheckPhoto) => void) {
  const tool = ref<PhotoTool>('mark');
  const problem = ref<string | null>(null);
  const measuring = ref(false);
  const marks = computed(() => photo.value.marks ?? []);
  const picks = computed(() => picksOf(photo.value));

  /** Measures what is picked: on the file as it was chosen while this page has it, else on the copy that is kept. */
  async function measure(picked: CheckPhoto): Promise<void> {
    const { card, cast, sample } = picksOf(picked);
    if (!card || !cast) return;
    const file = chosenFile(picked.id);
    measuring.value = true;
    const patches = await readPatches(file ?? photoAddress(picked.id), [card, cast, ...(sample ? [sample] : [])]);
    measuring.value = false;
    if (!patches?.[0] || !patches[1]) {
      problem.value = 'The photo could not be read. Add it again.';
      return;
    }
    const [own, white, untouched] = [patches[1], patches[0], patches[2] ?? null];
    const found = colourOf({ card: white, cast: own, sample: untouched, from: file ? 'file' : 'kept' });
    problem.value = found.problem;
    change({ ...picked, colour: found.colour });
  }

  async function pick(name: PickName, place: Place): Promise<void> {
    problem.value = pickProblem(picks.value, name, place);
    if (problem.value) return;
    const picked: CheckPhoto = { ...photo.value, picks: { ...picks.value, [name]: place } };
    change(picked);
    // After the card comes the cast, as one does it.
    if (name === 'card' && !picks.value.cast) tool.value = 'cast';
    await measure(picked);
  }
  async function tapped(place: Place): Promise<void> {
    if (tool.value !== 'mark') return pick(tool.value, place);
    change({ ...photo.value, marks: [...marks.value, { ...place, says: null }] });
  }
  const unmark = (index: number) => {
    change({ ...photo.value, marks: marks.value.filter((_, i) => i !== index) });
  };
  const remark = (index: number, changed: Partial<NonNullable<CheckPhoto['marks']>[number]>) => {
    change({ ...photo.value, marks: marks.value.map((m, i) => (i === index ? { ...m, ...changed } : m)) });
  };
  return { tool, picks, problem, measuring, marks, tapped, pick, unmark, remark };
}

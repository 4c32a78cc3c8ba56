import type { CheckPhoto } from '@warm-jar/core';
import { computed, ref, type Ref } from 'vue';
import { photoAddress } from '../../api/shelf';
import { readPatches } from '../../workers/readPatches';
import type { Place } from '../useCross';
import { chosenFile } from './chosenFiles';
import { colourOf, pickProblem, picksOf, type PickName } from './photoColour';

export type PhotoTool = 'mark' | PickName;

/**
 * What a tap on a photo does: marks a place, or picks a patch whose colour is then measured by the white card.
 * @param read the colours of some places of a photo
 */
export function usePhotoMarks(photo: Ref<CheckPhoto>, change: (photo: CheckPhoto) => void, read = readPatches) {
  const tool = ref<PhotoTool>('mark');
  const problem = ref<string | null>(null);
  const measuring = ref(false);
  const marks = computed(() => photo.value.marks ?? []);
  const picks = computed(() => picksOf(photo.value));

  /** Which of the measurements is the latest: one that was overtaken tells of picks that are others by now. */
  let latest = 0;

  /** Measures what is picked: on the file as it was chosen while this page has it, else on the copy that is kept. */
  async function measure(picked: CheckPhoto): Promise<void> {
    latest += 1;
    const own = latest;
    const { card, cast, sample } = picksOf(picked);
    if (!card || !cast) return;
    const file = chosenFile(picked.id);
    measuring.value = true;
    const patches = await read(file ?? photoAddress(picked.id), [card, cast, ...(sample ? [sample] : [])]);
    if (own !== latest) return;
    measuring.value = false;
    if (!patches?.[0] || !patches[1]) {
      problem.value = 'The photo could not be read. Add it again.';
      return;
    }
    const [white, ofCast, untouched] = [patches[0], patches[1], patches[2] ?? null];
    const found = colourOf({ card: white, cast: ofCast, sample: untouched, from: file ? 'file' : 'kept' });
    problem.value = found.problem;
    // Beside what was marked meanwhile.
    if (found.colour || photo.value.colour) change({ ...photo.value, colour: found.colour });
  }

  // Left before its colour was told: another photo was looked at, or the page was loaded again.
  if (!photo.value.colour) void measure(photo.value);

  async function pick(name: PickName, place: Place): Promise<void> {
    problem.value = pickProblem(picks.value, name, place);
    if (problem.value) return;
    // What was measured is not of these picks.
    const none = photo.value.colour ? { colour: null } : {};
    const picked: CheckPhoto = { ...photo.value, ...none, picks: { ...picks.value, [name]: place } };
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

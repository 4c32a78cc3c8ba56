import { causeTitle } from '../diagnosis/catalogue';
import { FAMILIES } from '../formats/vocabulary';
import { CAUSES_OF_THE_MIX } from './causesOfTheMix';
import { CAUSES_OF_THE_MOULD } from './causesOfTheMould';
import type { CauseWords, GuidedCause } from './causeWords';
import { FAMILY_WORDS } from './familyWords';
import { SCHOOLS } from './schools';
import { TERMS } from './terms';
import { byText } from '../formats/byText';

/** What a page of the guide is about. */
export const GUIDE_PARTS = ['causes', 'families', 'schools', 'words'] as const;
export type GuidePart = (typeof GUIDE_PARTS)[number];

/** A page of the guide, as lists and the search name it. */
export interface GuideEntry {
  readonly part: GuidePart;
  readonly id: string;
  readonly title: string;
  /** All that is searched. */
  readonly text: string;
}

const entry = (part: GuidePart, id: string, title: string, ...texts: readonly string[]): GuideEntry => ({
  part,
  id,
  title,
  text: [title, id.replaceAll('-', ' '), ...texts].join(' ').toLowerCase(),
});

/** Every page of the guide. */
export const GUIDE_ENTRIES: readonly GuideEntry[] = [
  ...(Object.entries({ ...CAUSES_OF_THE_MIX, ...CAUSES_OF_THE_MOULD }) as [GuidedCause, CauseWords][]).map(
    ([id, { looks, how }]) => entry('causes', id, causeTitle(id), looks, how),
  ),
  ...FAMILIES.map((id) => {
    const { title, cures, ratio, spoils, never } = FAMILY_WORDS[id];
    return entry('families', id, title, cures, ratio, spoils, ...never);
  }),
  ...SCHOOLS.map(({ id, title, sides, here }) =>
    entry('schools', id, title, here, ...sides.flatMap((s) => [s.says, s.because])),
  ),
  ...TERMS.map(({ id, term, says }) => entry('words', id, term, says)),
];

/**
 * The pages that hold all of some words; those with them in their title first.
 * @param words as typed; none finds none
 */
export function findInGuide(words: string): GuideEntry[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  if (wanted.length === 0) return [];
  const inTitle = ({ title }: GuideEntry) => wanted.filter((w) => title.toLowerCase().includes(w)).length;
  return GUIDE_ENTRIES.filter(({ text }) => wanted.every((w) => text.includes(w))).sort(
    (a, b) => inTitle(b) - inTitle(a) || byText(a.title, b.title),
  );
}

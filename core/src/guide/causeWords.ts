import { CAUSE_IDS, type CauseId } from '../formats/vocabulary';

/** What the guide says of a cause beside what the catalogue knows: how the cast looks, and how it comes about. */
export interface CauseWords {
  readonly looks: string;
  readonly how: string;
}
/** A cause that has a page: all but what the catalogue does not know. */
export type GuidedCause = Exclude<CauseId, 'something-else'>;
export type WordsOf<K extends GuidedCause> = Readonly<Record<K, CauseWords>>;

/** Whether a cause has a page: all have but what the catalogue does not know. */
export const isGuidedCause = (id: string): id is GuidedCause =>
  id !== 'something-else' && (CAUSE_IDS as readonly string[]).includes(id);

import type { RouteLocationRaw } from 'vue-router';
import type { WorkItem } from '../stores/urgency';

/** Jars that fit the height of a bench screen without scrolling past the new one. */
const MAX_JARS = 9;

/** The jars on the shelf, most urgent first. */
export const shelfJars = (items: readonly WorkItem[]): readonly WorkItem[] => items.slice(0, MAX_JARS);

/** A jar leads to its next step: the bench while it is worked, the record once it is checked. */
export const jarPlace = ({ stage, code }: WorkItem): RouteLocationRaw => ({
  name: stage === 'check' || stage === 'done' ? 'batch' : 'bench',
  params: { code },
});

import type { Tree } from '../../stores/draftPath';

/** What a new card begins as: nothing that a data sheet would have to say. */
export const EMPTY_CARD: Tree = { format: 'warm-jar.product/1', revision: 1, ratio: {} };

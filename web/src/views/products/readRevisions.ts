import type { Product } from '@warm-jar/core';
import { ApiProblem, api } from '../../api/client';

/** Every revision of a card, newest first, or why there are none. */
export async function readRevisions(slug: string): Promise<{ revisions: Product[]; problem: string | null }> {
  try {
    return { revisions: await api.revisions(slug), problem: null };
  } catch (error) {
    return { revisions: [], problem: error instanceof ApiProblem ? error.message : 'The revisions could not be read.' };
  }
}

import type { GuideEntry } from '@warm-jar/core';
import type { RouteLocationRaw } from 'vue-router';

/** Where a page of the guide stands; words have stood on a page of their own all along. */
export const guidePlace = ({ part, id }: Pick<GuideEntry, 'part' | 'id'>): RouteLocationRaw =>
  part === 'words' ? { name: 'help', params: { term: id } } : { name: 'guide', params: { part, id } };

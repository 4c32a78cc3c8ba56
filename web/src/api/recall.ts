import { recallSchema, type Recall } from '@warm-jar/core';
import { API_PREFIX } from './base';
import { read, send } from './http';

/** A lot as a recall asks for it: its code, and which product's and which part it is, where two lots share a code. */
export interface RecallQuery {
  readonly lot: string;
  readonly product?: string | undefined;
  readonly part?: string | undefined;
}

const pathOf = ({ lot, product, part }: RecallQuery, file: string) => {
  const query = new URLSearchParams({ ...(product ? { product } : {}), ...(part ? { part } : {}) }).toString();
  return `/lots/${encodeURIComponent(lot)}/castings${file}${query === '' ? '' : `?${query}`}`;
};

export const recallApi = {
  castings: async (asked: RecallQuery): Promise<Recall> => read(recallSchema, await send(pathOf(asked, ''))),
};
/** Where the same stands as one file. */
export const recallFile = (asked: RecallQuery): string => `${API_PREFIX}/export${pathOf(asked, '.csv')}`;

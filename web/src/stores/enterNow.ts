import type { Entry } from '@warm-jar/core';
import { api, type Versioned } from '../api/client';
import { localMoment } from './draft';
import { useLive } from './live';

/** Saves one change of a batch at once: fields set from what stood there, and things added to lists. */
export function useEnterNow() {
  const live = useLive();
  return (code: string, by: string | null, change: Partial<Pick<Entry, 'set' | 'add'>>): Promise<Versioned> =>
    api.enter(code, {
      key: crypto.randomUUID(),
      at: localMoment(new Date(live.exactMs())),
      by,
      set: [],
      add: [],
      ...change,
      over: false,
    });
}

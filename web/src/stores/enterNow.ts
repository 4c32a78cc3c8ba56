import type { Entry } from '@warm-jar/core';
import { api, type Versioned } from '../api/client';
import { localMoment } from './draft';
import { useLive } from './live';
import { newKey } from './newKey';
import { useSession } from './session';

/** Saves one change of a batch at once: fields set from what stood there, and things added to lists. */
export function useEnterNow() {
  const live = useLive();
  const session = useSession();
  return (code: string, change: Partial<Pick<Entry, 'set' | 'add'>>): Promise<Versioned> =>
    api.enter(code, {
      key: newKey(),
      at: localMoment(new Date(live.exactMs())),
      by: session.person,
      set: [],
      add: [],
      ...change,
      over: false,
    });
}

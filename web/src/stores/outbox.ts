import { useEventListener, useIntervalFn } from '@vueuse/core';
import { defineStore } from 'pinia';
import { ref, shallowRef, watch } from 'vue';
import { api, type Versioned } from '../api/client';
import { studioId } from '../api/studioId';
import { useLive } from './live';
import { memoryOutboxDb, openOutboxDb, type Waiting } from './outboxDb';
import { sendInOrder } from './sendInOrder';
import { useSession } from './session';

type StoredListener = (code: string, stored: Versioned) => void;
/** How often what waits is tried again while the server is away, ms. */
const AGAIN_MS = 2_000;

/** Everything done at the bench, kept in the browser until the server has it. */
export const useOutbox = defineStore('outbox', () => {
  const live = useLive();
  const queue = shallowRef<readonly Waiting[]>([]);
  const away = ref(false);
  const listeners = new Set<StoredListener>();
  /** Whether the browser keeps entries over a reload. */
  const kept = ref(true);
  const session = useSession();
  /** Tells the other pages of this browser that what waits has changed. */
  const others = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('warm-jar-outbox');
  // Which studio it is decides where what waits is kept.
  const sender = session
    .ready()
    .then(() => openOutboxDb())
    .catch(() => {
      kept.value = false;
      return memoryOutboxDb();
    })
    .then((db) => {
      const s = sendInOrder({
        db,
        send: (w) => api.enter(w.code, w.entry),
        onStored: (code, stored) => {
          for (const listener of listeners) listener(code, stored);
        },
        onQueue: (q) => {
          const changed = q.length !== queue.value.length;
          queue.value = q;
          if (changed) others?.postMessage(studioId());
        },
        onAway: (a) => {
          away.value = a;
        },
      });
      if (others)
        others.onmessage = ({ data }) => {
          if (data === studioId()) void s.look();
        };
      void s.load();
      return s;
    });
  const pump = () => {
    void sender.then((s) => s.pump());
  };
  useIntervalFn(() => {
    if (queue.value.length > 0) pump();
  }, AGAIN_MS);
  useEventListener('online', pump);
  watch(
    () => live.connected,
    (up) => {
      if (up) pump();
    },
  );
  return {
    queue,
    away,
    kept,
    add: async (code: string, entry: Waiting['entry']): Promise<void> => {
      await (await sender).add(code, entry);
    },
    settle: async (seq: number, how: 'over' | 'drop'): Promise<void> => {
      await (await sender).settle(seq, how);
    },
    onStored: (listener: StoredListener): (() => void) => {
      listeners.add(listener);
      return () => {
        listeners.delete(listener);
      };
    },
  };
});

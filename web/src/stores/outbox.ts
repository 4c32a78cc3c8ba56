import { useEventListener, useIntervalFn } from '@vueuse/core';
import { defineStore } from 'pinia';
import { ref, shallowRef, watch } from 'vue';
import { api, type Versioned } from '../api/client';
import { useLive } from './live';
import { memoryOutboxDb, openOutboxDb, type Waiting } from './outboxDb';
import { sendInOrder } from './sendInOrder';

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
  const sender = openOutboxDb()
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
          queue.value = q;
        },
        onAway: (a) => {
          away.value = a;
        },
      });
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

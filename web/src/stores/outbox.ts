import { useEventListener, useIntervalFn } from '@vueuse/core';
import { defineStore } from 'pinia';
import { ref, shallowRef, watch } from 'vue';
import { api, type Versioned } from '../api/client';
import { studioId } from '../api/studioId';
import { useLive } from './live';
import { memoryOutboxDb, openOutboxDb, type Waiting } from './outboxDb';
import { sendInOrder, type SendDeps } from './sendInOrder';
import { useSession } from './session';

type StoredListener = (code: string, stored: Versioned) => void;
/** How often what waits is tried again while the server is away, ms. */
const AGAIN_MS = 2_000;

type Told = Pick<SendDeps, 'onQueue' | 'onAway' | 'onStored'> & { readonly onNotKept: () => void };

/** What sends, over what this browser keeps of this studio: which one it is decides where that is. */
async function openSender({ onNotKept, ...told }: Told): Promise<ReturnType<typeof sendInOrder>> {
  await useSession().ready();
  const db = await openOutboxDb().catch(() => {
    onNotKept();
    return memoryOutboxDb();
  });
  const sender = sendInOrder({ db, send: (w) => api.enter(w.code, w.entry), ...told });
  void sender.load();
  return sender;
}

/** Everything done at the bench, kept in the browser until the server has it. */
export const useOutbox = defineStore('outbox', () => {
  const live = useLive();
  const queue = shallowRef<readonly Waiting[]>([]);
  const away = ref(false);
  const listeners = new Set<StoredListener>();
  /** Whether the browser keeps entries over a reload. */
  const kept = ref(true);
  /** Tells the other pages of this browser that what waits has changed. */
  const others = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('warm-jar-outbox');
  const sender = openSender({
    onQueue: (q) => {
      const changed = q.length !== queue.value.length;
      queue.value = q;
      if (changed) others?.postMessage(studioId());
    },
    onAway: (a) => {
      away.value = a;
    },
    onStored: (code, stored) => {
      for (const listener of listeners) listener(code, stored);
    },
    onNotKept: () => {
      kept.value = false;
    },
  });
  if (others)
    others.onmessage = ({ data }) => {
      if (data === studioId()) void sender.then((s) => s.look());
    };
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

import { changeEventSchema, clockEventSchema } from '@warm-jar/core';
import { useIntervalFn } from '@vueuse/core';
import { defineStore } from 'pinia';
import { ref } from 'vue';
import { eventsFrom } from '../api/events';
import { setStudioTime, studioMs, studioPace } from '../api/studioTime';
import { useSession } from './session';

/** A change of a batch, as the server tells it. */
type ChangeListener = (change: { code: string; version: number | null }) => void;

/**
 * The studio's clock and the changes made on other screens, from the server's
 * stream. Without it the machine's own clock runs on.
 */
export const useLive = defineStore('live', () => {
  const session = useSession();
  const connected = ref(false);
  /** The studio was replaced by a copy that was put back: what is on the screen is of the one that was. */
  const replaced = ref(false);
  const nowMs = ref(studioMs());
  const listeners = new Set<ChangeListener>();
  useIntervalFn(() => {
    nowMs.value = studioMs();
  }, 250);
  let isFirst = true;
  eventsFrom(
    '/events',
    {
      clock: (data) => {
        setStudioTime(clockEventSchema.parse(data));
        connected.value = true;
      },
      batch: (data) => {
        const change = changeEventSchema.parse(data);
        for (const listener of listeners) listener(change);
      },
      replaced: () => {
        replaced.value = true;
      },
    },
    (up) => {
      connected.value = up;
      // A stream ends where the device was signed out, and begins again where another studio is served: ask. As the
      // first one begins it was just asked.
      const wasAsked = isFirst && up && session.who !== null;
      isFirst = false;
      if (!wasAsked) void session.load();
    },
    true,
  );
  return {
    connected,
    replaced,
    nowMs,
    exactMs: studioMs,
    speed: studioPace,
    /** @returns what ends the listening */
    onChange: (listener: ChangeListener): (() => void) => {
      listeners.add(listener);
      return () => {
        listeners.delete(listener);
      };
    },
  };
});

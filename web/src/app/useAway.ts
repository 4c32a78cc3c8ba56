import { computed, ref, watch, type ComputedRef } from 'vue';
import { useLive } from '../stores/live';
import { useOutbox } from '../stores/outbox';

/** What is said while the studio's computer is not reached, `away, 3 wait`; empty while it is. */
export function useAway(): { says: ComputedRef<string>; away: ComputedRef<boolean> } {
  const live = useLive();
  const outbox = useOutbox();
  /** A page that was never connected is only just opening. */
  const met = ref(live.connected);
  watch(
    () => live.connected,
    (up) => {
      met.value ||= up;
    },
  );
  const away = computed(() => outbox.away || (met.value && !live.connected));
  const says = computed(() => {
    const waiting = outbox.queue.length;
    const waits = waiting === 0 ? '' : `${waiting} ${waiting === 1 ? 'waits' : 'wait'}`;
    return [away.value ? 'away' : '', waits].filter(Boolean).join(', ');
  });
  return { says, away };
}

import { invertPatch, valueAt, type BenchStep, type Entry } from '@warm-jar/core';
import { computed, type Ref } from 'vue';
import { localMoment } from '../stores/draft';
import { useLive } from '../stores/live';
import { useKept } from '../stores/kept';
import { newKey } from '../stores/newKey';
import { useOutbox } from '../stores/outbox';
import { useSession } from '../stores/session';
import type { RunClock } from './useRunClock';
import type { RunRecord } from './useRunRecord';

interface Undo {
  readonly words: string;
  readonly set: Entry['set'];
}

/** One thing done at the bench. */
export interface Write {
  /** What undo is to say; nothing where it is not a person's own doing. */
  readonly words: string | null;
  readonly step?: BenchStep;
  readonly set?: Record<string, unknown>;
  readonly add?: Entry['add'];
}

/** Writes what is done: at once in the browser, from there to the server; and takes the last of it back. */
export function useRunWrites(code: Ref<string>, { batch }: RunRecord, { minutesNow }: RunClock) {
  const live = useLive();
  const outbox = useOutbox();
  const session = useSession();
  const undoKept = useKept<Record<string, Undo>>('warm-jar.undo', {});
  const momentNow = () => localMoment(new Date(live.exactMs()));

  const enter = (entry: Pick<Entry, 'set' | 'add' | 'over'>) =>
    outbox.add(code.value, { key: newKey(), at: momentNow(), by: session.person, ...entry });

  async function write({ words, step, set = {}, add = [] }: Write): Promise<void> {
    if (!batch.value) return;
    const changes = Object.entries(set).map(([path, value]) => ({
      path,
      was: valueAt(batch.value, path) ?? null,
      value: value ?? null,
    }));
    const done: Entry['add'] = step ? [{ path: 'bench.done', value: { step, atMin: minutesNow() } }] : [];
    if (changes.length > 0 && words !== null)
      undoKept.value = { ...undoKept.value, [code.value]: { words, set: invertPatch({ set: changes }) } };
    await enter({ set: changes, add: [...add, ...done], over: false });
  }

  const undo = computed(() => undoKept.value[code.value] ?? null);
  async function takeBack(): Promise<void> {
    const last = undo.value;
    if (!last) return;
    undoKept.value = Object.fromEntries(Object.entries(undoKept.value).filter(([of]) => of !== code.value));
    // What the browser's storage watches cannot be kept elsewhere as it is; a plain copy can.
    await enter({ set: JSON.parse(JSON.stringify(last.set)) as Entry['set'], add: [], over: true });
  }

  /** When the parts met: the moment B touches A. Said once, never moved by a later step. */
  const met = (): Record<string, unknown> => (batch.value?.startedAt ? {} : { startedAt: momentNow() });
  return { write, undo, takeBack, met };
}

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

/** How one thing that was done is taken back. */
interface Undo {
  readonly words: string;
  readonly set: Entry['set'];
  /** What was added to lists by it. */
  readonly added: Entry['add'];
}

/** One thing done at the bench. */
export interface Write {
  /** What undo is to say; nothing where it is not a person's own doing. */
  readonly words: string | null;
  readonly step?: BenchStep;
  readonly set?: Record<string, unknown>;
  readonly add?: Entry['add'];
}

/** Steps back that are kept of a run: more than any run has. */
const MAX_BACK = 200;
/** Once the parts met they met: no step back moves that. */
const TIME_ZERO = 'startedAt';

const plainCopy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/** A list without the last item that is just this one; as it is where there is none. */
function withoutLast(list: readonly unknown[], item: unknown): unknown[] {
  const at = list.findLastIndex((other) => same(other, item));
  return at === -1 ? [...list] : list.filter((_, i) => i !== at);
}

/** What takes additions back out of the lists of a document, each list once. */
function takenOut(document: unknown, added: Entry['add']): Entry['set'] {
  const lists = new Map<string, { was: unknown; value: unknown[] }>();
  for (const { path, value } of added) {
    const stands = valueAt(document, path);
    const held = lists.get(path) ?? { was: stands ?? null, value: Array.isArray(stands) ? (stands as unknown[]) : [] };
    lists.set(path, { ...held, value: withoutLast(held.value, value) });
  }
  return [...lists].map(([path, { was, value }]) => ({ path, was, value: value.length > 0 ? value : null }));
}

/** Writes what is done: at once in the browser, from there to the server; and takes it back, one by one. */
export function useRunWrites(code: Ref<string>, { batch }: RunRecord, { minutesNow, step: now }: RunClock) {
  const live = useLive();
  const outbox = useOutbox();
  const session = useSession();
  const undoKept = useKept<Record<string, readonly Undo[]>>('warm-jar.undone', {});
  const momentNow = () => localMoment(new Date(live.exactMs()));
  /** A thing is done once: while it is being written, a second press of its key does nothing. */
  let underWay: string | null = null;

  const enter = (entry: Pick<Entry, 'set' | 'add' | 'over'>) =>
    outbox.add(code.value, { key: newKey(), at: momentNow(), by: session.person, ...entry });

  const backOf = (of: string): readonly Undo[] => undoKept.value[of] ?? [];
  const setBack = (of: string, steps: readonly Undo[]) => {
    const others = Object.fromEntries(Object.entries(undoKept.value).filter(([other]) => other !== of));
    undoKept.value = steps.length > 0 ? { ...others, [of]: steps.slice(-MAX_BACK) } : others;
  };

  /** @returns whether it was written: not where the step is not the one to be done now, or is being written */
  async function write({ words, step, set = {}, add = [] }: Write): Promise<boolean> {
    if (!batch.value) return false;
    const asked = code.value;
    const key = `${asked} ${step ?? words ?? ''}`;
    if (underWay === key || (step && step !== now.value)) return false;
    underWay = key;
    const changes = Object.entries(set).map(([path, value]) => ({
      path,
      was: valueAt(batch.value, path) ?? null,
      value: value ?? null,
    }));
    const done: Entry['add'] = step ? [{ path: 'bench.done', value: { step, atMin: minutesNow() } }] : [];
    const added = [...add, ...done];
    if (words !== null && changes.length + added.length > 0) {
      const back = invertPatch({ set: changes }).filter(({ path }) => path !== TIME_ZERO);
      setBack(asked, [...backOf(asked), plainCopy({ words, set: back, added })]);
    }
    try {
      await enter({ set: changes, add: added, over: false });
    } finally {
      if (underWay === key) underWay = null;
    }
    return true;
  }

  const undo = computed(() => backOf(code.value).at(-1) ?? null);
  async function takeBack(): Promise<void> {
    const last = undo.value;
    if (!last) return;
    setBack(code.value, backOf(code.value).slice(0, -1));
    // What the browser's storage watches cannot be kept elsewhere as it is; a plain copy can.
    const { set, added } = plainCopy(last);
    await enter({ set: [...set, ...takenOut(batch.value, added)], add: [], over: false });
  }

  /** When the parts met: the moment B touches A. Said once, never moved by a later step. */
  const met = (): Record<string, unknown> => (batch.value?.startedAt ? {} : { startedAt: momentNow() });
  /** Why a limit was passed, as an addition to the record. */
  const reasonFor = (field: string, reason: string): Entry['add'][number] => ({
    path: 'bench.reasons',
    value: { field, reason, atMin: minutesNow() },
  });
  return { write, undo, takeBack, met, reasonFor };
}
export type RunWrites = ReturnType<typeof useRunWrites>;

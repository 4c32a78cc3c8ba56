import { useDebounceFn } from '@vueuse/core';
import { placeOfField, type Batch } from '@warm-jar/core';
import { computed, ref, shallowRef, watch, type Ref } from 'vue';
import { ApiProblem } from '../../api/client';
import { provideForm } from '../../components/form/formContext';
import { withText } from '../../components/form/typedTexts';
import { useEnterNow } from '../../stores/enterNow';
import { hoursSince } from '../../stores/hoursSince';
import { useLive } from '../../stores/live';
import { valueAt } from '../../stores/draftPath';

/** A number is saved once nobody has typed for this long, ms. */
const SETTLE_MS = 700;

/** Answers questions in place: each is saved as it is given, and the diagnosis made again with it. */
export function useAnswers(
  code: Ref<string>,
  batch: Ref<Batch | null>,
  casting: Ref<string | null>,
  again: () => Promise<void>,
) {
  const enterNow = useEnterNow();
  const live = useLive();
  const typed = shallowRef<Record<string, unknown>>({});
  const texts = ref<Record<string, string>>({});
  const issues = ref<Record<string, string>>({});
  const problem = ref<string | null>(null);

  /** What was typed is of the symptom that it was asked for. */
  watch(casting, () => {
    [typed.value, texts.value, issues.value] = [{}, {}, {}];
  });
  /** A question about one casting is answered for it where it has such a field of its own. */
  const placed = (path: string) => (batch.value ? placeOfField(batch.value, casting.value, path) : path);

  async function kept(change: Parameters<typeof enterNow>[1]): Promise<void> {
    try {
      await enterNow(code.value, change);
      [problem.value, issues.value] = [null, {}];
      await again();
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      [problem.value, issues.value] = [error.message, Object.fromEntries(error.issues.map((i) => [i.path, i.message]))];
    }
  }
  const save = (path: string, value: unknown) =>
    kept({ set: [{ path, was: valueAt(batch.value, path) ?? null, value }] });
  const saveSoon = useDebounceFn(save, SETTLE_MS);

  function set(path: string, value: unknown, rawText?: string): void {
    typed.value = { ...typed.value, [path]: value };
    texts.value = withText(texts.value, path, rawText);
    if (rawText !== undefined) return;
    if (typeof value === 'number') void saveSoon(placed(path), value);
    else void save(placed(path), value);
  }
  provideForm({
    value: (path) => (path in typed.value ? typed.value[path] : valueAt(batch.value, placed(path))),
    set,
    issues: computed(() => issues.value),
    texts: computed(() => texts.value),
  });

  /** Keeps what a quick test showed. */
  const tested = (test: string, outcome: string): Promise<void> =>
    kept({ add: [{ path: 'quickTests', value: { test, outcome, atH: hoursSince(batch.value, live.exactMs()) } }] });

  /** Somebody looked again at an unlikely figure: what was meant is written, or it stands as it is. */
  const readAgain = (path: string, meant: number | null): Promise<void> =>
    meant === null
      ? kept({ add: [{ path: 'readAgain', value: { field: path, value: valueAt(batch.value, placed(path)) } }] })
      : save(placed(path), meant);
  return { tested, readAgain, problem };
}

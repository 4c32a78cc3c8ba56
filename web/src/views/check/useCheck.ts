import { doubtsOf, type Check, type CheckPhoto, type SymptomKind, type Touch } from '@warm-jar/core';
import { useLocalStorage } from '@vueuse/core';
import { useConfirm } from 'primevue/useconfirm';
import { useToast } from 'primevue/usetoast';
import { computed, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { ApiProblem } from '../../api/client';
import { onSaveKey } from '../../keys/keys';
import { devicesApi } from '../../api/devices';
import { useEnterNow } from '../../stores/enterNow';
import { hoursSince } from '../../stores/hoursSince';
import { useLive } from '../../stores/live';
import { useUnits } from '../../stores/units';
import { useWork } from '../../stores/work';
import type { useStoredBatch } from '../../stores/storedBatch';
import {
  anotherArea,
  checkFrom,
  deltaBOf,
  emptyCheck,
  toggled,
  touched,
  type CheckDraft,
  type DraftSpot,
  type DraftSymptom,
} from './checkDraft';

/** Fills in and saves one check; what was tapped survives a reload, and a refusal. */
export function useCheck(stored: ReturnType<typeof useStoredBatch>, code: string) {
  const router = useRouter();
  const toast = useToast();
  const work = useWork();
  const live = useLive();
  const enterNow = useEnterNow();
  const units = useUnits();
  const confirm = useConfirm();
  // A kept draft from before a field existed has it empty.
  const draft = useLocalStorage<CheckDraft>(`warm-jar.check.${code}`, emptyCheck(), {
    flush: 'sync',
    mergeDefaults: true,
  });
  const problem = ref<string | null>(null);
  const saving = ref(false);
  const tried = ref(false);
  const issues = computed<Record<string, string>>(() => {
    const found = checkFrom(draft.value).issues;
    return tried.value
      ? found
      : Object.fromEntries(
          Object.entries(found).filter(([f]) => f !== 'afterH' || draft.value.texts['afterH'] !== undefined),
        );
  });

  watch(
    stored.batch,
    (batch) => {
      if (batch && draft.value.afterH === null && draft.value.texts['afterH'] === undefined)
        draft.value = { ...draft.value, afterH: hoursSince(batch, live.exactMs()) };
    },
    { immediate: true },
  );

  function set(field: 'afterH' | 'shore' | 'grade' | 'note', value: unknown, rawText?: string): void {
    const texts = Object.fromEntries(Object.entries(draft.value.texts).filter(([f]) => f !== field));
    draft.value = {
      ...draft.value,
      [field]: value,
      texts: rawText === undefined ? texts : { ...texts, [field]: rawText },
    };
  }
  function change(index: number, patch: Partial<DraftSymptom>): void {
    draft.value = {
      ...draft.value,
      symptoms: draft.value.symptoms.map((s, i) => (i === index ? { ...s, ...patch } : s)),
    };
  }

  /** What of this look is so unlikely that it is asked about before it is stored. */
  function doubtOf(check: Check): string | null {
    const [batch, product] = [stored.batch.value, stored.product.value];
    if (!batch || !product) return null;
    const found = doubtsOf(product, { ...batch, checks: [check] }, units.say, new Date(live.exactMs()));
    return found.find((d) => d.field.startsWith('checks'))?.says ?? null;
  }
  /** Asks, and answers whether it is right as typed. */
  const isRight = (says: string) =>
    new Promise<boolean>((answer) => {
      confirm.require({
        header: 'Is that right?',
        message: says,
        acceptLabel: 'It is right',
        rejectLabel: 'Let me change it',
        rejectProps: { severity: 'secondary' },
        accept: () => {
          answer(true);
        },
        reject: () => {
          answer(false);
        },
        onHide: () => {
          answer(false);
        },
      });
    });

  async function save(): Promise<void> {
    const batch = stored.batch.value;
    tried.value = true;
    const { check } = checkFrom(draft.value);
    if (!batch || saving.value) return;
    if (!check) {
      problem.value = 'Not saved yet: look at the marked figures. Nothing you entered is lost.';
      return;
    }
    const doubt = doubtOf(check);
    if (doubt !== null && !(await isRight(doubt))) return;
    saving.value = true;
    try {
      // A check only adds: what somebody else wrote meanwhile stays.
      await enterNow(code, {
        add: [{ path: 'checks', value: { ...check, ...(check.photos ? { deltaB: deltaBOf(batch, check) } : {}) } }],
      });
      const faulty = (check.symptoms ?? []).length > 0;
      draft.value = emptyCheck();
      void work.load();
      toast.add({ severity: 'success', summary: `The check of ${code} is in the log`, life: 4000 });
      await router.push({ name: faulty ? 'diagnosis' : 'batch', params: { code } });
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      problem.value = error.message;
    } finally {
      saving.value = false;
    }
  }

  const testerProblem = ref<string | null>(null);
  /** Takes the hardness from the tester. */
  async function readTester(): Promise<void> {
    try {
      const tester = (await devicesApi.list()).find((d) => d.kind === 'hardness-tester');
      if (!tester) {
        testerProblem.value = 'No hardness tester is known. Type the figure.';
        return;
      }
      const shore = (await devicesApi.reading(tester.code, code)).values.find((v) => v.what === 'shore')?.value;
      if (shore !== undefined) set('shore', shore);
      testerProblem.value = null;
    } catch (error) {
      testerProblem.value = error instanceof ApiProblem ? error.message : 'The tester could not be read.';
    }
  }

  onSaveKey(() => void save());
  const touch = (value: Touch) => {
    draft.value = touched(draft.value, draft.value.touch === value ? null : value);
  };
  const setSpots = (spots: readonly DraftSpot[]) => {
    draft.value = { ...draft.value, spots };
  };
  const setPhotos = (photos: readonly CheckPhoto[]) => {
    draft.value = { ...draft.value, photos };
  };
  return {
    touch,
    setSpots,
    setPhotos,
    readTester,
    testerProblem,
    draft,
    problem,
    saving,
    issues,
    set,
    change,
    save,
    addArea: (kind: SymptomKind) => {
      draft.value = anotherArea(draft.value, kind);
    },
    toggle: (kind: SymptomKind) => {
      draft.value = toggled(draft.value, kind);
    },
  };
}

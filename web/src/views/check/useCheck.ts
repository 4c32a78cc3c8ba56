import {
  castingIds,
  doubtsOf,
  looksAt,
  yellowedAt,
  type Batch,
  type Check,
  type CheckPhoto,
  type Entry,
  type SymptomKind,
  type Touch,
} from '@warm-jar/core';
import { useConfirm } from 'primevue/useconfirm';
import { useToast } from 'primevue/usetoast';
import { computed, ref, watch, type Ref } from 'vue';
import { useRouter } from 'vue-router';
import { ApiProblem } from '../../api/client';
import { focusFirstError } from '../../components/focusFirstError';
import { onSaveKey } from '../../keys/keys';
import { devicesApi } from '../../api/devices';
import { withText, without } from '../../components/form/typedTexts';
import { castingSet } from '../../stores/castingWrites';
import { useEnterNow } from '../../stores/enterNow';
import { hoursSince } from '../../stores/hoursSince';
import { useKeptOfTab } from '../../stores/kept';
import { useLive } from '../../stores/live';
import { useUnits } from '../../stores/units';
import { useWork } from '../../stores/work';
import type { useStoredBatch } from '../../stores/storedBatch';
import {
  anotherArea,
  checkFrom,
  deltaBOf,
  emptyCheck,
  looksOf,
  toggled,
  touched,
  type CheckDraft,
  type DraftSpot,
  type DraftSymptom,
} from './checkDraft';

type StoredBatch = ReturnType<typeof useStoredBatch>;

/** The look that is being filled in, kept in the browser until it is stored. */
function useCheckDraft(stored: StoredBatch, code: string) {
  const live = useLive();
  // A kept draft from before a field existed has it empty.
  const draft = useKeptOfTab<CheckDraft>(`warm-jar.check.${code}`, emptyCheck());
  const patch = (change: Partial<CheckDraft>) => {
    draft.value = { ...draft.value, ...change };
  };
  watch(
    stored.batch,
    (batch) => {
      if (batch && draft.value.afterH === null && draft.value.texts['afterH'] === undefined)
        patch({ afterH: hoursSince(batch, live.exactMs()) });
    },
    { immediate: true },
  );
  return {
    draft,
    /** The castings that are looked at; none named are all. */
    look: (castings: readonly string[]) => {
      patch({ castings });
    },
    set: (
      field: 'afterH' | 'shore' | 'grade' | 'note' | 'reason' | 'price' | 'bubbleCount',
      value: unknown,
      rawText?: string,
    ) => {
      patch({ [field]: value, texts: withText(draft.value.texts, field, rawText) });
    },
    change: (index: number, change: Partial<DraftSymptom>) => {
      patch({ symptoms: draft.value.symptoms.map((s, i) => (i === index ? { ...s, ...change } : s)) });
    },
    touch: (value: Touch) => {
      draft.value = touched(draft.value, draft.value.touch === value ? null : value);
    },
    setSpots: (spots: readonly DraftSpot[]) => {
      patch({ spots });
    },
    setPhotos: (photos: readonly CheckPhoto[]) => {
      patch({ photos });
    },
    addArea: (kind: SymptomKind) => {
      draft.value = anotherArea(draft.value, kind);
    },
    toggle: (kind: SymptomKind) => {
      draft.value = toggled(draft.value, kind);
    },
  };
}

/** Asks about what is so unlikely that it is not stored unasked. */
function useDoubt(stored: StoredBatch) {
  const confirm = useConfirm();
  const units = useUnits();
  const live = useLive();
  const doubtOf = (check: Check): string | null => {
    const [batch, product] = [stored.batch.value, stored.product.value];
    if (!batch || !product) return null;
    const found = doubtsOf(product, { ...batch, checks: [check] }, units.say, new Date(live.exactMs()));
    return found.find((d) => d.field.startsWith('checks'))?.says ?? null;
  };
  const ask = (message: string) =>
    new Promise<boolean>((answer) => {
      const answerWith = (right: boolean) => () => {
        answer(right);
      };
      confirm.require({
        header: 'Is that right?',
        message,
        acceptLabel: 'It is right',
        rejectLabel: 'Let me change it',
        rejectProps: { severity: 'secondary' },
        accept: answerWith(true),
        reject: answerWith(false),
        onHide: answerWith(false),
      });
    });
  /** Whether a look is right as typed: true where nothing speaks against it. */
  return async (check: Check): Promise<boolean> => {
    const doubt = doubtOf(check);
    return doubt === null || ask(doubt);
  };
}

/** Takes the hardness from the tester. */
function useTester(code: string, take: (shore: number) => void) {
  const testerProblem = ref<string | null>(null);
  /** Whether the figure that was taken is a stand-in's. */
  const simulated = ref(false);
  async function readTester(): Promise<void> {
    try {
      const tester = (await devicesApi.list()).find((d) => d.kind === 'hardness-tester');
      if (!tester) {
        testerProblem.value = 'No hardness tester is known. Type the figure.';
        return;
      }
      const shore = (await devicesApi.reading(tester.code, code)).values.find((v) => v.what === 'shore')?.value;
      if (shore !== undefined) take(shore);
      [testerProblem.value, simulated.value] = [null, tester.standIn];
    } catch (error) {
      testerProblem.value = error instanceof ApiProblem ? error.message : 'The tester could not be read.';
    }
  }
  return { testerProblem, simulated, readTester };
}

/** Why castings are seconds or scrap and what they sell for, where the look says so. */
function endsOf(batch: Batch, draft: CheckDraft): Entry['set'] {
  const said = {
    ...(draft.reason?.trim() && draft.grade !== 'pass' ? { reason: draft.reason.trim() } : {}),
    // What was typed before it was scrapped is no price of it.
    ...(draft.price == null || draft.grade === 'scrap' ? {} : { price: draft.price }),
  };
  if (Object.keys(said).length === 0) return [];
  const named = draft.castings ?? [];
  const ids = named.length > 0 ? named : castingIds(batch);
  return ids.flatMap((id) => castingSet(batch, id, said));
}

/** Looks so far apart are of one round, h. */
const ONE_ROUND_H = 1;

/** The castings that nobody looked at in this round of looks. */
function leftAfter(batch: Batch, looks: readonly Check[]): string[] {
  const all = { ...batch, checks: [...(batch.checks ?? []), ...looks] };
  const since = looks[0]!.afterH - ONE_ROUND_H;
  return castingIds(batch).flatMap((id) =>
    id === null || looksAt(all, id).some((c) => c.afterH >= since) ? [] : [id],
  );
}

const keptWords = (code: string, named: readonly string[], left: readonly string[]) =>
  named.length === 0
    ? `The check of ${code} is in the log`
    : `The look at ${named.join(', ')} is in the log${left.length > 0 ? `; left: ${left.join(', ')}` : ''}`;

/** Stores looks one round after the other: the castings that are left come next, then the batch or its diagnosis. */
function useRound(stored: StoredBatch, code: string, draft: Ref<CheckDraft>) {
  const router = useRouter();
  const toast = useToast();
  const work = useWork();
  const enterNow = useEnterNow();
  /** Whether anything was seen on any casting in this round of looks. */
  const faulty = ref(false);
  /** A check only adds: what somebody else wrote meanwhile stays. */
  async function store(batch: Batch, check: Check): Promise<void> {
    const named = draft.value.castings ?? [];
    const looks = looksOf(check, named, castingIds(batch)).map((look) =>
      look.photos ? { ...look, deltaB: deltaBOf(batch, look) } : look,
    );
    await enterNow(code, {
      add: looks.map((value) => ({ path: 'checks' as const, value })),
      set: endsOf(batch, draft.value),
    });
    const left = leftAfter(batch, looks);
    toast.add({ severity: 'success', summary: keptWords(code, named, left), life: 4000 });
    draft.value =
      left.length > 0 ? { ...emptyCheck(), afterH: check.afterH, castings: left.slice(0, 1) } : emptyCheck();
    void work.load();
    faulty.value ||= (check.symptoms ?? []).length > 0;
    if (left.length > 0) {
      await stored.load();
      return;
    }
    await router.push({ name: faulty.value ? 'diagnosis' : 'batch', params: { code } });
  }

  return store;
}

/** Fills in and saves one check; what was tapped survives a reload, and a refusal. */
export function useCheck(stored: StoredBatch, code: string) {
  const isRight = useDoubt(stored);
  const fields = useCheckDraft(stored, code);
  const { draft, set } = fields;
  const store = useRound(stored, code, draft);
  const problem = ref<string | null>(null);
  const saving = ref(false);
  const tried = ref(false);
  const issues = computed<Record<string, string>>(() => {
    const found = checkFrom(draft.value).issues;
    return tried.value || draft.value.texts['afterH'] !== undefined ? found : without(found, 'afterH');
  });

  async function save(): Promise<void> {
    const batch = stored.batch.value;
    tried.value = true;
    const { check } = checkFrom(draft.value);
    if (!batch || saving.value) return;
    if (!check) {
      problem.value = 'Not saved yet: look at the marked figures. Nothing you entered is lost.';
      void focusFirstError();
      return;
    }
    if (!(await isRight(check))) return;
    saving.value = true;
    try {
      await store(batch, check);
      tried.value = false;
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      problem.value = error.message;
    } finally {
      saving.value = false;
    }
  }
  onSaveKey(() => void save());
  const tester = useTester(code, (shore) => {
    set('shore', shore);
  });
  /** What the measured colour says and nobody has noted yet. */
  const yellowed = computed(() => {
    const { afterH, photos, symptoms, castings } = draft.value;
    if (!stored.batch.value || afterH === null || symptoms.some((s) => s.kind === 'yellowing')) return null;
    const before = looksAt(stored.batch.value, castings?.[0] ?? null);
    return yellowedAt({ checks: [...before, { afterH, photos: [...photos] }] }, afterH);
  });
  return { ...fields, ...tester, problem, saving, issues, save, yellowed };
}

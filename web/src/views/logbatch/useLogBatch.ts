import type { Batch } from '@warm-jar/core';
import { useConfirm } from 'primevue/useconfirm';
import { useToast } from 'primevue/usetoast';
import { nextTick, ref, watch, type Ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { ApiProblem, api } from '../../api/client';
import { focusFirstError } from '../../components/focusFirstError';
import { onSaveKey } from '../../keys/keys';
import { draftIssues, useDraft, type Draft } from '../../stores/draft';
import { useWork } from '../../stores/work';
import { useMerging } from './useMerging';
import { provideDraft, type DraftContext } from './draftContext';

/** Begins a new draft, or takes up a stored batch. */
function useDraftLoading(code: string | null, isThere: () => boolean) {
  const drafts = useDraft();
  const problem = ref<string | null>(null);
  const loading = ref<'no' | 'yes' | 'failed'>('no');
  async function load(): Promise<void> {
    if (isThere()) return;
    if (code === null) {
      drafts.begin(null);
      return;
    }
    loading.value = 'yes';
    try {
      drafts.begin(code, await api.batch(code));
      problem.value = null;
      loading.value = 'no';
    } catch (error) {
      problem.value = error instanceof ApiProblem ? error.message : 'The batch could not be read.';
      loading.value = 'failed';
    }
  }
  return { problem, loading, load };
}

/** Goes to the field that somebody was sent here to fill in. */
async function goToField(at: unknown): Promise<void> {
  if (typeof at !== 'string') return;
  await nextTick();
  const places = [...document.querySelectorAll<HTMLElement>('[data-path], [data-list]')];
  const place = places.find((e) => (e.dataset['path'] ?? e.dataset['list']) === at);
  place?.scrollIntoView({ block: 'center' });
  place?.querySelector<HTMLElement>('input, button, [tabindex]')?.focus();
}

/** Asks whether the draft goes. */
function useDiscarding(code: string | null, leave: () => void) {
  const confirm = useConfirm();
  const drafts = useDraft();
  const router = useRouter();
  return () => {
    confirm.require({
      header: 'Discard the draft?',
      message: 'What you typed here cannot be brought back.',
      acceptLabel: 'Discard',
      rejectLabel: 'Keep it',
      acceptProps: { severity: 'danger' },
      rejectProps: { severity: 'secondary' },
      accept: () => {
        leave();
        drafts.discard(code);
        void router.push(code ? { name: 'batch', params: { code } } : { name: 'today' });
      },
    });
  };
}

/** Whether the draft of this page went without this page: saved or discarded elsewhere, or taken from the browser. */
function useGone(draft: DraftContext['draft']) {
  const gone = ref(false);
  let leaving = false;
  watch(draft, (now, before) => {
    if (before && !now && !leaving) gone.value = true;
    if (now) gone.value = false;
  });
  return {
    gone,
    leave: () => {
      leaving = true;
    },
  };
}

const lookWords = (count: number) =>
  `Not saved yet: ${count === 1 ? 'one field needs' : `${count} fields need`} a look. Nothing you typed is lost.`;

/** Saves the draft; a refusal keeps every word. */
function useSaving(
  code: string | null,
  context: DraftContext,
  problem: Ref<string | null>,
  { meet, leave }: { readonly meet: () => Promise<void>; readonly leave: () => void },
) {
  const drafts = useDraft();
  const work = useWork();
  const router = useRouter();
  const toast = useToast();
  const saving = ref(false);

  const showIssues = (words: string) => {
    problem.value = words;
    void focusFirstError();
  };

  function refused(error: unknown): void {
    if (!(error instanceof ApiProblem)) throw error;
    context.serverIssues.value = Object.fromEntries(error.issues.map((i) => [i.path, i.message]));
    if (error.code !== 'version-conflict') {
      showIssues(error.message);
      return;
    }
    problem.value = error.message;
    void meet();
  }

  async function store(of: Draft['of'], batch: Batch): Promise<void> {
    const stored = of ? await api.replaceBatch(of.code, of.version, batch) : await api.createBatch(batch);
    leave();
    drafts.discard(code);
    void work.load();
    toast.add({ severity: 'success', summary: `${stored.batch.code} is in the log`, life: 4000 });
    await router.push({ name: 'batch', params: { code: stored.batch.code } });
  }

  async function save(): Promise<void> {
    const draft = context.draft.value;
    if (!draft || saving.value) return;
    context.tried.value = true;
    const { batch, issues } = draftIssues(draft);
    const stop = Object.values(context.vesselIssue.value)[0];
    if (stop || !batch) {
      showIssues(stop ? `Not saved: ${stop}` : lookWords(Object.keys(issues).length));
      return;
    }
    saving.value = true;
    try {
      await store(draft.of, batch);
    } catch (error) {
      refused(error);
    } finally {
      saving.value = false;
    }
  }
  return { saving, save };
}

/** Begins or takes up a draft, saves it, or throws it away. A refusal keeps every word. */
export function useLogBatch(code: string | null) {
  const route = useRoute();
  const context = provideDraft(code);
  const { problem, loading, load } = useDraftLoading(code, () => context.draft.value !== null);
  const { gone, leave } = useGone(context.draft);
  const merging = useMerging(code, context.draft, problem, leave);
  const { saving, save } = useSaving(code, context, problem, { meet: merging.meet, leave });
  const discard = useDiscarding(code, leave);
  watch(
    [context.product, loading],
    () => {
      if (context.product.value && loading.value === 'no') void goToField(route.query['at']);
    },
    { flush: 'post', immediate: true },
  );
  onSaveKey(() => void save());
  void load();
  return { context, problem, saving, loading, save, discard, load, gone, ...merging };
}

import { useConfirm } from 'primevue/useconfirm';
import { useToast } from 'primevue/usetoast';
import { nextTick, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { ApiProblem, api } from '../../api/client';
import { onSaveKey } from '../../keys/keys';
import { draftIssues, useDraft } from '../../stores/draft';
import { useWork } from '../../stores/work';
import { provideDraft } from './draftContext';

/** Begins or takes up a draft, saves it, or throws it away. A refusal keeps every word. */
export function useLogBatch(code: string | null) {
  const drafts = useDraft();
  const work = useWork();
  const router = useRouter();
  const route = useRoute();
  const toast = useToast();
  const confirm = useConfirm();
  const context = provideDraft(code);
  const problem = ref<string | null>(null);
  const saving = ref(false);
  const loading = ref<'no' | 'yes' | 'failed'>('no');

  async function load(): Promise<void> {
    if (context.draft.value) return;
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

  function showIssues(words: string): void {
    problem.value = words;
    void nextTick(() => {
      const first = document.querySelector<HTMLElement>('main [data-path] [role="alert"], main .error[role="alert"]');
      first?.scrollIntoView({ block: 'center' });
      first?.closest('[data-path]')?.querySelector<HTMLElement>('input')?.focus();
    });
  }

  function refused(error: unknown): void {
    if (!(error instanceof ApiProblem)) throw error;
    context.serverIssues.value = Object.fromEntries(error.issues.map((i) => [i.path, i.message]));
    if (error.code === 'version-conflict') {
      offerNewest(error.message);
      return;
    }
    showIssues(error.message);
  }

  /** Another tablet saved first: keep this draft and put it on top of the newest version, or drop it. */
  function offerNewest(words: string): void {
    if (code === null) return;
    problem.value = words;
    confirm.require({
      header: 'Changed on another screen',
      message: `${code} was saved by someone else while you were typing. Put your version over theirs, or read theirs and lose yours?`,
      acceptLabel: 'Put mine over it',
      rejectLabel: 'Read theirs',
      accept: () =>
        void api.batch(code).then(({ version }) => {
          drafts.rebase(code, version);
          return save();
        }, refused),
      reject: () => {
        drafts.discard(code);
        void router.push({ name: 'batch', params: { code } });
      },
    });
  }

  async function save(): Promise<void> {
    const draft = context.draft.value;
    if (!draft || saving.value) return;
    context.tried.value = true;
    const { batch, issues } = draftIssues(draft);
    const stop = Object.values(context.vesselIssue.value)[0];
    if (stop) {
      showIssues(`Not saved: ${stop}`);
      return;
    }
    if (!batch) {
      showIssues(
        `Not saved yet: ${Object.keys(issues).length === 1 ? 'one field needs' : `${Object.keys(issues).length} fields need`} a look. Nothing you typed is lost.`,
      );
      return;
    }
    saving.value = true;
    try {
      const stored = draft.of
        ? await api.replaceBatch(draft.of.code, draft.of.version, batch)
        : await api.createBatch(batch);
      drafts.discard(code);
      void work.load();
      toast.add({ severity: 'success', summary: `${stored.batch.code} is in the log`, life: 4000 });
      await router.push({ name: 'batch', params: { code: stored.batch.code } });
    } catch (error) {
      refused(error);
    } finally {
      saving.value = false;
    }
  }

  function discard(): void {
    confirm.require({
      header: 'Throw the draft away?',
      message: 'What you typed here cannot be brought back.',
      acceptLabel: 'Throw away',
      rejectLabel: 'Keep it',
      acceptProps: { severity: 'danger' },
      rejectProps: { severity: 'secondary' },
      accept: () => {
        drafts.discard(code);
        void router.push(code ? { name: 'batch', params: { code } } : { name: 'today' });
      },
    });
  }

  /** Goes to the field that somebody was sent here to fill in. */
  async function goToField(): Promise<void> {
    const at = route.query['at'];
    if (typeof at !== 'string') return;
    await nextTick();
    const place = [...document.querySelectorAll<HTMLElement>('[data-path], [data-list]')].find(
      (e) => (e.dataset['path'] ?? e.dataset['list']) === at,
    );
    place?.scrollIntoView({ block: 'center' });
    place?.querySelector<HTMLElement>('input, button, [tabindex]')?.focus();
  }
  watch(
    [context.product, loading],
    () => {
      if (context.product.value && loading.value === 'no') void goToField();
    },
    { flush: 'post', immediate: true },
  );

  onSaveKey(() => void save());
  void load();
  return { context, problem, saving, loading, save, discard, load };
}

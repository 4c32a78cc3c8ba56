import { useConfirm } from 'primevue/useconfirm';
import { useToast } from 'primevue/usetoast';
import { computed, ref, type Ref } from 'vue';
import { useRouter } from 'vue-router';
import { ApiProblem } from '../../api/client';
import { shelfApi } from '../../api/shelf';
import { focusFirstError } from '../../components/focusFirstError';
import { onSaveKey } from '../../keys/keys';
import { useDocumentForm } from '../../stores/documentForm';
import type { Tree } from '../../stores/draftPath';
import { useShelf } from '../../stores/shelf';
import type { ShelfKind } from './kinds';

/** Asks, and takes a thing off the shelf. */
function useTakingOff(
  kind: ShelfKind,
  current: () => { readonly item: { readonly code: string }; readonly version: number } | null,
  problem: Ref<string | null>,
  forget: () => void,
): () => void {
  const shelf = useShelf();
  const router = useRouter();
  const confirm = useConfirm();
  async function takeOff(code: string, version: number): Promise<void> {
    try {
      await shelfApi.remove(kind.place, code, version);
    } catch (error) {
      problem.value = error instanceof ApiProblem ? error.message : 'It was not removed.';
      return;
    }
    forget();
    await shelf.load();
    await router.push(`/${kind.place}`);
  }
  return () => {
    const gone = current();
    if (!gone) return;
    confirm.require({
      header: `Delete ${gone.item.code}?`,
      message: 'Batches that used it keep their record of it.',
      acceptLabel: 'Delete',
      rejectLabel: 'Keep it',
      acceptProps: { severity: 'danger' },
      rejectProps: { severity: 'secondary' },
      accept: () => void takeOff(gone.item.code, gone.version),
    });
  };
}

/** One thing of the shelf being looked at or changed; `code` null begins a new one, with what was asked for. */
export function useShelfItem(kind: ShelfKind, code: Ref<string | null>, asked: Tree = {}) {
  const shelf = useShelf();
  const router = useRouter();
  const toast = useToast();
  const problem = ref<string | null>(null);
  const saving = ref(false);
  const shelved = computed(() => shelf[kind.place].find(({ item }) => item.code === code.value) ?? null);
  const start = computed<Tree>(() => (shelved.value ? (shelved.value.item as Tree) : { ...kind.empty, ...asked }));
  const form = useDocumentForm(`${kind.place}.${code.value ?? 'new'}`, kind.schema, start);

  /** Somebody else saved first: read theirs, and lay what was changed here over it, field by field. */
  async function takeTheirs(itsCode: string): Promise<void> {
    const before = start.value;
    await shelf.load();
    form.rebase(before, start.value);
    form.serverIssues.value = {};
    problem.value = `${itsCode} was changed on another screen meanwhile. What you changed now lies over theirs, field by field: look, and save once more.`;
  }

  async function save(): Promise<void> {
    const item = form.ready();
    if (!item) {
      problem.value = 'Not saved yet: look at the marked fields. Nothing you typed is lost.';
      void focusFirstError();
      return;
    }
    if (saving.value) return;
    saving.value = true;
    try {
      await shelfApi.save(kind.place, item, shelved.value?.version ?? null);
      form.drop();
      problem.value = null;
      await shelf.load();
      toast.add({ severity: 'success', summary: `${item.code} is on the shelf`, life: 4000 });
      await router.push(`/${kind.place}/${encodeURIComponent(item.code)}`);
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      problem.value = error.message;
      form.serverIssues.value = Object.fromEntries(error.issues.map((i) => [i.path, i.message]));
      if (error.code === 'version-conflict') await takeTheirs(item.code);
    } finally {
      saving.value = false;
    }
  }

  const remove = useTakingOff(kind, () => shelved.value, problem, form.drop);
  onSaveKey(() => void save());
  return { form, shelved, problem, saving, save, remove };
}

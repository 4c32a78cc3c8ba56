import { useConfirm } from 'primevue/useconfirm';
import { useToast } from 'primevue/usetoast';
import type { Ref } from 'vue';
import { useRouter } from 'vue-router';
import { ApiProblem, api } from '../../api/client';
import { useWork } from '../../stores/work';

/** Deletes a batch after asking; its history stays on the server. */
export function useDeleteBatch(code: Ref<string>, version: Ref<number>) {
  const confirm = useConfirm();
  const toast = useToast();
  const router = useRouter();
  const work = useWork();

  async function now(): Promise<void> {
    try {
      await api.deleteBatch(code.value, version.value);
      toast.add({ severity: 'success', summary: `${code.value} is deleted`, life: 4000 });
      void work.load();
      await router.push({ name: 'log' });
    } catch (error) {
      toast.add({
        severity: 'error',
        summary: error instanceof ApiProblem ? error.message : 'It was not deleted.',
        life: 8000,
      });
    }
  }

  return {
    remove: () => {
      confirm.require({
        header: `Delete ${code.value}?`,
        message: 'It leaves the log and the statistics. Its history stays with the server, but not its place in lists.',
        acceptLabel: 'Delete',
        rejectLabel: 'Keep it',
        acceptProps: { severity: 'danger' },
        rejectProps: { severity: 'secondary' },
        accept: () => void now(),
      });
    },
  };
}

import { ref, shallowRef } from 'vue';
import { ApiProblem } from '../../api/client';
import { backupApi, type Checked, type Schedule } from '../../api/backup';
import { useLoaded } from '../../components/useLoaded';

/** Copies out, copies in, and copies made by themselves. */
export function useBackup() {
  const { value: told, problem, load } = useLoaded(() => backupApi.schedule(), 'The schedule could not be read.');
  const checked = shallowRef<Checked | null>(null);
  const restoreProblem = ref<string | null>(null);
  const busy = ref<string | null>(null);
  const keptAside = ref<string | null>(null);
  const saved = ref(false);

  async function tried(what: string, into: typeof problem, work: () => Promise<void>): Promise<void> {
    [busy.value, into.value] = [what, null];
    try {
      await work();
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      into.value = [error.message, ...error.issues.map((i) => i.message).filter((m) => m !== error.message)].join(' ');
    } finally {
      busy.value = null;
    }
  }
  const choose = (event: Event): Promise<void> => {
    const input = event.target as HTMLInputElement;
    const file = input.files?.[0];
    input.value = '';
    if (!file) return Promise.resolve();
    [checked.value, keptAside.value] = [null, null];
    return tried('Looking it through', restoreProblem, async () => {
      checked.value = await backupApi.check(file);
    });
  };
  const restore = () =>
    tried('Putting it in place', restoreProblem, async () => {
      if (!checked.value) return;
      keptAside.value = await backupApi.restore(checked.value.token);
      checked.value = null;
    });
  const setSchedule = (schedule: Schedule) =>
    tried('Saving', problem, async () => {
      told.value = await backupApi.setSchedule(schedule);
      saved.value = true;
    });
  return { told, problem, load, checked, restoreProblem, busy, keptAside, saved, choose, restore, setSchedule };
}

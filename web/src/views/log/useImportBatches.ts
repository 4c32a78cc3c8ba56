import { computed, ref, shallowRef } from 'vue';
import { ApiProblem } from '../../api/client';
import { logApi, type BatchImportAnswer } from '../../api/learning';
import { inParts, readBatches } from './batchFile';

type Row = BatchImportAnswer['rows'][number];

/** A file of batches: read, looked through part by part, and brought in when asked. */
export function useImportBatches() {
  const name = ref('');
  const problem = ref<string | null>(null);
  const rows = shallowRef<Row[] | null>(null);
  const done = ref<number | null>(null);
  /** Share of the file that is through; null while nothing runs. */
  const progress = ref<number | null>(null);
  let parts: unknown[][] = [];

  /** Sends part after part; tells the rows under their numbers in the whole file. */
  async function through(options: {
    apply: boolean;
    skipRefused: boolean;
    replaceOthers: boolean;
  }): Promise<{ rows: Row[]; applied: number } | null> {
    const told: Row[] = [];
    let [applied, at] = [0, 0];
    progress.value = 0;
    try {
      for (const [i, part] of parts.entries()) {
        const from = at;
        const answer = await logApi.importBatches(part, options);
        told.push(...answer.rows.map((r) => ({ ...r, row: r.row + from })));
        applied += answer.applied;
        at += part.length;
        progress.value = (i + 1) / parts.length;
      }
      return { rows: told, applied };
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      const so =
        applied > 0
          ? ` ${applied} were brought in before that; they stay, and are passed over when the file is brought in again.`
          : '';
      problem.value = [error.message + so, ...error.issues.slice(0, 5).map((i) => `${i.path}: ${i.message}`)].join(' ');
      return null;
    } finally {
      progress.value = null;
    }
  }
  async function choose(event: Event): Promise<void> {
    const input = event.target as HTMLInputElement;
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    [name.value, rows.value, done.value, problem.value] = [file.name, null, null, null];
    const read = readBatches(file.name, await file.arrayBuffer());
    if (!read.ok) {
      problem.value = read.says;
      return;
    }
    parts = inParts(read.rows);
    rows.value = (await through({ apply: false, skipRefused: false, replaceOthers: false }))?.rows ?? null;
  }
  async function apply(replaceOthers: boolean): Promise<void> {
    const answer = await through({ apply: true, skipRefused: true, replaceOthers });
    if (answer) done.value = answer.applied;
  }
  const count = (action: Row['action']) => computed(() => rows.value?.filter((r) => r.action === action).length ?? 0);
  return {
    name,
    problem,
    rows,
    done,
    progress,
    choose,
    apply,
    fresh: count('new'),
    same: count('same'),
    differs: count('differs'),
    refused: count('refused'),
  };
}

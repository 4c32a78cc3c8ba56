import { ref, shallowRef, type Ref, type ShallowRef } from 'vue';
import { ApiProblem } from '../../api/client';

/** A file as it was read: its rows, or a sentence on why there are none. */
export type FileRows =
  | {
      readonly ok: true;
      readonly rows: readonly unknown[];
      /** Columns that the format does not know. */
      readonly unknown?: readonly string[];
    }
  | { readonly ok: false; readonly says: string };

/** What the server makes of some rows, or did with them. */
export interface ImportedRows<Row> {
  readonly rows: readonly Row[];
  readonly applied: number;
}

interface ImportFlow<Row, Options> {
  readonly read: (name: string, bytes: ArrayBuffer) => FileRows;
  /** The parts that are sent one after another. */
  readonly parts?: (rows: readonly unknown[]) => readonly (readonly unknown[])[];
  /** Looks rows through, or with `apply` brings them in. */
  readonly send: (
    rows: readonly unknown[],
    options: Options & { readonly apply: boolean },
  ) => Promise<ImportedRows<Row>>;
  readonly preview: Options;
}

export interface ImportState<Row, Options> {
  readonly name: Ref<string>;
  readonly problem: Ref<string | null>;
  readonly rows: ShallowRef<readonly Row[] | null>;
  readonly done: Ref<number | null>;
  /** Share of the file that is through; null while nothing runs. */
  readonly progress: Ref<number | null>;
  /** Columns of the file that the format does not know. */
  readonly unknown: ShallowRef<readonly string[]>;
  readonly choose: (event: Event) => Promise<void>;
  /** @returns how many were brought in; null where that failed */
  readonly apply: (options: Options) => Promise<number | null>;
}

/** Issues of a refusal that are told at once. */
const MAX_TOLD = 5;

function refusalWords(error: ApiProblem, applied: number): string {
  const stay = 'they stay, and are passed over when the file is brought in again.';
  const so = applied > 0 ? ` ${applied} were brought in before that; ${stay}` : '';
  const issues = error.issues.slice(0, MAX_TOLD).map((i) => `${i.path}: ${i.message}`);
  return [error.message + so, ...issues].join(' ');
}

/** The one file that was chosen, with the input emptied so that the same one can be chosen again. */
function chosenFile(event: Event): File | undefined {
  const input = event.target as HTMLInputElement;
  const file = input.files?.[0];
  input.value = '';
  return file;
}

/** A file of documents: read, looked through part by part, and brought in when asked. */
export function useImportFlow<Row extends { readonly row: number }, Options extends object>(
  flow: ImportFlow<Row, Options>,
): ImportState<Row, Options> {
  const name = ref('');
  const problem = ref<string | null>(null);
  const rows = shallowRef<readonly Row[] | null>(null);
  const done = ref<number | null>(null);
  const unknown = shallowRef<readonly string[]>([]);
  const progress = ref<number | null>(null);
  let parts: readonly (readonly unknown[])[] = [];

  /** Sends part after part; tells the rows under their numbers in the whole file. */
  async function through(options: Options & { readonly apply: boolean }): Promise<ImportedRows<Row> | null> {
    const told: Row[] = [];
    let [applied, at] = [0, 0];
    progress.value = 0;
    try {
      for (const [i, part] of parts.entries()) {
        const from = at;
        const answer = await flow.send(part, options);
        told.push(...answer.rows.map((r) => ({ ...r, row: r.row + from })));
        applied += answer.applied;
        at += part.length;
        progress.value = (i + 1) / parts.length;
      }
      return { rows: told, applied };
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      problem.value = refusalWords(error, applied);
      return null;
    } finally {
      progress.value = null;
    }
  }

  async function choose(event: Event): Promise<void> {
    const file = chosenFile(event);
    if (!file) return;
    [name.value, rows.value, done.value, problem.value] = [file.name, null, null, null];
    unknown.value = [];
    const read = flow.read(file.name, await file.arrayBuffer());
    if (!read.ok) {
      problem.value = read.says;
      return;
    }
    unknown.value = read.unknown ?? [];
    parts = flow.parts?.(read.rows) ?? [read.rows];
    rows.value = (await through({ ...flow.preview, apply: false }))?.rows ?? null;
  }

  async function apply(options: Options): Promise<number | null> {
    const answer = await through({ ...options, apply: true });
    if (answer) done.value = answer.applied;
    return answer?.applied ?? null;
  }
  return { name, problem, rows, done, progress, unknown, choose, apply };
}

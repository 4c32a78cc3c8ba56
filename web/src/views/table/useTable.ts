import type {
  ColumnMapping,
  DecimalSign,
  PastImport,
  SavedMapping,
  TableImportAnswer,
  TableKind,
} from '@warm-jar/core';
import { computed, onMounted, onUnmounted, ref, shallowRef, watch } from 'vue';
import { ApiProblem } from '../../api/client';
import { tablesApi } from '../../api/tables';
import { useKeptOfTab } from '../../stores/kept';
import { useProducts } from '../../stores/products';
import { useWork } from '../../stores/work';
import { tableReader, type ReadTableAnswer } from '../../workers/readTableInWorker';

/** Largest file taken, bytes. */
const MAX_BYTES = 4_000_000;
/** A longer text is not kept over a reload, letters. */
const MAX_KEPT = 300_000;

/** A table as it was brought, and what somebody said of its columns. */
interface KeptTable {
  readonly name: string;
  readonly text: string;
  readonly kind: TableKind | null;
  readonly chosen: Readonly<Record<string, Omit<ColumnMapping, 'column'>>>;
  readonly forAll: Readonly<Record<string, string>>;
  readonly decimal: DecimalSign | null;
}

const BLANK: KeptTable = { name: '', text: '', kind: null, chosen: {}, forAll: {}, decimal: null };

const nameOf = ({ name }: KeptTable) => name || 'pasted cells';

/** A file's text: UTF-8, or what spreadsheets of before wrote. */
function textOf(bytes: ArrayBuffer): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

/** Why a file is not taken; null where it is. */
function refusedFile({ name, size }: File): string | null {
  if (size > MAX_BYTES) return `${name} is larger than ${MAX_BYTES / 1e6} MB. Bring it in by parts.`;
  return /\.(?:xlsx?|ods|numbers)$/i.test(name)
    ? `${name} is a workbook. Save its sheet as CSV, or copy the cells and paste them here.`
    : null;
}

const said = (error: unknown, otherwise: string) => (error instanceof ApiProblem ? error.message : otherwise);

/** The table that lies on the page; a long one is not kept over a reload. */
function useTableText() {
  const kept = useKeptOfTab<KeptTable>('warm-jar.table', BLANK);
  const long = shallowRef<string | null>(null);
  const table = computed<KeptTable>(() => ({ ...kept.value, text: long.value ?? kept.value.text }));
  const change = (part: Partial<KeptTable>) => {
    const next = { ...table.value, ...part };
    const isLong = next.text.length > MAX_KEPT;
    long.value = isLong ? next.text : null;
    kept.value = isLong ? { ...next, text: '' } : next;
  };
  return { table, change };
}

/** What the worker and the server make of a table. */
function useReading(table: { readonly value: KeptTable }, before: { readonly value: readonly SavedMapping[] }) {
  const products = useProducts();
  const reading = shallowRef<ReadTableAnswer | null>(null);
  const answer = shallowRef<TableImportAnswer | null>(null);
  const problem = ref<string | null>(null);
  const busy = ref(false);
  const reader = tableReader();
  let asked = 0;

  /** What the server says to a reading; null where nothing can be brought in. */
  async function lookThrough(read: ReadTableAnswer): Promise<TableImportAnswer | null> {
    const { documents } = read.read;
    if (documents.length === 0) return null;
    return tablesApi.bringIn({ kind: read.kind, name: nameOf(table.value), documents }, false);
  }
  async function again(): Promise<void> {
    const { text, kind, chosen, forAll, decimal } = table.value;
    [problem.value, answer.value] = [null, null];
    // A newer question may come while the worker or the server looks: then an older one's answer says nothing of it.
    const mine = ++asked;
    const stands = () => mine === asked;
    if (text.trim() === '') {
      reader.stop();
      [reading.value, busy.value] = [null, false];
      return;
    }
    busy.value = true;
    const outcome = await reader.ask({
      ...structuredClone({ text, kind, chosen: { ...chosen }, forAll: { ...forAll }, decimal }),
      products: products.cards.map(({ slug, name }) => ({ slug, name })),
      zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
      before: structuredClone([...before.value]),
    });
    if (outcome === null || !stands()) return;
    if ('failure' in outcome) {
      [problem.value, busy.value] = [outcome.failure, false];
      return;
    }
    reading.value = outcome.result;
    try {
      const looked = await lookThrough(outcome.result);
      if (stands()) answer.value = looked;
    } catch (error) {
      if (stands()) problem.value = said(error, 'The rows could not be looked through.');
    } finally {
      if (stands()) busy.value = false;
    }
  }
  onMounted(again);
  watch([table, before, () => products.cards], again);
  onUnmounted(reader.close);
  return { reading, answer, problem, busy };
}

/** Imports that were made, and taking one back. */
function usePast() {
  const past = shallowRef<readonly PastImport[]>([]);
  const problem = ref<string | null>(null);
  async function load(): Promise<void> {
    past.value = await tablesApi.past().catch(() => past.value);
  }
  async function undo(id: string): Promise<void> {
    problem.value = null;
    try {
      await tablesApi.undo(id);
      await Promise.all([useProducts().load(), useWork().load()]);
    } catch (error) {
      problem.value = said(error, 'It could not be taken back.');
    }
    await load();
  }
  onMounted(load);
  return { past, undo, load, problem };
}

/** Keeps for the next time how these columns were read. */
async function remember(read: ReadTableAnswer, { forAll, decimal }: KeptTable): Promise<void> {
  const columns = read.columns.map(({ column, path, unit }) => ({ column, path, unit }));
  const heads = read.columns.map((c) => c.column);
  await tablesApi.saveMapping({ kind: read.kind, heads, columns, decimal, forAll: { ...forAll } });
}

/** A studio's own table: its columns matched, its rows looked through, brought in whole and taken back whole. */
export function useTable() {
  const { table, change } = useTableText();
  const before = shallowRef<readonly SavedMapping[]>([]);
  const { reading, answer, problem, busy } = useReading(table, before);
  const past = usePast();
  const fileProblem = ref<string | null>(null);
  const done = ref<{ readonly id: string; readonly count: number; readonly kind: TableKind } | null>(null);
  onMounted(async () => {
    before.value = await tablesApi.mappings().catch(() => []);
  });

  async function open(file: File | undefined): Promise<void> {
    if (!file) return;
    done.value = null;
    fileProblem.value = refusedFile(file);
    if (fileProblem.value === null)
      change({ ...BLANK, kind: table.value.kind, name: file.name, text: textOf(await file.arrayBuffer()) });
  }

  async function bringIn(): Promise<void> {
    const read = reading.value;
    if (!read || busy.value) return;
    busy.value = true;
    fileProblem.value = null;
    const from = table.value;
    try {
      const documents = read.read.documents;
      const made = await tablesApi.bringIn({ kind: read.kind, name: nameOf(from), documents }, true);
      done.value = { id: made.id ?? '', count: made.applied, kind: read.kind };
    } catch (error) {
      fileProblem.value = said(error, 'Nothing was brought in. Try again.');
      busy.value = false;
      return;
    }
    // They are in: from here on nothing may say otherwise, nor leave them on the page to be brought in twice.
    change({ ...BLANK });
    await remember(read, from).catch(() => {
      fileProblem.value = 'The rows are in; how their columns were read could not be kept for the next time.';
    });
    await Promise.all([past.load(), useProducts().load(), useWork().load()]);
    busy.value = false;
  }
  return {
    table,
    change,
    reading,
    answer,
    busy,
    done,
    past,
    problem: computed(() => fileProblem.value ?? past.problem.value ?? problem.value),
    open,
    bringIn,
    choose: (column: string, to: Omit<ColumnMapping, 'column'>) => {
      change({ chosen: { ...table.value.chosen, [column]: to } });
    },
    takeBack: async (id: string) => {
      await past.undo(id);
      if (done.value?.id === id && past.problem.value === null) done.value = null;
    },
  };
}

import {
  kindOfTable,
  readTable,
  suggestColumns,
  tableOf,
  type ColumnMapping,
  type ColumnSuggestion,
  type DecimalSign,
  type SavedMapping,
  type TableKind,
  type TableRead,
} from '@warm-jar/core';
import Papa from 'papaparse';

/** A table's text and how it is to be read, as far as somebody said. */
export interface TableQuestion {
  readonly text: string;
  readonly kind: TableKind | null;
  /** What somebody chose for a column, by its head; the others are suggested. */
  readonly chosen: Readonly<Record<string, Omit<ColumnMapping, 'column'>>>;
  readonly forAll: Readonly<Record<string, string>>;
  readonly decimal: DecimalSign | null;
  readonly products: readonly { readonly slug: string; readonly name: string }[];
  readonly zone: string;
  readonly before: readonly SavedMapping[];
}

/** A table as it was read: its columns with what they fill, and its rows. */
export interface TableReading {
  readonly kind: TableKind;
  readonly columns: readonly (ColumnSuggestion & { readonly samples: readonly string[] })[];
  readonly rowCount: number;
  readonly read: TableRead;
}

const SAMPLES = 3;
/** Rows that are read at once; the rest of a longer table is left for a second time. */
export const MOST_ROWS = 5_000;

/** The cells of a text, whatever parts them: commas, semicolons, tabs or bars. */
export const cellsOfText = (text: string): string[][] =>
  Papa.parse<string[]>(text.replace(/^\uFEFF/, '').replace(/\s+$/, ''), { skipEmptyLines: 'greedy' }).data;

const key = (heads: readonly string[]) => JSON.stringify(heads.map((h) => h.trim().toLowerCase()));

/** How a table with these heads was matched the last time. */
function asBefore(kind: TableKind, heads: readonly string[], before: readonly SavedMapping[]) {
  return before.find((m) => m.kind === kind && key(m.heads) === key(heads));
}

/** Reads a table: what somebody chose goes before the last time, and that before what is suggested. */
export function readTableText(question: TableQuestion): TableReading {
  const { chosen, products, zone, before } = question;
  const rows = cellsOfText(question.text).slice(0, MOST_ROWS + 1);
  const table = tableOf(rows);
  const kind = question.kind ?? kindOfTable(rows, { products });
  const last = asBefore(kind, table.heads, before);
  const columns = suggestColumns(rows, { kind, products }).map((suggested, at) => {
    const samples = table.rows.flatMap((row) => row[at] || []).slice(0, SAMPLES);
    const own = chosen[suggested.column];
    if (own) return { ...suggested, path: own.path, unit: own.unit ?? null, why: 'as you chose', samples };
    const kept = last?.columns.find((c) => c.column.toLowerCase() === suggested.column.toLowerCase());
    return kept
      ? { ...suggested, path: kept.path, unit: kept.unit ?? null, why: 'as the last time', samples }
      : { ...suggested, samples };
  });
  const forAll = { ...last?.forAll, ...question.forAll };
  const decimal = question.decimal ?? last?.decimal ?? undefined;
  const read = readTable(rows, { kind, columns, forAll, decimal }, { products, zone });
  return { kind, columns, rowCount: table.rows.length, read };
}

import { CoreError, fromRow, requireColumns, toRow, unknownCardColumns, type Product } from '@warm-jar/core';
import Papa from 'papaparse';

/** What a file of cards holds, or why it cannot be read. */
export type CardFile =
  | { readonly ok: true; readonly rows: unknown[]; readonly unknown?: readonly string[] }
  | { readonly ok: false; readonly says: string };

/** Largest file of cards taken, bytes. */
const MAX_BYTES = 2_000_000;

/** UTF-8, or null where the bytes are another encoding. */
function asUtf8(bytes: ArrayBuffer): string | null {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return null;
  }
}

function fromJson(text: string, name: string): CardFile {
  try {
    const value: unknown = JSON.parse(text);
    const rows = Array.isArray(value) ? (value as unknown[]) : [value];
    return rows.every((r) => typeof r === 'object' && r !== null)
      ? { ok: true, rows }
      : { ok: false, says: `${name} holds no cards.` };
  } catch {
    return { ok: false, says: `${name} is not JSON. Cards are warm-jar.product/1 documents, one or a list of them.` };
  }
}

function fromCsv(text: string, name: string): CardFile {
  const parsed = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: 'greedy' });
  const broken = parsed.errors[0];
  if (broken && broken.code !== 'UndetectableDelimiter')
    return { ok: false, says: `${name}, row ${(broken.row ?? 0) + 2}: ${broken.message}.` };
  if (!parsed.meta.fields?.includes('slug'))
    return {
      ok: false,
      says: `${name} has no column "slug". The first row must hold the dotted names, such as ratio.byWeight.a.`,
    };
  try {
    requireColumns(parsed.meta.fields);
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    return { ok: false, says: `${name}: ${error.message}` };
  }
  return {
    ok: true,
    unknown: unknownCardColumns(parsed.meta.fields),
    rows: parsed.data.map((row) => fromRow(row, { format: 'warm-jar.product/1', ratio: {} })),
  };
}

/** Reads cards from a JSON or CSV file (RFC 4180, UTF-8, dotted names in the first row). */
export function readCards(name: string, bytes: ArrayBuffer): CardFile {
  if (bytes.byteLength > MAX_BYTES) return { ok: false, says: `${name} is larger than ${MAX_BYTES / 1e6} MB.` };
  const text = asUtf8(bytes);
  if (text === null)
    return { ok: false, says: `${name} is not in UTF-8. Save it again as "CSV UTF-8" in the program it comes from.` };
  const clean = text.replace(/^\uFEFF/, '');
  return /^\s*[[{]/.test(clean) || name.toLowerCase().endsWith('.json') ? fromJson(clean, name) : fromCsv(clean, name);
}

/** Cards as CSV, a column for every figure that any of them states. */
export function cardsToCsv(cards: readonly Product[]): string {
  const rows = cards.map((c) => toRow(c));
  const columns = [...new Set(rows.flatMap((r) => Object.keys(r)))];
  return Papa.unparse({ fields: columns, data: rows.map((r) => columns.map((c) => r[c] ?? '')) }, { newline: '\r\n' });
}

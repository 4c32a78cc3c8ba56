import { batchFromRow, unknownBatchColumns } from '@warm-jar/core';
import Papa from 'papaparse';

/** What a file of batches holds, or why it cannot be read. */
export type BatchFile =
  | { readonly ok: true; readonly rows: unknown[]; readonly unknown?: readonly string[] }
  | { readonly ok: false; readonly says: string };

/** Largest file taken, bytes. */
const MAX_BYTES = 400_000_000;

function fromJson(text: string, name: string): BatchFile {
  try {
    const value: unknown = JSON.parse(text);
    const rows = Array.isArray(value) ? (value as unknown[]) : [value];
    return rows.length > 0 && rows.every((r) => typeof r === 'object' && r !== null)
      ? { ok: true, rows }
      : { ok: false, says: `${name} holds no batches.` };
  } catch {
    return { ok: false, says: `${name} is not JSON. Batches are warm-jar.batch/1 documents, one or a list of them.` };
  }
}

function fromCsv(text: string, name: string): BatchFile {
  const parsed = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: 'greedy' });
  const broken = parsed.errors.find((e) => e.code !== 'UndetectableDelimiter');
  if (broken) return { ok: false, says: `${name}, row ${(broken.row ?? 0) + 2}: ${broken.message}.` };
  if (!parsed.meta.fields?.includes('product.slug'))
    return {
      ok: false,
      says: `${name} has no column "product.slug". The first row must hold the dotted names, such as room.temperatureC.`,
    };
  return {
    ok: true,
    unknown: unknownBatchColumns(parsed.meta.fields),
    rows: parsed.data.map((row) => batchFromRow(row)),
  };
}

/** Reads batches from a JSON or CSV file (RFC 4180, UTF-8, dotted names in the first row). */
export function readBatches(name: string, bytes: ArrayBuffer): BatchFile {
  if (bytes.byteLength > MAX_BYTES)
    return { ok: false, says: `${name} is larger than ${MAX_BYTES / 1e6} MB. Bring it in in parts.` };
  let text: string;
  try {
    text = new TextDecoder('utf-8', { fatal: true }).decode(bytes).replace(/^\uFEFF/, '');
  } catch {
    return { ok: false, says: `${name} is not in UTF-8. Save it again as "CSV UTF-8" in the program it comes from.` };
  }
  return /^\s*[[{]/.test(text) || name.toLowerCase().endsWith('.json') ? fromJson(text, name) : fromCsv(text, name);
}

/** Rows in parts that a request may carry: so many at most, and not too long. */
export function inParts(rows: readonly unknown[], maxRows = 400, maxBytes = 1_200_000): unknown[][] {
  const parts: unknown[][] = [];
  let [bytes, part]: [number, unknown[]] = [0, []];
  for (const row of rows) {
    const size = JSON.stringify(row).length;
    if (part.length > 0 && (part.length >= maxRows || bytes + size > maxBytes)) {
      parts.push(part);
      [bytes, part] = [0, []];
    }
    part.push(row);
    bytes += size;
  }
  if (part.length > 0) parts.push(part);
  return parts;
}

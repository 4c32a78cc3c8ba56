import { z } from 'zod';
import type { Batch } from './batch';
import type { Mould } from './mould';
import type { Piece } from './piece';

/** Longest code or id, characters. */
const LONGEST = 60;
/** Words that stand where a code would stand in the address of a page. */
const PAGE_NAMES = new Set(['new', 'import']);
/** What would end an address, a cell of a table, a list or a tag early. */
const SIGNS = /[/\\%,;"<>]/;
/**
 * Anything that is not printed: control characters, line and paragraph separators, invisible marks, halves of a pair.
 */
const UNPRINTED = /[\p{Cc}\p{Cf}\p{Cs}\p{Zl}\p{Zp}]/u;

/** What keeps a text from being a code or id, as a sentence; null where nothing does. */
export function codeFault(code: string): string | null {
  if (code.trim() === '') return 'Give it at least one character.';
  if ([...code].length > LONGEST) return `Keep a code to ${LONGEST} characters.`;
  if (code !== code.trim()) return 'Leave out the space at its ends.';
  if (UNPRINTED.test(code)) return 'Use characters that can be read: no line breaks, tabs or invisible signs.';
  if (SIGNS.test(code)) return 'Leave out / \\ % , ; " < and > in a code.';
  if (code === '.' || code === '..' || PAGE_NAMES.has(code.toLowerCase()))
    return `"${code}" is the name of a page here. Choose another code.`;
  return null;
}

/** A code or id that is given for the first time. Those stored before the rule are read by `shortText`. */
export const newCode = z.string().superRefine((code, ctx) => {
  const fault = codeFault(code);
  if (fault !== null) ctx.addIssue({ code: 'custom', message: fault });
});

/** What a casting is called among all of the studio's: its batch and its id, `B-0412/k1`. */
export const castingName = (batch: string, id: string | null): string => (id === null ? batch : `${batch}/${id}`);

/** The batch and the casting of a name; the casting is null where it names a whole batch. */
export function parseCastingName(name: string): { readonly batch: string; readonly casting: string | null } {
  const at = name.indexOf('/');
  return at < 0 ? { batch: name, casting: null } : { batch: name.slice(0, at), casting: name.slice(at + 1) };
}

/** A code as a document names it, at its place. */
export interface CodeAt {
  readonly path: string;
  readonly code: string;
}

const at = (path: string, code: unknown): CodeAt[] => (typeof code === 'string' ? [{ path, code }] : []);
const each = <T>(list: readonly T[] | null | undefined, codes: (item: T, i: number) => CodeAt[]): CodeAt[] =>
  (list ?? []).flatMap(codes);

/** Every code and id that a batch names. */
export function codesInBatch(batch: Batch): CodeAt[] {
  return [
    ...at('code', batch.code),
    ...at('lotA.code', batch.lotA?.code),
    ...at('lotB.code', batch.lotB?.code),
    ...at('mix.scale', batch.mix?.scale),
    ...at('pressure.vessel', batch.pressure?.vessel),
    ...at('mould.code', batch.mould?.code),
    ...at('layerBelow.poured', batch.layerBelow?.poured),
    ...at('cure.lamp.gear', batch.cure?.lamp?.gear),
    ...at('copiedFrom.code', batch.copiedFrom?.code),
    ...each(batch.readings, (r, i) => at(`readings[${i}].device`, r.device)),
    ...each(batch.cups, (c, i) => at(`cups[${i}].id`, c.id)),
    ...each(batch.castings, (k, i) => [
      ...at(`castings[${i}].id`, k.id),
      ...at(`castings[${i}].cup`, k.cup),
      ...at(`castings[${i}].mould.code`, k.mould?.code),
      ...at(`castings[${i}].pressure.vessel`, k.pressure?.vessel),
      ...at(`castings[${i}].cure.lamp.gear`, k.cure?.lamp?.gear),
    ]),
    ...each(batch.checks, (c, i) => at(`checks[${i}].casting`, c.casting)),
    ...each(batch.outcome, (o, i) => at(`outcome[${i}].casting`, o.casting)),
  ];
}

const codesInPart = (path: string, part: string): CodeAt[] => {
  const { batch, casting } = parseCastingName(part);
  return [...at(path, batch), ...at(path, casting)];
};

/** Every code that a piece names. A join's parts are a batch and its casting with a stroke between. */
export function codesInPiece(piece: Piece): CodeAt[] {
  return [
    ...at('code', piece.code),
    ...at('mould', piece.mould),
    ...each(piece.layers, (l, i) => at(`layers[${i}].batch`, l.batch)),
    ...each(piece.joins, (join, i) => each(join.parts, (part, j) => codesInPart(`joins[${i}].parts[${j}]`, part))),
  ];
}

/** Every code that a mould names. */
export function codesInMould(mould: Mould): CodeAt[] {
  return [
    ...at('code', mould.code),
    ...each(mould.cavities, (c, i) => each(c.marks, (m, j) => at(`cavities[${i}].marks[${j}].batch`, m.batch))),
  ];
}

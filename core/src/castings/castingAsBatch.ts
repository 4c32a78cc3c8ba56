import type { Additive, Batch, Casting, Cup, MendRecord } from '../formats/batch';
import type { Product } from '../formats/product';
import { mixMasses } from '../mixing/batchAmounts';
import { castingIds, castingOf, castingsOf, laidAs, lookedAt, markLaid } from './castingList';

/** What a part of the record says of its own, over what the batch says for all. What is null says nothing. */
function over<T extends object>(all: T | null | undefined, own: Partial<T> | null | undefined): T | null | undefined {
  if (own == null) return all;
  const said = Object.fromEntries(Object.entries(own).filter(([, v]) => v != null));
  return { ...(all ?? {}), ...said } as T;
}

/** Mass of all that was mixed, its additives with it, g; null where a part of it is not known. */
export function mixedMassG(product: Product, batch: Batch): number | null {
  const { totalG } = mixMasses(product, batch);
  if (totalG === null || totalG <= 0) return null;
  const mixedIn = (batch.additives ?? []).filter((a) => a.applied == null || a.applied === 'mixed');
  return totalG + mixedIn.reduce((sum, a) => sum + (a.massG ?? 0), 0);
}

/**
 * A cup's own additives as they would be of the whole mix at the same loading: ratio, scale and pot life are those of
 * the whole, so the loading is told against it. Without a mass of cup or mix nobody knows their share.
 */
function asOfTheWhole(product: Product, batch: Batch, cup: Cup, own: readonly Additive[]): Additive[] {
  const wholeG = mixMasses(product, batch).totalG;
  const inCupG = cup.massG == null ? null : cup.massG - own.reduce((sum, a) => sum + (a.massG ?? 0), 0);
  const factor = wholeG != null && inCupG != null && inCupG > 0 ? wholeG / inCupG : null;
  return own.map((a) => ({ ...a, massG: a.massG == null || factor === null ? null : a.massG * factor }));
}

const cupOf = (batch: Batch, casting: Casting): Cup | null =>
  casting.cup == null ? null : ((batch.cups ?? []).find((c) => c.id === casting.cup) ?? null);

/** What a cup changes of the batch: its colours, and its own rest after they went in. */
function ofCup(product: Product, batch: Batch, cup: Cup | null): Partial<Batch> {
  if (!cup) return {};
  const restAlone = batch.degas?.method == null || batch.degas.method === 'none' || batch.degas.method === 'rest';
  return {
    ...(cup.additives == null ? {} : { additives: asOfTheWhole(product, batch, cup, cup.additives) }),
    ...(cup.restMin != null && restAlone
      ? { degas: { ...batch.degas, method: 'rest' as const, minutes: cup.restMin } }
      : {}),
  };
}

/** One that was not pressed has no times of pressing, whatever the others had. */
function ofPressing(batch: Batch, own: Casting['pressure']): Batch['pressure'] {
  if (own?.gaugeKPa === 0) return { ...own, startedMin: null, reachedMin: null, releasedMin: null };
  return over(batch.pressure, own);
}

function ofPour(batch: Batch, { pour, pouredMin, depthMm }: Casting): Batch['pour'] {
  const own = over({ startedMin: pouredMin, finishedMin: pouredMin, depthMm }, pour);
  return over(batch.pour, own);
}

const ofCure = (batch: Batch, { cure, demouldedMin }: Casting): Batch['cure'] =>
  over(batch.cure, over({ demouldedMin }, cure));

const isMended = (mend: MendRecord, id: string): boolean => mend.castings == null || mend.castings.includes(id);

/** Whether something said of one casting, or of all, is said of this one. */
const isOf = (said: string | null | undefined, id: string): boolean => said == null || said === id;

/**
 * A casting as a batch of its own: what it and its cup say, over what the batch says for all. Limits, diagnosis, mends
 * and what is learned take it as they take any batch, and know nothing of castings.
 * @param id null, or one that the batch does not have, leaves the batch as it is
 */
export function castingAsBatch(product: Product, batch: Batch, id: string | null): Batch {
  const casting = castingOf(batch, id);
  if (!casting || id === null || laidAs(batch) === id) return batch;
  const cup = cupOf(batch, casting);
  const withCup: Batch = { ...batch, ...ofCup(product, batch, cup) };
  const laid: Batch = {
    ...withCup,
    mould: over(batch.mould, casting.mould),
    pour: ofPour(batch, casting),
    pressure: ofPressing(batch, casting.pressure),
    degas: over(withCup.degas, casting.degas),
    cure: ofCure(batch, casting),
    inclusions: casting.inclusions ?? batch.inclusions,
    castings: [casting],
    cups: cup ? [cup] : [],
    // In the order in which they stand, so that what names one by its place can be told from where it came.
    checks: batch.checks?.filter((c) => isOf(lookedAt(batch, c.casting), id)),
    mends: batch.mends?.filter((m) => isMended(m, id)),
    outcome: batch.outcome?.filter((o) => isOf(o.casting, id)),
  };
  return markLaid(laid, id);
}

/** Sections that a casting has of its own, over the batch's. */
const OF_CASTING: ReadonlySet<string> = new Set(['mould', 'pour', 'pressure', 'degas', 'cure', 'inclusions']);
const IN_LIST = /^(\w+)\[\d+\]/;

/**
 * Where a field of a casting's view stands in the batch: in the casting, where that says anything of its own in this
 * part of the record; in its cup, where that lists its own colours; all else is the batch's.
 * @param field as the view has it, `mould.degassed`
 */
export function placeOfField(batch: Batch, id: string | null, field: string): string {
  const at = castingsOf(batch).findIndex((k) => k.id === id);
  const casting = castingsOf(batch)[at];
  if (!casting) return field;
  const list = IN_LIST.exec(field)?.[1];
  const section = list ?? /^\w+/.exec(field)?.[0] ?? '';
  if (list === 'checks') return ofCheck(batch, casting.id, field);
  if (list === 'additives') {
    const cup = (batch.cups ?? []).findIndex((c) => c.id === casting.cup && c.additives != null);
    return cup < 0 ? field : `cups[${cup}].${field}`;
  }
  if (!OF_CASTING.has(section) || casting[section] == null) return field;
  return `castings[${at}].${field}`;
}

/** A look of the view by its place in the batch. */
function ofCheck(batch: Batch, id: string, field: string): string {
  const place = Number(/\[(\d+)\]/.exec(field)?.[1]);
  const own = (batch.checks ?? []).flatMap((c, i) => (isOf(lookedAt(batch, c.casting), id) ? [i] : []))[place];
  return own === undefined ? field : field.replace(/\[\d+\]/, `[${own}]`);
}

const same = (a: unknown, b: unknown) => JSON.stringify(a ?? null) === JSON.stringify(b ?? null);
const SECTIONS = ['mould', 'pour', 'pressure', 'degas', 'cure'] as const;

/** What the batch as a whole has of figures that its castings came to one after another: the first, or the last. */
const FIRST_OR_LAST: Readonly<Record<string, (values: readonly number[]) => number>> = {
  'pour.startedMin': (values) => Math.min(...values),
  'pour.finishedMin': (values) => Math.max(...values),
  'cure.demouldedMin': (values) => Math.min(...values),
  'cure.peakC': (values) => Math.max(...values),
};

/** One field of a section over all castings: what all say, or the first or last of them; nothing where they differ. */
function agreedOn(path: string, values: readonly unknown[]): unknown {
  if (values.every((v) => same(v, values[0]))) return values[0] ?? null;
  const known = values.filter((v): v is number => typeof v === 'number');
  return known.length > 0 && path in FIRST_OR_LAST ? FIRST_OR_LAST[path]!(known) : null;
}

/** The fields of a section as all castings have them; what they differ in is no figure of the batch. */
function agreed(views: readonly Batch[], section: (typeof SECTIONS)[number]): Record<string, unknown> | null {
  const all = views.map((v) => (v[section] ?? {}) as Record<string, unknown>);
  const keys = [...new Set(all.flatMap((s) => Object.keys(s)))];
  const found = keys.map(
    (k) =>
      [
        k,
        agreedOn(
          `${section}.${k}`,
          all.map((s) => s[k]),
        ),
      ] as const,
  );
  const said = found.filter(([, v]) => v !== null);
  return said.length === 0 ? null : Object.fromEntries(said);
}

/**
 * A batch as all of its castings are alike: what each of them says the same stands, what they differ in does not. A
 * batch that tells no castings apart is as it is.
 */
export function commonBatch(product: Product, batch: Batch): Batch {
  if (castingsOf(batch).length === 0) return batch;
  const views = castingIds(batch).map((id) => castingAsBatch(product, batch, id));
  const alike = <K extends 'inclusions' | 'additives'>(key: K): Batch[K] =>
    views.every((v) => same(v[key], views[0]![key])) ? views[0]![key] : null;
  return {
    ...batch,
    ...Object.fromEntries(SECTIONS.map((section) => [section, agreed(views, section)])),
    inclusions: alike('inclusions'),
    additives: alike('additives'),
  };
}

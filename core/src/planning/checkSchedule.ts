import { castingAsBatch } from '../castings/castingAsBatch';
import { castingIds, castingsOf, laidAs } from '../castings/castingList';
import { checksInOrder } from '../formats/batchChecks';
import type { Batch } from '../formats/batch';
import type { Product } from '../formats/product';
import { mendsOf } from '../diagnosis/mendChain';
import { isClosed, stageOf } from './stage';

/** A look at the piece that is proposed: when, hours from when the parts met, and for the sake of what. */
export interface PlannedCheck {
  readonly afterH: number;
  readonly name:
    'out of the mould' | 'next day' | 'three days' | 'a week' | 'a month' | 'after the mend' | 'not graded yet';
  readonly why: string;
}

const DAY_H = 24;
const [THREE_DAYS_H, WEEK_H, MONTH_H] = [3 * DAY_H, 7 * DAY_H, 30 * DAY_H];
/** A look this much earlier than planned, as a share of its time, still counts as it. */
const AS_GOOD_AS = 0.8;
const POROUS: ReadonlySet<string | null | undefined> = new Set(['wood', 'plant', 'paper', 'fabric']);

interface LateFault {
  readonly from: 'three days' | 'a week' | 'a month';
  readonly until: 'three days' | 'a week' | 'a month';
  readonly why: string;
}

type LateRule = (product: Product, batch: Batch) => LateFault | null;

const late = (from: LateFault['from'], until: LateFault['until'], why: string): LateFault => ({ from, until, why });

function castInFault(batch: Batch): LateFault | null {
  const inclusions = batch.inclusions ?? [];
  if (inclusions.some((x) => POROUS.has(x.kind)))
    return late('three days', 'a month', 'damp or treated inclusions darken late');
  return inclusions.length > 0 ? late('a week', 'a week', 'what is cast in may tarnish or let go') : null;
}

function amberingFault(product: Product, batch: Batch): LateFault | null {
  const clear = product.clarity !== 'opaque';
  if (product.family === 'polyurethane' && clear) return late('a week', 'a month', 'a clear urethane ambers late');
  const lit = (batch.cure?.lightMJPerCM2 ?? 0) > 0;
  if (product.light?.stable === false && lit)
    return late('a week', 'a month', 'light on a base that is not light-proof shows late');
  return product.family === 'epoxy' && clear ? late('a month', 'a month', 'a clear epoxy ambers with age') : null;
}

/** One rule for each thing that a piece is made of. */
const LATE_RULES: readonly LateRule[] = [
  (_, { layerBelow }) =>
    layerBelow?.family === 'mineral-acrylic'
      ? late('three days', 'a month', 'water shut in below bulges or lifts it days later')
      : null,
  ({ family }) =>
    family === 'mineral-acrylic' ? late('three days', 'three days', 'it is hard a day or more before it is dry') : null,
  (_, batch) => castInFault(batch),
  ({ family }, { layerBelow }) =>
    family === 'uv-acrylate' && layerBelow != null
      ? late('a week', 'a month', 'the lamp of a light-cured top coat may have yellowed what is below')
      : null,
  amberingFault,
];

/** What this batch is made of that may still go wrong after a good first day. */
export const lateFaults = (product: Product, batch: Batch): LateFault[] =>
  LATE_RULES.map((rule) => rule(product, batch)).filter((fault) => fault !== null);

const ORDER = ['three days', 'a week', 'a month'] as const;
const HOURS = { 'three days': THREE_DAYS_H, 'a week': WEEK_H, 'a month': MONTH_H } as const;

/** Every look proposed for a batch, in order: out of the mould, the next day, and as late as its makings may fail. */
export function checkPlan(product: Product, batch: Batch): PlannedCheck[] {
  const outH = (batch.cure?.demouldedMin ?? product.demould?.minutes ?? 0) / 60;
  const first: PlannedCheck =
    outH > DAY_H
      ? { afterH: outH, name: 'out of the mould', why: 'first look, when it is due out' }
      : { afterH: DAY_H, name: 'next day', why: 'first look' };
  const faults = lateFaults(product, batch);
  return [
    first,
    ...ORDER.flatMap((name, i): PlannedCheck[] => {
      const why = faults.filter((l) => ORDER.indexOf(l.from) <= i && ORDER.indexOf(l.until) >= i).map((l) => l.why);
      return why.length === 0 || HOURS[name] <= first.afterH
        ? []
        : [{ afterH: HOURS[name], name, why: why.join('; ') }];
    }),
  ];
}

/** The first look that is due on any of a batch's castings, with those that it is due on. */
function dueOfCastings(product: Product, batch: Batch): PlannedCheck | null {
  const due = castingIds(batch).flatMap((id) => {
    const check = dueCheck(product, castingAsBatch(product, batch, id));
    return check === null || id === null ? [] : [{ check, id }];
  });
  const first = due.reduce<PlannedCheck | null>((a, { check: b }) => (a && a.afterH <= b.afterH ? a : b), null);
  if (!first) return null;
  const of = due.filter(({ check }) => check.afterH === first.afterH).map(({ id }) => id);
  return of.length === castingIds(batch).length ? first : { ...first, why: `${first.why}, of ${of.join(', ')}` };
}

/**
 * The next look that is due on a batch out of its mould, graded or not; null where none is.
 * A mend is looked at when its wait is over; what was not graded is looked
 * at again the next day; what was scrapped is let be.
 */
export function dueCheck(product: Product, batch: Batch): PlannedCheck | null {
  if (isClosed(batch)) return null;
  if (castingsOf(batch).length > 0 && laidAs(batch) === null) return dueOfCastings(product, batch);
  const stage = stageOf(product, batch);
  if (stage !== 'check' && stage !== 'done') return null;
  const last = checksInOrder(batch).at(-1);
  if (last?.grade === 'scrap') return null;
  const mend = mendsOf(batch).at(-1);
  if (mend?.outcome === 'waiting' && mend.recheckAtH !== null)
    return { afterH: mend.recheckAtH, name: 'after the mend', why: 'whether the mend has held' };
  const planned = checkPlan(product, batch);
  if (!last) return planned[0]!;
  if (last.grade === 'mend') return { afterH: last.afterH + DAY_H, name: 'after the mend', why: 'after the mend' };
  if (last.grade == null) return { afterH: last.afterH + DAY_H, name: 'not graded yet', why: 'not graded yet' };
  return planned.find((p) => p.afterH * AS_GOOD_AS > last.afterH) ?? null;
}

import type { Batch } from '../formats/batch';
import type { Product } from '../formats/product';
import { mendsOf } from '../diagnosis/mendChain';
import { stageOf } from './stage';

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

/** What this batch is made of that may still go wrong after a good first day. */
export function lateFaults(product: Product, batch: Batch): LateFault[] {
  const found: LateFault[] = [];
  if (batch.layerBelow?.family === 'mineral-acrylic')
    found.push({ from: 'three days', until: 'a month', why: 'water shut in below bulges or lifts it days later' });
  if (product.family === 'mineral-acrylic')
    found.push({ from: 'three days', until: 'three days', why: 'it is hard a day or more before it is dry' });
  if ((batch.inclusions ?? []).some((x) => POROUS.has(x.kind)))
    found.push({ from: 'three days', until: 'a month', why: 'damp or treated inclusions darken late' });
  else if ((batch.inclusions ?? []).length > 0)
    found.push({ from: 'a week', until: 'a week', why: 'what is cast in may tarnish or let go' });
  if (product.family === 'uv-acrylate' && batch.layerBelow != null)
    found.push({
      from: 'a week',
      until: 'a month',
      why: 'the lamp of a light-cured top coat may have yellowed what is below',
    });
  if (product.family === 'polyurethane' && product.clarity !== 'opaque')
    found.push({ from: 'a week', until: 'a month', why: 'a clear urethane ambers late' });
  else if (product.light?.stable === false && (batch.cure?.lightMJPerCM2 ?? 0) > 0)
    found.push({ from: 'a week', until: 'a month', why: 'light on a base that is not light-proof shows late' });
  else if (product.family === 'epoxy' && product.clarity !== 'opaque')
    found.push({ from: 'a month', until: 'a month', why: 'a clear epoxy ambers with age' });
  return found;
}

const ORDER = ['three days', 'a week', 'a month'] as const;
const HOURS = { 'three days': THREE_DAYS_H, 'a week': WEEK_H, 'a month': MONTH_H } as const;

/** Every look proposed for a batch, in order: out of the mould, the next day, and as late as its makings may fail. */
export function checkPlan(product: Product, batch: Batch): PlannedCheck[] {
  const outH = (batch.cure?.demouldedMin ?? product.demould?.minutes ?? 0) / 60;
  const first: PlannedCheck =
    outH > DAY_H
      ? { afterH: outH, name: 'out of the mould', why: 'first look, when it is due out' }
      : { afterH: DAY_H, name: 'next day', why: 'first look' };
  const late = lateFaults(product, batch);
  return [
    first,
    ...ORDER.flatMap((name, i): PlannedCheck[] => {
      const why = late.filter((l) => ORDER.indexOf(l.from) <= i && ORDER.indexOf(l.until) >= i).map((l) => l.why);
      return why.length === 0 || HOURS[name] <= first.afterH
        ? []
        : [{ afterH: HOURS[name], name, why: why.join('; ') }];
    }),
  ];
}

/**
 * The next look that is due on a batch out of its mould, graded or not; null where none is.
 * A mend is looked at when its wait is over; what was not graded is looked at again the next day; what was scrapped is let be.
 */
export function dueCheck(product: Product, batch: Batch): PlannedCheck | null {
  const stage = stageOf(product, batch);
  if (stage !== 'check' && stage !== 'done') return null;
  const last = [...(batch.checks ?? [])].sort((a, b) => a.afterH - b.afterH).at(-1);
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

import { measuresIn, type Measure } from './measures';
import type { Part, Segment } from './segment';
import { labelsIn, type FieldId, type Label } from './sheetLabels';
import type { DecimalSign } from './sheetNumber';
import { partsIn } from './sheetParts';
import type { Dimension } from './sheetUnits';

/** What a figure is given at. */
export interface Conditions {
  readonly temperature?: Measure | undefined;
  readonly mass?: Measure | undefined;
  readonly percent?: Measure | undefined;
  readonly time?: Measure | undefined;
}

/** One figure of a sheet, whose it is, of which liquid, and what it is given at. */
export interface Statement {
  readonly field: FieldId;
  readonly label: Label;
  readonly measure: Measure;
  readonly part: Part | null;
  readonly given: Conditions;
  readonly segment: Segment;
}

/** Fields whose figure is told at a temperature, of a mass, or at a dose. */
const GIVEN_AT: Partial<Record<FieldId, readonly (keyof Conditions)[]>> = {
  potLife: ['temperature', 'mass', 'percent'],
  workingTime: ['temperature', 'mass', 'percent'],
  gel: ['temperature', 'mass', 'percent'],
  tackFree: ['temperature', 'mass'],
  demould: ['temperature', 'mass'],
  fullCure: ['temperature', 'mass'],
  recoat: ['temperature'],
  viscosity: ['temperature'],
  exotherm: ['temperature', 'mass', 'percent'],
  hardness: ['time'],
};

const kindOf = (measure: Measure): keyof Conditions | null => {
  if (measure.dimension === 'volume') return 'mass';
  const kinds: readonly Dimension[] = ['temperature', 'mass', 'percent', 'time'];
  return kinds.includes(measure.dimension) ? (measure.dimension as keyof Conditions) : null;
};

const isConditionOf = (field: FieldId, measure: Measure) => {
  const kind = kindOf(measure);
  return kind !== null && (GIVEN_AT[field]?.includes(kind) ?? false);
};

/** Signs that a temperature is one that something is given at. */
const AT = /(?:@|\bat\b|\bfrom\b|\bof a|\bin a|\broom\b)[^|;.:]{0,14}$/i;

const SHELF: readonly FieldId[] = ['shelf', 'opened'];
const IN_MONTHS = ['month', 'year', 'week', 'd'];
const LONG = ['month', 'year'];

/** Months are of the shelf, minutes are not; days may be of either. */
function isSpanOf(field: FieldId, measure: Measure): boolean {
  const unit = measure.unit?.id ?? '';
  return SHELF.includes(field) ? IN_MONTHS.includes(unit) : !LONG.includes(unit) || field === 'fullCure';
}

function isPrimary(label: Label, measure: Measure, text: string): boolean {
  if (label.field === 'other' || !label.takes.includes(measure.dimension)) return false;
  if (measure.dimension === 'time' && !isSpanOf(label.field, measure)) return false;
  if (label.field !== 'exotherm') return true;
  return !AT.test(text.slice(Math.max(label.start, measure.start - 24), measure.start));
}

/** A segment with what was found in it. */
interface Found {
  readonly segment: Segment;
  readonly text: string;
  readonly labels: readonly Label[];
  readonly measures: readonly Measure[];
}

/** Whether figures of this dimension stand before their labels here: "40 minutes pot life, 60 minutes gel time". */
function standsBefore({ labels, measures }: Found, dimension: Dimension): boolean {
  const measure = measures.find((m) => m.dimension === dimension);
  const label = labels.find((l) => l.takes.includes(dimension));
  return measure !== undefined && label !== undefined && measure.start < label.start;
}

const CLOSE = /^[\s-]*(?:\(?[a-z]+\s){0,3}\(?$/i;

function labelAfter({ text, labels }: Found, measure: Measure): Label | null {
  const next = labels.find((l) => l.start >= measure.end);
  if (!next || next.field === 'other' || !next.takes.includes(measure.dimension)) return null;
  return CLOSE.test(text.slice(measure.end, next.start)) ? next : null;
}

/** Whether a label of what no card holds keeps a figure to itself. */
const keeps = ({ field, takes }: Label, measure: Measure) =>
  field === 'other' && (takes.length === 0 || takes.includes(measure.dimension));

/** The label before a figure that it belongs to; what belongs to no card stops the search. */
function labelBefore({ labels, text }: Found, measure: Measure): Label | null {
  for (const label of labels.filter((l) => l.start < measure.start).reverse()) {
    if (isPrimary(label, measure, text)) return label;
    if (keeps(label, measure) || isConditionOf(label.field, measure)) return null;
  }
  return null;
}

/** Whether the label has a figure of this kind already, between it and this one. */
const isTaken = ({ measures }: Found, label: Label, measure: Measure) =>
  measures.some((m) => m.dimension === measure.dimension && m.start > label.start && m.start < measure.start);

/** A percentage that is written with its humidity is a label of its own. */
function ownLabel(found: Found, measure: Measure): Label | null {
  if (measure.dimension !== 'humidity') return null;
  const last = found.labels.filter((l) => l.start < measure.start).at(-1);
  const refused = last?.field === 'other' && measure.start - last.end < 60;
  return refused ? null : { field: 'humidity', takes: ['humidity'], start: measure.start, end: measure.end };
}

/** "Gel time with 2 % catalyst": the dose at which the time is told, and no dose of its own. */
function isDoseOfGel({ labels }: Found, measure: Measure): boolean {
  const last = labels.filter((l) => l.start < measure.start).at(-1);
  return measure.dimension === 'percent' && last !== undefined && isConditionOf(last.field, measure);
}

function labelOf(found: Found, measure: Measure): Label | null {
  const own = ownLabel(found, measure);
  if (own) return own;
  if (isDoseOfGel(found, measure)) return null;
  const after = labelAfter(found, measure);
  if (standsBefore(found, measure.dimension)) {
    const isFirst = found.measures.find((m) => m.dimension === measure.dimension) === measure;
    if (after || isFirst) return after;
  }
  const before = labelBefore(found, measure);
  if (!before) return after;
  return after && isTaken(found, before, measure) ? after : before;
}

/** A figure with its label. */
interface Pair {
  readonly measure: Measure;
  readonly label: Label;
}

/** The stretch of text in which a label's figures and their conditions stand. */
function scopeOf(found: Found, { label, measure }: Pair): readonly [from: number, to: number] {
  const next = found.labels.find((l) => l.start >= Math.max(label.end, measure.end));
  const to = next?.start ?? found.text.length;
  if (measure.start > label.start) return [label.start, to];
  const previous = found.labels.filter((l) => l.end <= measure.start).at(-1);
  return [previous?.end ?? 0, to];
}

function within(found: Found, [from, to]: readonly [number, number], field: FieldId, taken: ReadonlySet<Measure>) {
  return found.measures.filter((m) => m.start >= from && m.end <= to && (taken.has(m) || isConditionOf(field, m)));
}

/**
 * Of the figures in a scope, those that this one is given at: between it and its neighbour, on the side they keep to.
 */
function beside(inScope: readonly Measure[], measure: Measure, taken: ReadonlySet<Measure>): Measure[] {
  const at = inScope.indexOf(measure);
  const first = inScope[0];
  const conditionsFirst = first !== undefined && !taken.has(first);
  const side = conditionsFirst ? inScope.slice(0, at).reverse() : inScope.slice(at + 1);
  const until = side.findIndex((m) => taken.has(m));
  return until < 0 ? side : side.slice(0, until);
}

function conditionsOf(found: Found, pair: Pair, pairs: readonly Pair[]): Conditions {
  const taken = new Set(pairs.map((p) => p.measure));
  const inScope = within(found, scopeOf(found, pair), pair.label.field, taken);
  const own = beside(inScope, pair.measure, taken);
  const firstGiven = found.labels.find((l) => l.field in GIVEN_AT)?.start ?? 0;
  const leading = found.measures.filter((m) => m.end <= firstGiven);
  const pick = (kind: keyof Conditions): Measure | undefined => {
    if (!GIVEN_AT[pair.label.field]?.includes(kind)) return undefined;
    // A dose belongs to the catalyst and says what a gel time is given at, both.
    const isKind = (m: Measure) => kindOf(m) === kind && (kind === 'percent' || !taken.has(m));
    const beside_ = own.find(isKind);
    if (beside_) return beside_;
    const all = inScope.filter(isKind);
    return all.length === 1 ? all[0] : leading.find(isKind);
  };
  return { temperature: pick('temperature'), mass: pick('mass'), percent: pick('percent'), time: pick('time') };
}

/** What stands between the members of a list. */
const LISTED = /^[\s/,&()]*(?:and)?[\s/,&()]*$/;

/** The liquid that a figure is of: what is named nearest before it, or right behind it. */
function partOf({ text, segment, measures }: Found, measure: Measure): Part | null {
  const mentions = partsIn(text);
  const behind = mentions.find((p) => p.start >= measure.end && /^\s*\(?\s*$/.test(text.slice(measure.end, p.start)));
  if (behind && /\(/.test(text.slice(measure.end, behind.start))) return behind.part;
  const nearest = mentions.filter((p) => p.end <= measure.start).at(-1);
  if (!nearest) return segment.part ?? null;
  // Several named before several figures: the first is of the first, the second of the second.
  const since = measures.filter((m) => m.dimension === measure.dimension && m.start >= nearest.end);
  const list = mentions.filter((p) => p.end <= (since[0]?.start ?? measure.start));
  const between = (i: number) => text.slice(list[i - 1]?.end ?? 0, list[i]?.start ?? 0);
  const begins = list.findLastIndex((_, i) => i > 0 && !LISTED.test(between(i)));
  const tail = list.slice(Math.max(0, begins));
  const index = since.indexOf(measure);
  if (tail.length > 1 && since.length >= tail.length && index >= 0) return tail[index]?.part ?? null;
  return nearest.part;
}

/** Numbers of a list take the unit of the last of them: "1.12 / 0.98 g/cm³". */
function withListUnits(measures: readonly Measure[], text: string): Measure[] {
  return measures.map((m, index) => {
    const next = measures[index + 1];
    const listed =
      next !== undefined && /^\s*(?:\/|,|and|or|&|\|)\s*(?:[AB]\b\W*)?$/.test(text.slice(m.end, next.start));
    if (m.dimension !== 'bare' || !listed || !next.unit) return m;
    const { unit } = next;
    return { ...m, unit, dimension: unit.dimension, low: unit.toStored(m.low), high: unit.toStored(m.high) };
  });
}

/** Words by which a sheet speaks of another product, or of what this one was. */
const OF_ANOTHER =
  /\b(?:unlike|compared (?:to|with)|competit\w+|superseded|formerly|(?:previous|former|earlier|older?) \w+|other (?:resins?|products?|grades?))\b/i;

/** The figures of a segment, each with its label, its liquid, and what it is given at. */
export function statementsIn(segment: Segment, decimal: DecimalSign): Statement[] {
  const { text } = segment;
  const labels = labelsIn(text);
  if (OF_ANOTHER.test(text)) return [];
  const measures = withListUnits(measuresIn(text, decimal, segment.unit ?? null), text);
  const found: Found = { segment, text, labels, measures };
  const pairs = measures.flatMap((measure): Pair[] => {
    const label = labelOf(found, measure);
    return label && label.field !== 'other' ? [{ measure, label }] : [];
  });
  return pairs.map((pair) => ({
    field: pair.label.field,
    label: pair.label,
    measure: pair.measure,
    part: partOf(found, pair.measure),
    given: conditionsOf(found, pair, pairs),
    segment,
  }));
}

import { productSchema } from '../formats/product';
import { schemaPaths } from '../formats/schemaPaths';
import { candidatesOf } from './candidates';
import { againstDensities, contradict, sayTheSame } from './contradictions';
import { ratioCandidates } from './ratioCandidates';
import type { Candidate, SheetReading, SheetStatement } from './reading';
import type { Segment } from './segment';
import { sheetLines } from './sheetLines';
import { decimalSign, type DecimalSign } from './sheetNumber';
import { rounded } from './rounded';
import { blocksOf, sameProduct, sheetProducts } from './sheetProducts';
import { ratiosIn } from './sheetRatios';
import { sheetSegments } from './sheetSegments';
import { hazardReading } from './sheetWords';
import { statementsIn } from './statements';
import { withGelDoses } from './gelDoses';

/** The temperature at which a sheet's figures are mostly told; of several the one nearest to it is taken first. */
const USUAL_C = 23;

export interface SheetOptions {
  /** The product that is asked for, where a sheet holds several. */
  readonly asked?: string | undefined;
}

function segmentsOf(text: string, decimal: DecimalSign, asked: string | undefined): Segment[] {
  const products = sheetProducts(text);
  const blocks = blocksOf(sheetLines(text), products);
  const segments = blocks.flatMap(({ product, lines }) => sheetSegments(lines, decimal, { product }));
  if (products.length < 2) return segments;
  const mine = (s: Segment) => s.product === undefined || (asked !== undefined && sameProduct(s.product, asked));
  return segments.filter(mine).filter((s) => !namesAnother(s, products, asked));
}

/** A sentence that names other products and not this one speaks of them. */
function namesAnother(segment: Segment, products: readonly string[], asked: string | undefined): boolean {
  const text = segment.text.toLowerCase();
  const named = products.filter((p) => text.includes(p.toLowerCase()));
  return named.length > 0 && !(asked !== undefined && named.every((p) => sameProduct(p, asked)));
}

/** How much of what it is given at a statement says. */
const completeness = (c: Candidate) => c.companions.length + (c.atC === undefined ? 0 : 0.5);
const farFromUsual = (c: Candidate) => (c.atC === undefined ? 0 : Math.abs(c.atC - USUAL_C));

/** The statement that is offered first: the plainest word, the most complete, the nearest to a usual room. */
function leading(candidates: readonly Candidate[]): Candidate {
  const isHardness = candidates[0]!.path === 'hardness.value';
  const time = (c: Candidate) => c.given?.time?.low ?? (isHardness ? Number.POSITIVE_INFINITY : 0);
  return [...candidates].sort(
    (x, y) =>
      Number(x.second ?? false) - Number(y.second ?? false) ||
      (isHardness ? time(y) - time(x) || 0 : 0) ||
      completeness(y) - completeness(x) ||
      farFromUsual(x) - farFromUsual(y),
  )[0]!;
}

/** Columns of least, typical and most say one thing: the typical figure stands for a field that takes only one. */
function withoutEnds(candidates: readonly Candidate[]): Candidate[] {
  const typical = candidates.filter((c) => c.bound === 'typical');
  return typical.length > 0
    ? candidates.filter((c) => c.bound === 'typical' || !typical.some((t) => t.line === c.line))
    : [...candidates];
}

const asStatement = ({ value, unit, line, text, atC, massG }: SheetStatement): SheetStatement => ({
  value,
  unit,
  line,
  text,
  ...(atC === undefined ? {} : { atC }),
  ...(massG === undefined ? {} : { massG }),
});

const sameConditions = (x: Candidate, y: Candidate) => x.atC === y.atC && x.massG === y.massG;

/** Statements that say something of their own; one that another repeats with more about it goes. */
function distinct(candidates: readonly Candidate[]): Candidate[] {
  const fullest = [...candidates].sort((x, y) => completeness(y) - completeness(x));
  return fullest.filter(
    (c, at) =>
      !fullest
        .slice(0, at)
        .some(
          (k) =>
            sayTheSame(k, c) && (completeness(c) === 0 || sameConditions(k, c) || completeness(k) > completeness(c)),
        ),
  );
}

function readingsAt(path: string, all: readonly Candidate[]): SheetReading[] {
  const candidates = distinct(withoutEnds(all));
  const first = leading(candidates);
  const several = candidates.filter((c) => !sayTheSame(c, first) || !sameConditions(c, first) || c === first);
  const inOrder = [...several].sort((x, y) => x.line - y.line);
  const clash = several.some((x) => several.some((y) => x !== y && contradict(x, y)));
  const about = several.length > 1 ? { readings: inOrder.map(asStatement) } : {};
  const mark = clash ? { contradicts: true as const } : {};
  const companions = first.companions.map(({ path: at, ...c }) => ({ path: at, ...asStatement(c), ...mark }));
  return [{ path, ...asStatement(first), ...about, ...mark }, ...headingTemperature(first), ...companions];
}

/** A temperature that a heading gives for all below it goes into the card too. */
function headingTemperature(first: Candidate): SheetReading[] {
  const stem = first.path.slice(0, first.path.lastIndexOf('.'));
  const { heading } = first;
  if (!heading) return [];
  return [{ path: `${stem}.atC`, value: rounded(heading.atC), unit: '°C', line: heading.line, text: heading.text }];
}

const ORDER = [...schemaPaths(productSchema)];
const place = (path: string) => {
  const at = ORDER.indexOf(path.replaceAll(/\[\d+\]/g, ''));
  return at < 0 ? ORDER.length : at;
};

/** One reading for each path: of two that a path has, the one with the fuller statement. */
function onePerPath(readings: readonly SheetReading[]): SheetReading[] {
  return readings.filter((r, at) => readings.findIndex((o) => o.path === r.path) === at);
}

/**
 * The figures that a product's data sheet states, each with its place in a card (`warm-jar.product/1`), turned into the
 * format's own unit, beside the line it stands on. Nothing is worked out from anything else and nothing averaged: what
 * is not stated is not among them, and where a sheet states several all of them are listed.
 * @param text the sheet as lines in reading order; cells apart by tabs, bars, or two spaces
 * @param options `asked` names the product where a sheet holds several; without it only what holds for all is read
 * @returns in the order of the card's fields; of a range the end that costs less if it is wrong (the shorter pot life,
 * the longer wait); `contradicts` where statements cannot all be right
 * @example readDataSheet('Pot life (150 g, 23 °C): 40 min').map((r) => [r.path, r.value]).slice(0, 1)
 *   // [['potLife.minutes', 40]]
 */
export function readDataSheet(text: string, options: SheetOptions = {}): SheetReading[] {
  const decimal = decimalSign(text);
  const segments = segmentsOf(text, decimal, options.asked);
  const statements = segments.flatMap((segment) => statementsIn(segment, decimal));
  const { gel, rest } = withGelDoses(statements);
  const candidates = [
    ...ratioCandidates(segments.flatMap((segment) => ratiosIn(segment, decimal))),
    ...candidatesOf(rest),
  ];
  const paths = [...new Set(candidates.map((c) => c.path))];
  const readings = paths.flatMap((path) =>
    readingsAt(
      path,
      candidates.filter((c) => c.path === path),
    ),
  );
  const all = onePerPath([...readings, ...gel, ...hazardReading(segments)]);
  return againstDensities(all).sort((x, y) => place(x.path) - place(y.path));
}
